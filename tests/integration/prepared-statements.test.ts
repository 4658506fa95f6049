import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import { isConflict } from '../../src/lib/server/db/client.ts';
import { StatementNames } from '../../src/lib/server/db/prepared-statements.ts';
import { testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase('empty');
	await sql`create table loaf (name text not null)`.execute(t.db);
	await sql`insert into loaf values ('Quay loaf')`.execute(t.db);
});
after(() => t.drop());

const OFTEN = 5;

test('a question that is asked again and again is kept prepared by its connection, and answered as before', async () => {
	await t.db.connection().execute(async (db) => {
		for (let turn = 0; turn < OFTEN; turn += 1) {
			const { rows } = await sql`select name from loaf where name like ${`Q%`}`.execute(db);
			assert.deepEqual(rows, [{ name: 'Quay loaf' }]);
		}
		const { rows } = await sql<{ statement: string }>`
			select statement from pg_prepared_statements where statement like '%loaf%'
		`.execute(db);
		assert.deepEqual(
			rows.map(({ statement }) => statement),
			['select name from loaf where name like $1']
		);
	});
});

test('a table that gets another column under a prepared question is read with it, and no transaction stays broken', async () => {
	await t.db.connection().execute(async (db) => {
		const all = async () => (await sql`select * from loaf`.execute(db)).rows;
		for (let turn = 0; turn < OFTEN; turn += 1)
			assert.deepEqual(await all(), [{ name: 'Quay loaf' }]);
		await sql`alter table loaf add column grams integer`.execute(t.db);
		assert.deepEqual(await all(), [{ name: 'Quay loaf', grams: null }]);

		await sql`alter table loaf add column seeds text`.execute(t.db);
		await assert.rejects(
			db.transaction().execute((tx) => sql`select * from loaf`.execute(tx)),
			isConflict,
			'it is done again as a whole'
		);
		assert.deepEqual(await all(), [{ name: 'Quay loaf', grams: null, seeds: null }]);
	});
});

test('a name is given to what is asked often, to so many texts at the most, and to nothing that is no single question', () => {
	const names = new StatementNames();
	const asked = (text: string) =>
		Array.from({ length: OFTEN }, () => names.nameOf(text)).findLast(() => true);
	assert.equal(names.nameOf('select 1'), null, 'nothing tells that it will be asked again');
	for (const text of ['begin', 'commit', 'select 1; select 2', 'create table loaf ()'])
		assert.equal(asked(text), null, text);
	const given = Array.from({ length: 1000 }, (_, at) => asked(`select ${at}`));
	const kept = given.filter((name) => name !== null);
	assert.equal(new Set(kept).size, kept.length, 'each has its own');
	assert.ok(kept.length > 100 && kept.length < 1000, `${kept.length} are kept`);
	assert.equal(names.nameOf('select 7'), given[7], 'and keeps it');
});
