import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import { REAL_TIME, type BakeDate } from '../../src/lib/core/time/index.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { isUnavailable, openDatabase } from '../../src/lib/server/db/client.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { loadSaltmarrow } from '../../src/lib/server/demo/load-saltmarrow.ts';
import { readBakery, readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import {
	FERRY,
	LOAF,
	NOW_MS,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('the demo makes four doughs for three drops, and all of them can be made', async () => {
	const { production } = await readDoughs(t.db, TOMORROW);
	assert.deepEqual(production.unmade, []);
	assert.equal(production.doughs.length, 4);
	assert.equal(production.builds.length, 5);
	for (const { resolved, figures, mixes } of production.doughs) {
		assert.ok(figures.salt >= 1.6 && figures.salt <= 2.4, resolved.formula.name);
		for (const mix of mixes) assert.ok(mix.dough.value <= 32_000);
	}
	const rye = production.doughs.find((dough) => dough.resolved.formula.name === 'Lantern rye');
	assert.ok(Math.abs((rye?.figures.prefermentedFlour ?? 0) - 40) < 0.01);
	const { drops, products } = await readOrders(t.db, TOMORROW);
	assert.equal(drops.length, 3);
	assert.equal(products.length, 24);
	const ordered = (await readOrders(t.db, TOMORROW)).cells.filter((cell) => cell.pieces > 0);
	assert.equal(new Set(ordered.map((cell) => cell.productId)).size, 6);
});

test('on a Saturday the school is closed and gets nothing, on a Sunday nobody does', async () => {
	const { cells } = await readOrders(t.db, '2026-11-28' as BakeDate);
	assert.ok(cells.length > 0);
	const { input } = await readPlan(t.db, '2026-11-28' as BakeDate);
	assert.deepEqual(
		input.drops.map((drop) => drop.name),
		['Ferry', 'Shop and cafés', 'Noon ferry']
	);
	assert.deepEqual((await readPlan(t.db, '2026-11-29' as BakeDate)).input.drops, []);
});

test('the next bake is today until its last drop has left', async () => {
	const at = async (iso: string) => (await readNextBake(t.db, { epochMs: Date.parse(iso) })).date;
	assert.equal(await at('2026-11-24T02:00:00Z'), '2026-11-24');
	assert.equal(await at('2026-11-24T07:39:00Z'), '2026-11-24');
	assert.equal(await at('2026-11-24T07:41:00Z'), '2026-11-25');
	// In July the bakery's wall is an hour ahead of UTC.
	assert.equal(await at('2027-07-01T06:39:00Z'), '2027-07-01');
	assert.equal(await at('2027-07-01T06:41:00Z'), '2027-07-02');
});

test('on the night the clocks change a drop keeps its wall time and the dough its length', async () => {
	const spring = await testDatabase('empty');
	try {
		await migrateToLatest(spring.db);
		await loadSaltmarrow(spring.db, demoClock('2027-03-27T14:00', NOW_MS), NOW_MS);
		// A Sunday, on which nothing is baked unless somebody orders it.
		const sunday = '2027-03-28' as BakeDate;
		const ordered = await send(spring.db, {
			kind: 'change-order',
			date: sunday,
			dropId: FERRY,
			productId: LOAF,
			pieces: 20,
			expectedVersion: 0
		});
		assert.equal(ordered.outcome, 'done');
		const { input } = await readPlan(spring.db, sunday);
		const ferry = input.drops.find((drop) => drop.name === 'Ferry');
		assert.equal(new Date(ferry?.dueMs ?? 0).toISOString(), '2027-03-28T04:10:00.000Z');
		const actor = await headBaker(spring.db);
		assert.ok(actor);
		const view = await readBakery(spring.db, actor, { at: 'desk', isKeyless: false });
		assert.equal(view.clock.anchorBakeryMs, Date.parse('2027-03-27T14:00:00Z'));
	} finally {
		await spring.drop();
	}
});

test('the demo loads once, and migrating again changes nothing', async () => {
	assert.equal(await loadSaltmarrow(t.db, REAL_TIME, NOW_MS), false);
	assert.deepEqual(await migrateToLatest(t.db), []);
});

test('the database holds its own rules behind the application', async () => {
	const refused = (statement: string, what: RegExp) =>
		assert.rejects(sql.raw(statement).execute(t.db), what);
	await refused('update order_line set pieces = -1', /order_line_pieces_check/);
	await refused('update app_clock set rate = 0', /app_clock_rate_check/);
	await refused('insert into bakery select * from bakery', /bakery_pkey/);
	await refused(
		`insert into formula_revision_line (revision_id, ordinal, percent_of_flour, addition)
			select revision_id, 99, 5, 'start' from formula_revision_line`,
		/check/
	);
	await refused('update formula_revision set number = 2', /append-only/);
	await refused('delete from ingredient', /violates foreign key/);
});

test('a server that is not there is told from a query that is wrong', async () => {
	const nowhere = openDatabase('postgres://postgres@127.0.0.1:1/none', () => undefined);
	const lost = await nowhere
		.selectFrom('bakery_entry')
		.selectAll()
		.execute()
		.catch((error: unknown) => error);
	assert.ok(isUnavailable(lost));
	await nowhere.destroy();
	const wrong = await sql`select nothing from nowhere`
		.execute(t.db)
		.catch((error: unknown) => error);
	assert.equal(isUnavailable(wrong), false);
	assert.equal(isUnavailable('not an error'), false);
});
