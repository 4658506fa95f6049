import { test } from 'node:test';
import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { PROJECT } from '../../scripts/parts/places.mjs';
import { runningServer, startCluster } from '../../scripts/parts/postgres.mjs';

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
	'root is told when the database user cannot reach the folder',
	{ skip: asRoot ? false : 'only root hands the folder over' },
	async () => {
		const closed = folder();
		chmodSync(closed, 0o700);
		await assert.rejects(
			startCluster({ folder: path.join(closed, 'pg'), forTests: true, port: 0 }),
			/cannot reach .* JOVET_DATA/s
		);
		rmSync(closed, { recursive: true });
	}
);

test(
	'an ordinary user starts and stops it too',
	{ skip: asRoot ? false : 'the other tests ran as an ordinary user' },
	async () => {
		const home = mkdtempSync(path.join(os.tmpdir(), 'jovet-user-'));
		spawnSync('chown', ['postgres', home]);
		const script = `
		const { startCluster } = await import('${PROJECT}/scripts/parts/postgres.mjs');
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
	}
);
