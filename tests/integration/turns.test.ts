import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import { send, testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	// Counts the tries of commands, also of those that are rolled back, and lets the first so many fail.
	await sql`create sequence tries`.execute(t.db);
	await sql`create table failing (tries integer not null, code text not null)`.execute(t.db);
	await sql`insert into failing values (0, '40001')`.execute(t.db);
	await sql`create function fail_first() returns trigger language plpgsql as $$
		begin
			if nextval('tries') <= (select tries from failing) then
				raise exception 'stood in the way' using errcode = (select code from failing);
			end if;
			return new;
		end $$`.execute(t.db);
	await sql`create trigger fail_first before insert on command for each row execute function fail_first()`.execute(
		t.db
	);
});
after(() => t.drop());

async function tried(fails: number, code: string) {
	await sql`select setval('tries', 1, false)`.execute(t.db);
	await sql`update failing set tries = ${fails}, code = ${code}`.execute(t.db);
	const outcome = await send(t.db, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius: 24,
		instrument: 'typed',
		correctsId: null
	}).then(
		({ outcome }) => outcome,
		(error: unknown) => (error as { code?: string }).code
	);
	const { rows } = await sql<{ last: string }>`select last_value as last from tries`.execute(t.db);
	return [outcome, Number(rows[0]?.last)];
}

test('a command that another stands in the way of is tried four times, any other failure is told at once', async () => {
	assert.deepEqual(await tried(0, '40001'), ['done', 1]);
	assert.deepEqual(await tried(2, '40001'), ['done', 3]);
	assert.deepEqual(await tried(3, '40P01'), ['done', 4]);
	assert.deepEqual(await tried(9, '40001'), ['40001', 4]);
	assert.deepEqual(await tried(9, 'P0001'), ['P0001', 1]);
});
