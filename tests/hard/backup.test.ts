import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import {
	chmodSync,
	existsSync,
	mkdirSync,
	mkdtempSync,
	readFileSync,
	rmSync,
	statSync,
	utimesSync,
	writeFileSync
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { startApplication } from '../../scripts/parts/application.mjs';
import { backupsIn } from '../../scripts/parts/backups.mjs';
import { keepBackedUp } from '../../scripts/parts/nightly.mjs';
import { PROJECT } from '../../scripts/parts/places.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { startCluster } from '../../scripts/parts/postgres.mjs';
import { openDatabase } from '../../src/lib/server/db/client.ts';
import { migrateToLatest, NewerData } from '../../src/lib/server/db/migrate.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { LOAF, TOMORROW } from '../integration/test-database.ts';
import { Hand } from './hand.ts';

/** A data folder of its own, in which the commands of the README work as they do in the bakery's. */
let home = '';
before(() => {
	home = mkdtempSync(path.join(os.tmpdir(), 'jovet-backup-'));
	chmodSync(home, 0o755);
});
after(() => rmSync(home, { recursive: true, force: true }));

const cluster = () =>
	startCluster({ folder: path.join(home, 'bakery-postgres'), forTests: false, port: 0 });

/** Runs one of the scripts on that data folder, as a timer would; gives how it ended and what it said. */
function script(name: string, ...args: string[]): Promise<{ code: number; said: string }> {
	return new Promise((resolve, reject) => {
		const child = spawn(process.execPath, [path.join(PROJECT, 'scripts', name), ...args], {
			cwd: PROJECT,
			env: { ...process.env, JOVET_DATA: home },
			stdio: ['ignore', 'pipe', 'pipe']
		});
		let said = '';
		for (const stream of [child.stdout, child.stderr])
			stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
		child.on('error', reject);
		child.on('close', (code) => resolve({ code: code ?? 1, said }));
	});
}

test('backed up while three hands type, destroyed, restored: all that was acknowledged before is there, once and whole', async () => {
	const first = await cluster();
	const application = await startApplication({
		port: await freePort(0),
		databaseUrl: `${first.url}/postgres`,
		env: { JOVET_DEMO: 'saltmarrow' },
		quiet: true
	});
	const db = openDatabase(`${first.url}/postgres`, () => undefined);
	const givingUp = new AbortController();
	const cookie = await cookieOf(db);
	const hands = ['Ferry', 'Shop and cafés', 'School'].map(
		(drop) => new Hand(application.origin, demoId('drop', drop), cookie, givingUp.signal)
	);
	const linesOf = (from: typeof db) =>
		from
			.selectFrom('order_line')
			.selectAll()
			.where('bake_date', '=', TOMORROW)
			.where('product_id', '=', LOAF)
			.execute();
	const atFirst = await linesOf(db);
	for (const hand of hands)
		hand.version = atFirst.find((line) => line.drop_id === hand.dropId)?.row_version ?? 0;
	const versions = hands.map(({ version }) => version);
	let over = false;
	const typing = Promise.all(hands.map((hand) => hand.type(() => over)));
	let acknowledged: string[];
	let backup;
	try {
		await Promise.race([Promise.all(hands.map((hand) => hand.hears(4))), typing]);
		acknowledged = hands.flatMap((hand) => hand.acknowledged.map(({ id }) => id));
		backup = await script('backup.mjs');
		// The hands went on meanwhile: it stopped nobody.
		await Promise.race([Promise.all(hands.map((hand) => hand.hears(2))), typing]);
		over = true;
		await typing;
	} finally {
		givingUp.abort();
		await db.destroy();
		await application.stop();
		await first.stop();
	}
	assert.equal(backup.code, 0, backup.said);
	assert.match(backup.said, /backing up to .*\n[\s\S]*read back and added up/);
	const [file] = backupsIn(path.join(home, 'backups'));
	assert.ok(file, 'it lies in the data folder, by its time');
	assert.equal(statSync(file).mode & 0o077, 0, 'nobody else reads it');

	// Over a bakery nothing is put.
	const refused = await script('restore.mjs', '--from', file);
	assert.equal(refused.code, 1);
	assert.match(refused.said, /There is a bakery in .* already, and nothing is put over it/);
	rmSync(path.join(home, 'bakery-postgres'), { recursive: true });
	const nothing = await script('backup.mjs');
	assert.equal(nothing.code, 1);
	assert.match(nothing.said, /There is no bakery in .* to back up/);

	// A backup that is damaged, cut or none is told before anything is made of it.
	const bytes = readFileSync(file);
	const at = (name: string) => path.join(home, name);
	const flipped = Buffer.from(bytes);
	flipped[Math.floor(bytes.length / 2)] = (flipped[Math.floor(bytes.length / 2)] ?? 0) ^ 1;
	writeFileSync(at('flipped.backup'), flipped);
	writeFileSync(
		at('flipped.backup.sha256'),
		readFileSync(`${file}.sha256`, 'utf8').replace(/ .*/, '  flipped.backup')
	);
	writeFileSync(at('cut.backup'), bytes.subarray(0, 2000));
	writeFileSync(at('text.backup'), 'Formula,Ingredient,g\n');
	for (const [name, why] of [
		['flipped.backup', /is not as it was written/],
		['cut.backup', /no backup of a bakery, or not a whole one|could not be put back/],
		['text.backup', /no backup of a bakery/],
		['nowhere.backup', /There is no file/]
	] as const) {
		const wrong = await script('restore.mjs', '--from', at(name));
		assert.equal(wrong.code, 1, name);
		assert.match(wrong.said, why);
		assert.ok(!existsSync(path.join(home, 'bakery-postgres', 'data')), `${name} left nothing`);
	}

	const restored = await script('restore.mjs');
	assert.equal(restored.code, 0, restored.said);
	assert.match(restored.said, /The bakery is back in /);
	const second = await cluster();
	const again = openDatabase(`${second.url}/postgres`, () => undefined);
	try {
		const stored = new Map(
			(await again.selectFrom('command').select(['id', 'kind', 'answer']).execute()).map((row) => [
				row.id,
				row
			])
		);
		for (const id of acknowledged)
			assert.ok(stored.has(id), `command ${id} was acknowledged before`);
		const readings = new Set(
			(await again.selectFrom('reading').select('id').execute()).map(({ id }) => id)
		);
		const after = await linesOf(again);
		for (const [n, hand] of hands.entries()) {
			const kept = hand.acknowledged.filter(({ id }) => stored.has(id));
			for (const { id, kind, answer } of kept) {
				assert.deepEqual(stored.get(id)?.answer, answer);
				if (kind === 'take-reading') assert.ok(readings.has(id));
			}
			// What is in it is in it whole: a number has moved as often as its commands are there.
			const changes = kept.filter(({ kind }) => kind === 'change-order').length;
			const line = after.find(({ drop_id }) => drop_id === hand.dropId);
			assert.equal(line?.row_version, (versions[n] ?? 0) + changes);
		}
	} finally {
		await again.destroy();
		await second.stop();
	}
});

test('once a day by itself: one that is a day old is followed by a new one, and so many are kept', async () => {
	const own = await cluster();
	const folder = path.join(home, 'nightly');
	mkdirSync(folder);
	const old = new Date(Date.now() - 25 * 3_600_000);
	for (const day of ['01', '02', '03']) {
		const file = path.join(folder, `jovet-2026-10-${day}T12-00-00.backup`);
		writeFileSync(file, 'an earlier one');
		utimesSync(file, old, old);
	}
	writeFileSync(path.join(folder, 'notes.txt'), 'of somebody else');
	const until = new AbortController();
	const taken = () => backupsIn(folder)[0] ?? '';
	const looking = setInterval(() => {
		if (!taken().includes('2026-10') && existsSync(taken())) until.abort();
	}, 20);
	try {
		await keepBackedUp(() => own.url, { folder, keep: 2, lookMs: 10 }, until.signal);
	} finally {
		clearInterval(looking);
		await own.stop();
	}
	const names = backupsIn(folder).map((file) => path.basename(file));
	assert.equal(names.length, 2, 'two are kept');
	assert.equal(names[1], 'jovet-2026-10-03T12-00-00.backup');
	assert.ok(existsSync(path.join(folder, 'notes.txt')), 'what is none of its own stays');
});

test('what cannot be written leaves nothing behind, and is said', async () => {
	writeFileSync(path.join(home, 'a-file'), '');
	const wrong = await script('backup.mjs', '--to', path.join(home, 'a-file', 'x.backup'));
	assert.equal(wrong.code, 1);
	assert.match(wrong.said, /cannot be made/);
	const there = await script('backup.mjs', '--to', path.join(home, 'a-file'));
	assert.equal(there.code, 1);
	assert.match(there.said, /is there already; nothing was written over it/);
	const number = await script('backup.mjs', '--keep', '0');
	assert.equal(number.code, 1);
	assert.match(number.said, /--keep wants a number/);
});

test('data of a newer version is told, and left as it is', async () => {
	const own = await cluster();
	const db = openDatabase(`${own.url}/postgres`, () => undefined);
	try {
		await sql`insert into kysely_migration values ('9999-from-tomorrow', '')`.execute(db);
		await assert.rejects(
			migrateToLatest(db),
			(error: unknown) => error instanceof NewerData && /9999-from-tomorrow/.test(error.message)
		);
		await assert.rejects(
			startApplication({
				port: await freePort(0),
				databaseUrl: `${own.url}/postgres`,
				quiet: true
			}),
			/newer version of Jovet/
		);
	} finally {
		await db.destroy();
		await own.stop();
	}
});
