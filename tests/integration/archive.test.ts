import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { strToU8, unzipSync, zipSync, strFromU8 } from 'fflate';
import { sql } from 'kysely';
import { readArchive } from '../../src/lib/server/archive/read-archive.ts';
import { tablesOfArchive } from '../../src/lib/server/archive/tables-of-archive.ts';
import { writeArchive } from '../../src/lib/server/archive/write-archive.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readStock } from '../../src/lib/server/services/read-stock.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
let archive: Uint8Array;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
	const { list } = await nightInForce(t.db);
	for (const { key, taskId } of list.slice(0, 12))
		await send(t.db, {
			kind: 'tap-work',
			date: TOMORROW,
			work: key,
			taskId,
			act: 'ended',
			untilMs: null,
			because: 'late, "because" of\nthe ferry; ☔',
			celsius: null,
			personId: null
		});
	archive = await written(t.db);
});
after(() => t.drop());

async function written(db: Db): Promise<Uint8Array> {
	const chunks: Uint8Array[] = [];
	for await (const chunk of writeArchive(db, NOW_MS)) chunks.push(chunk);
	return new Uint8Array(Buffer.concat(chunks));
}
/** As it arrives over a network, in pieces of odd sizes. */
function* inPieces(bytes: Uint8Array, size = 7919): Generator<Uint8Array> {
	for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}
async function emptyDatabase(): Promise<TestDatabase> {
	const empty = await testDatabase('empty');
	await migrateToLatest(empty.db);
	return empty;
}
const filesOf = (bytes: Uint8Array) =>
	Object.fromEntries(
		Object.entries(unzipSync(bytes)).map(([name, data]) => [name, strFromU8(data)])
	);
async function rowsIn(db: Db): Promise<number> {
	let rows = 0;
	for (const { name } of await tablesOfArchive(db)) {
		const { rows: counted } = await sql<{
			n: number;
		}>`select count(*)::int as n from ${sql.table(name)}`.execute(db);
		rows += counted[0]?.n ?? 0;
	}
	return rows;
}

test('an archive into an empty database gives the same bakery, row by row, and it goes on from there', async () => {
	const other = await emptyDatabase();
	try {
		const taken = await readArchive(other.db, inPieces(archive));
		assert.ok(taken.ok, JSON.stringify(taken));
		assert.equal(taken.value.rows, await rowsIn(t.db));
		assert.ok(taken.value.rows > 1000, `${taken.value.rows} rows`);
		assert.deepEqual(filesOf(await written(other.db)), filesOf(archive));
		assert.deepEqual(
			(await readPlan(other.db, TOMORROW)).fingerprint,
			(await readPlan(t.db, TOMORROW)).fingerprint
		);
		assert.deepEqual(await readStock(other.db, TOMORROW), await readStock(t.db, TOMORROW));
		// What counts by itself goes on counting; who listens is told again.
		const told = await send(other.db, {
			kind: 'set-units',
			mass: 'imperial',
			temperature: 'fahrenheit'
		});
		assert.equal(told.outcome, 'done', JSON.stringify(told));
		const { rows: silent } = await sql`select 1 from pg_trigger where tgenabled = 'D'`.execute(
			other.db
		);
		assert.deepEqual(silent, []);
		assert.deepEqual(await readArchive(other.db, inPieces(archive)), {
			ok: false,
			error: { kind: 'not-empty' }
		});
	} finally {
		await other.drop();
	}
});

test('every table of the database is in it, each after what it points at', async () => {
	const { rows } = await sql<{
		name: string;
	}>`select relname as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'
		and relname not like 'kysely%' and relname not like 'door_%' and relname <> 'credential' order by 1`.execute(
		t.db
	);
	// Who may come in at this machine's doors is not handed on.
	const names = (await tablesOfArchive(t.db)).map(({ name }) => name);
	assert.deepEqual(
		names.toSorted(),
		rows.map(({ name }) => name)
	);
	const files = Object.keys(unzipSync(archive));
	assert.deepEqual(files, [
		'bakery.json',
		...names.map((name) => `tables/${name}.ndjson`),
		'sums.json'
	]);
});

