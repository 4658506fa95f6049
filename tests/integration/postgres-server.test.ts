import { test } from 'node:test';
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { PROJECT } from '../../scripts/parts/places.mjs';
import { clusterFolder, runningServer, startCluster } from '../../scripts/parts/postgres.mjs';

function folder() {
	const made = mkdtempSync(path.join(os.tmpdir(), 'jovet-cluster-'));
	chmodSync(made, 0o755);
	return made;
}
async function ask(url: string, text: string): Promise<unknown[]> {
	const client = new pg.Client({ connectionString: `${url}/postgres` });
	client.on('error', () => undefined);
	await client.connect();
	try {
		return (await client.query<Record<string, unknown>>(text)).rows;
	} finally {
		await client.end();
	}
}

test('the server starts, keeps its data over a stop, and is found again while it runs', async () => {
	const place = path.join(folder(), 'pg');
	const first = await startCluster({ folder: place, forTests: false, port: 0 });
	await ask(first.url, 'create table kept as select 7 as n');
	const again = await startCluster({ folder: place, forTests: false, port: 0 });
	assert.equal(again.adopted, true);
	assert.equal(again.port, first.port);
	await first.stop();
	await again.stop();
	const second = await startCluster({ folder: place, forTests: false, port: 0 });
	try {
		assert.deepEqual(await ask(second.url, 'select n from kept'), [{ n: 7 }]);
		assert.deepEqual(await ask(second.url, 'show listen_addresses'), [
			{ listen_addresses: '127.0.0.1' }
		]);
		assert.deepEqual(await ask(second.url, 'show fsync'), [{ fsync: 'on' }]);
		await assert.rejects(
			ask(second.url.replace(/:[0-9a-f]{48}@/, ':wrong@'), 'select 1'),
			/password/
		);
	} finally {
		await second.stop();
	}
});

test('data that is damaged, or of a version that is not here, is told with what to do, and is left as it is', async () => {
	const place = path.join(folder(), 'pg');
	const cluster = await startCluster({ folder: place, forTests: true, port: 0 });
	await cluster.stop();
	const start = () => startCluster({ folder: place, forTests: true, port: 0 });
	const control = path.join(place, 'data', 'global', 'pg_control');
	const whole = readFileSync(control);
	const broken = Buffer.from(whole);
	broken.fill(0x5a, 16, 240);
	writeFileSync(control, broken);
	await assert.rejects(start(), /is damaged.*Nothing more was done to it.*npm run restore/s);
	assert.deepEqual(readFileSync(control), broken);
	writeFileSync(control, whole);
	// What the log has of that is of no start after it: this one fails by a setting.
	const settings = path.join(place, 'data', 'postgresql.auto.conf');
	const right = readFileSync(settings);
	writeFileSync(settings, "shared_buffers = 'plenty'\n");
	await assert.rejects(
		start(),
		({ message }: Error) => /PostgreSQL did not start/.test(message) && !/damaged/.test(message)
	);
	writeFileSync(settings, right);
	const version = path.join(place, 'data', 'PG_VERSION');
	const written = readFileSync(version, 'utf8');
	writeFileSync(version, '99\n');
	await assert.rejects(
		start(),
		/written by PostgreSQL 99, which is not installed here.*postgresql-99/s
	);
	writeFileSync(version, written);
	const again = await start();
	await again.stop();
});

test('a busy port is walked round', async () => {
	const busy = net.createServer();
	await new Promise<void>((resolve) => busy.listen(0, '127.0.0.1', () => resolve()));
	const taken = (busy.address() as net.AddressInfo).port;
	const cluster = await startCluster({
		folder: path.join(folder(), 'pg'),
		forTests: true,
		port: taken
	});
	try {
		assert.notEqual(cluster.port, taken);
		assert.deepEqual(await ask(cluster.url, 'select 1 as one'), [{ one: 1 }]);
	} finally {
		await cluster.stop();
		busy.close();
	}
});

test('after a crash the lock file it left is cleared and the data is there', async () => {
	const place = path.join(folder(), 'pg');
	const first = await startCluster({ folder: place, forTests: false, port: 0 });
	await ask(first.url, 'create table kept as select 7 as n');
	const running = runningServer(path.join(place, 'data'));
	assert.ok(running);
	process.kill(running.pid, 'SIGKILL');
	for (let tries = 0; runningServer(path.join(place, 'data')) && tries < 100; tries += 1)
		await new Promise((resolve) => setTimeout(resolve, 50));
	// The number in the lock now belongs to someone else who is alive.
	const lock = path.join(place, 'data', 'postmaster.pid');
	const lines = readFileSync(lock, 'utf8').split('\n');
	writeFileSync(lock, [String(process.pid), ...lines.slice(1)].join('\n'));
	assert.equal(runningServer(path.join(place, 'data')), null);
	const second = await startCluster({ folder: place, forTests: false, port: 0 });
	try {
		assert.equal(second.adopted, false);
		assert.deepEqual(await ask(second.url, 'select n from kept'), [{ n: 7 }]);
	} finally {
		await second.stop();
	}
});

const asRoot = process.getuid?.() === 0;

test(
	'root in a folder that others cannot enter has its data where the server can reach it',
	{ skip: asRoot ? false : 'only root hands the folder over' },
	async () => {
		const closed = folder();
		chmodSync(closed, 0o700);
		const elsewhere = path.join(folder(), 'data-of-servers');
		const wanted = path.join(closed, 'pg');
		const moved = await clusterFolder(wanted, elsewhere);
		assert.ok(moved.startsWith(`${elsewhere}/`), moved);
		// It is the same place every time, and another for another checkout.
		assert.equal(await clusterFolder(wanted, elsewhere), moved);
		assert.notEqual(await clusterFolder(path.join(closed, 'other', 'pg'), elsewhere), moved);
		const cluster = await startCluster({ folder: moved, forTests: true, port: 0 });
		try {
			assert.deepEqual(await ask(cluster.url, 'select 1 as one'), [{ one: 1 }]);
		} finally {
			await cluster.stop();
		}
		rmSync(closed, { recursive: true });
	}
);

test('a folder that the server can reach is kept', async () => {
	const wanted = path.join(folder(), 'pg');
	assert.equal(await clusterFolder(wanted, '/nowhere'), wanted);
});

/** Only where the database's user may run this Node.js. */
const cannotBeOrdinary = !asRoot
	? 'the other tests ran as an ordinary user'
	: spawnSync('runuser', ['-u', 'postgres', '--', 'test', '-x', process.execPath], { cwd: '/' })
				.status === 0
		? false
		: `the user "postgres" cannot run ${process.execPath}`;

test('an ordinary user starts and stops it too', { skip: cannotBeOrdinary }, async () => {
	const home = folder();
	// The project itself may lie where an ordinary user cannot look.
	cpSync(path.join(PROJECT, 'scripts'), path.join(home, 'scripts'), { recursive: true });
	spawnSync('chown', ['-R', 'postgres', home]);
	const script = `
		const { startCluster } = await import('${home}/scripts/parts/postgres.mjs');
		const cluster = await startCluster({ folder: '${home}/pg', forTests: true, port: 0 });
		await cluster.stop();
		console.log('started and stopped as', process.getuid());`;
	const child = spawn(
		'runuser',
		['-u', 'postgres', '--', process.execPath, '--input-type=module', '-e', script],
		{ cwd: '/' }
	);
	let said = '';
	child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()));
	child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
	const code = await new Promise((resolve) => child.on('exit', resolve));
	assert.equal(code, 0, said);
	assert.match(said, /started and stopped as [1-9]/);
});