test('what is no archive, is cut short, was changed or is a bomb is refused, and nothing of it is there', async () => {
	const other = await emptyDatabase();
	try {
		const files = unzipSync(archive);
		const head = JSON.parse(strFromU8(files['bakery.json'] ?? new Uint8Array())) as Record<
			string,
			unknown
		>;
		const changed = (name: string, text: string) =>
			zipSync({ ...files, [name]: strToU8(text) }, { level: 1 });
		const entries = strFromU8(files['tables/bakery_entry.ndjson'] ?? new Uint8Array());
		const lines = entries.trimEnd().split('\n');
		const cases: readonly (readonly [string, Uint8Array, string])[] = [
			['a text', strToU8('Formula,Ingredient,g\n'.repeat(2000)), 'another-format'],
			['nothing', new Uint8Array(0), 'another-format'],
			['another zip', zipSync({ 'a.txt': strToU8('hello') }), 'another-format'],
			['cut short', archive.subarray(0, Math.floor(archive.length * 0.6)), 'damaged'],
			[
				'its end is missing',
				zipSync(Object.fromEntries(Object.entries(files).slice(0, -1))),
				'damaged'
			],
			[
				'of a later Jovet',
				changed('bakery.json', JSON.stringify({ ...head, data: '9999-later' })),
				'other-data'
			],
			[
				'a row is missing',
				changed('tables/bakery_entry.ndjson', `${lines.slice(1).join('\n')}\n`),
				'does-not-fit'
			],
			[
				'a row is changed',
				changed(
					'tables/bakery_entry.ndjson',
					entries
						.replace('Saltmarrow', 'Saltmarsh')
						.replace(/"name":"([^"]*)"/, '"name":"Somebody"')
				),
				'damaged'
			],
			['a row is no JSON', changed('tables/bakery_entry.ndjson', `${entries}{"id":\n`), 'damaged'],
			['a row cannot be', changed('tables/reading.ndjson', `{"id":"nothing"}\n`), 'does-not-fit'],
			[
				'an unknown table',
				zipSync({
					'bakery.json': files['bakery.json'] ?? new Uint8Array(),
					'tables/pg_shadow.ndjson': strToU8('{}\n')
				}),
				'another-format'
			],
			[
				'a bomb',
				zipSync({ ...files, 'tables/app_clock.ndjson': new Uint8Array(400_000_000) }, { level: 9 }),
				'too-large'
			]
		];
		for (const [what, bytes, kind] of cases) {
			const read = await readArchive(other.db, inPieces(bytes, 65_536));
			assert.equal(read.ok ? 'taken' : read.error.kind, kind, `${what}: ${JSON.stringify(read)}`);
			assert.equal(await rowsIn(other.db), 0, what);
		}
	} finally {
		await other.drop();
	}
});

test('an archive is of one moment, whatever is written while it is fetched, and one that is given up holds nothing', async () => {
	const reader = writeArchive(t.db, NOW_MS).getReader();
	const chunks: Uint8Array[] = [];
	let first = true;
	for (;;) {
		const { done, value } = await reader.read();
		if (done) break;
		chunks.push(value);
		if (!first) continue;
		first = false;
		await send(t.db, {
			kind: 'take-reading',
			quantity: 'room',
			celsius: 21.5,
			preparationId: null,
			instrument: 'typed',
			correctsId: null
		});
	}
	const files = filesOf(new Uint8Array(Buffer.concat(chunks)));
	assert.equal(files['tables/reading.ndjson'], filesOf(archive)['tables/reading.ndjson']);
	const givenUp = writeArchive(t.db, NOW_MS).getReader();
	await givenUp.read();
	await givenUp.cancel();
	const { rows } = await sql`select 1 from pg_stat_activity where state like 'idle in transaction%'
		and datname = current_database()`.execute(t.db);
	assert.deepEqual(rows, [], 'no connection is held');
});
