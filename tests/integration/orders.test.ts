import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { addDays, type BakeDate } from '../../src/lib/core/time/index.ts';
import { readOrdersTable } from '../../src/lib/formats/orders-table.ts';
import { writeTable } from '../../src/lib/formats/table-of-work.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readStanding } from '../../src/lib/server/services/read-standing.ts';
import { ordersAsTable } from '../../src/lib/wording/orders-as-table.ts';
import { entryOf } from './entry-content.ts';
import { heldPlacement } from './placement.ts';
import {
	FERRY,
	LEVAIN,
	LOAF,
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

const SHOP = demoId('drop', 'Shop and cafés');
/** A Tuesday three weeks on, and the one after it. */
const TUESDAY = addDays(TOMORROW, 21);
const NEXT = addDays(TUESDAY, 7);

const standing = (
	fromDate: BakeDate,
	pieces: number,
	expectedVersion: number,
	more: { untilDate?: BakeDate; weekdays?: number[]; dropId?: string; productId?: string } = {}
) =>
	send(t.db, {
		kind: 'set-standing',
		fromDate,
		untilDate: more.untilDate ?? null,
		lines: [
			{
				dropId: more.dropId ?? FERRY,
				productId: more.productId ?? LOAF,
				weekdays: more.weekdays ?? [2],
				pieces,
				expectedVersion
			}
		]
	});
const block = (
	date: BakeDate,
	lines: readonly (readonly [dropId: string, pieces: number | null, expectedVersion: number])[]
) =>
	send(t.db, {
		kind: 'change-orders',
		date,
		lines: lines.map(([dropId, pieces, expectedVersion]) => ({
			dropId,
			productId: LOAF,
			pieces,
			expectedVersion
		}))
	});
async function ordered(date: BakeDate, dropId = FERRY) {
	const { cells } = await readOrders(t.db, date);
	const cell = cells.find((one) => one.dropId === dropId && one.productId === LOAF);
	return cell ? [cell.pieces, cell.standing, cell.typed, cell.version] : null;
}

test('a standing order counts on its weekday from its first date to its last, and no night before it moves', async () => {
	assert.deepEqual(await ordered(TUESDAY), [27, 27, false, 0]);
	assert.equal((await standing(TUESDAY, 31, 1, { untilDate: TUESDAY })).outcome, 'done');
	assert.deepEqual(await ordered(addDays(TUESDAY, -7)), [27, 27, false, 0]);
	assert.deepEqual(await ordered(TUESDAY), [31, 31, false, 0]);
	assert.deepEqual(await ordered(NEXT), [27, 27, false, 0]);
	assert.deepEqual(await ordered(addDays(TUESDAY, 1)), [27, 27, false, 0], 'a Wednesday');
	const { stretches, versions } = await readStanding(t.db, TUESDAY);
	const loaf = stretches.filter(
		(one) => one.dropId === FERRY && one.productId === LOAF && one.weekday === 2
	);
	assert.deepEqual(
		loaf.map(({ fromDate, untilDate, pieces }) => [fromDate, untilDate, pieces]),
		[
			[TUESDAY, TUESDAY, 31],
			[addDays(TUESDAY, 1), null, 27]
		]
	);
	assert.equal(versions.find((one) => one.dropId === FERRY && one.productId === LOAF)?.version, 2);
});

test('a date that is over, a version that is not the newest and a drop that is not there are refused', async () => {
	const refusal = async (sent: ReturnType<typeof standing>) => {
		const answer = await sent;
		return answer.outcome === 'refused' ? answer.refusal : null;
	};
	assert.deepEqual(await refusal(standing('2026-11-22' as BakeDate, 5, 2)), {
		kind: 'in-the-past',
		date: '2026-11-22',
		today: '2026-11-23'
	});
	assert.deepEqual(await refusal(standing(TUESDAY, 5, 1)), {
		kind: 'numbers-changed-meanwhile',
		lines: [{ dropId: FERRY, productId: LOAF, version: 2, value: 31, by: 'Maud Tarrow' }]
	});
	assert.equal((await refusal(standing(TUESDAY, 5, 2, { dropId: randomUUID() })))?.kind, 'unknown');
	assert.equal(
		(await refusal(standing(TUESDAY, 5, 2, { untilDate: addDays(TUESDAY, -1) })))?.kind,
		'malformed'
	);
	assert.deepEqual(await ordered(TUESDAY), [31, 31, false, 0], 'nothing of it was written');
});

test('of two who change one standing order at once, one is told', async () => {
	const both = await Promise.all([
		standing(NEXT, 40, 2, { weekdays: [4] }),
		standing(NEXT, 50, 2, { weekdays: [5] })
	]);
	assert.deepEqual(both.map(({ outcome }) => outcome).sort(), ['done', 'refused']);
});

test('a block of numbers is saved whole or not at all, and can be left to the standing order again', async () => {
	assert.deepEqual(
		await block(TUESDAY, [
			[FERRY, 10, 0],
			[SHOP, 0, 0]
		]),
		{
			outcome: 'done',
			answer: { lines: 2 }
		}
	);
	assert.deepEqual(await ordered(TUESDAY), [10, 31, true, 1]);
	assert.deepEqual(await ordered(TUESDAY, SHOP), [0, 18, true, 1]);
	const stale = await block(TUESDAY, [
		[FERRY, 12, 1],
		[SHOP, 5, 0]
	]);
	assert.ok(stale.outcome === 'refused' && stale.refusal.kind === 'numbers-changed-meanwhile');
	assert.deepEqual(
		stale.refusal.lines.map(({ dropId, version, value }) => [dropId, version, value]),
		[[SHOP, 1, 0]]
	);
	assert.deepEqual(await ordered(TUESDAY), [10, 31, true, 1], 'none of it was saved');
	assert.equal((await block(TUESDAY, [[FERRY, null, 1]])).outcome, 'done');
	assert.deepEqual(await ordered(TUESDAY), [31, 31, false, 2]);
	const { changes } = await readOrders(t.db, TUESDAY);
	assert.deepEqual(
		changes.map(({ before, after: now, leftToStanding }) => [before, now, leftToStanding]),
		[
			[10, 31, true],
			[18, 0, false],
			[31, 10, false]
		]
	);
	const twice = await block(TUESDAY, [
		[FERRY, 1, 2],
		[FERRY, 2, 2]
	]);
	assert.ok(twice.outcome === 'refused' && twice.refusal.kind === 'malformed');
});

test('two blocks that write the same numbers in another order never wait for each other', async () => {
	const date = addDays(NEXT, 7);
	for (let round = 0; round < 6; round += 1) {
		const done = await Promise.all([
			block(date, [
				[FERRY, round, round],
				[SHOP, round, round]
			]),
			block(date, [
				[SHOP, 90 + round, round],
				[FERRY, 90 + round, round]
			])
		]);
		assert.deepEqual(done.map(({ outcome }) => outcome).sort(), ['done', 'refused']);
	}
});

test('on a closed day what stands by weekday is not baked, what is typed is', async () => {
	const days = { fromDate: NEXT, toDate: NEXT, yearly: false };
	const closed = [{ entryId: randomUUID(), name: 'Stocktaking', content: days }];
	assert.equal((await send(t.db, { kind: 'take-closed-days', days: closed })).outcome, 'done');
	assert.deepEqual((await readPlan(t.db, NEXT)).input.orders, []);
	assert.equal((await block(NEXT, [[FERRY, 12, 0]])).outcome, 'done');
	assert.deepEqual(
		(await readPlan(t.db, NEXT)).input.orders.map(({ pieces }) => pieces),
		[12]
	);
});

test('a copied date is as the other was, without what stands by weekday beside it', async () => {
	const sunday = '2026-12-20' as BakeDate;
	await block(sunday, [[FERRY, 7, 0]]);
	const to = '2026-12-23' as BakeDate;
	assert.equal((await send(t.db, { kind: 'copy-orders', from: sunday, to })).outcome, 'done');
	const { cells } = await readOrders(t.db, to);
	assert.deepEqual(
		cells.filter(({ pieces }) => pieces > 0).map(({ productId, pieces }) => [productId, pieces]),
		[[LOAF, 7]]
	);
});

test('the database holds that no two stretches of a standing order overlap', async () => {
	await assert.rejects(
		sql`insert into standing_stretch (drop_id, product_id, weekday, from_date, until_date, pieces)
			values (${FERRY}, ${LOAF}, 2, ${addDays(NEXT, 30)}, null, 5)`.execute(t.db),
		/conflicting key value|exclusion/
	);
	await assert.rejects(sql`delete from standing_change`.execute(t.db), /append-only/);
});

test('orders written as a table are read back equal', async () => {
	const view = await readOrders(t.db, TOMORROW);
	const { columns, rows } = ordersAsTable(view);
	const read = readOrdersTable(writeTable(columns, rows), view.products, view.drops, 9999);
	assert.ok(read.ok);
	assert.deepEqual(read.value.problems, []);
	const total = (all: readonly { readonly pieces: number }[]) =>
		all.reduce((sum, { pieces }) => sum + pieces, 0);
	assert.equal(total(read.value.orders), total(view.cells));
	assert.equal(read.value.orders.length, view.products.length * view.drops.length);
});

test('a late order tells which mix and pre-ferment grow; one that was fed stays, and what it lacks is told', async () => {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	const accepted = await send(t.db, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: heldPlacement(input)
	});
	assert.equal(accepted.outcome, 'done');
	const before = (await readOrders(t.db, TOMORROW)).sincePlan;
	assert.ok(before && before.orders.length === 0 && before.recipes.length === 0);
	const late = { minutes: 5 };
	const change = await send(
		t.db,
		{
			kind: 'change-orders',
			date: TOMORROW,
			lines: [{ dropId: FERRY, productId: LOAF, pieces: 37, expectedVersion: 0 }]
		},
		late
	);
	assert.equal(change.outcome, 'done');
	const { sincePlan, changes, drops } = await readOrders(t.db, TOMORROW);
	assert.ok(sincePlan);
	assert.deepEqual(
		sincePlan.orders.map(({ product, drop, before: was, after: now }) => [product, drop, was, now]),
		[['Harbour loaf', 'Ferry', 27, 37]]
	);
	const moved = (name: string) => {
		const found = sincePlan.recipes.find((recipe) => recipe.name === name);
		assert.ok(found, name);
		return found.after.grams - found.before.grams;
	};
	// Ten loaves of 900 g at 2.5 % loss.
	assert.ok(Math.abs(moved('Harbour dough') - 9000 / 0.975) < 60, `${moved('Harbour dough')} g`);
	assert.ok(moved('Wheat levain') > 1000, `${moved('Wheat levain')} g`);
	assert.ok(
		(drops.find(({ id }) => id === FERRY)?.cutOffMs ?? Infinity) < Date.UTC(2026, 10, 23, 14)
	);
	assert.equal(changes[0]?.afterCutOff, true, 'the ferry takes orders until 13:00 the day before');

	await send(
		t.db,
		{
			kind: 'measure-dough',
			batch: await preparationOf(LEVAIN),
			celsius: 26,
			waterCelsius: null,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes: 10 }
	);
	const more = await send(
		t.db,
		{
			kind: 'change-orders',
			date: TOMORROW,
			lines: [{ dropId: FERRY, productId: LOAF, pieces: 47, expectedVersion: 1 }]
		},
		{ minutes: 20 }
	);
	assert.equal(more.outcome, 'done');
	const then = (await readOrders(t.db, TOMORROW)).sincePlan;
	const levain = then?.recipes.find(({ name }) => name === 'Wheat levain')?.batches;
	assert.deepEqual(
		levain?.map(({ beforeGrams, begun }) => [beforeGrams === null, begun]),
		[
			[false, true],
			[true, false]
		],
		'a further one makes up what the fed one lacks'
	);
});

async function preparationOf(preparationId: string) {
	const { input } = await readPlan(t.db, TOMORROW);
	const build = input.builds.find((one) => one.preparationId === preparationId);
	if (!build) throw new Error('the date has such a pre-ferment');
	const { revisionId, grams, ordinal } = build;
	return {
		kind: 'planned-preparation',
		date: TOMORROW,
		preparationId: build.preparationId,
		ordinal,
		revisionId,
		grams
	} as const;
}

test('a cut-off after the drop has left cannot be', async () => {
	const school = await entryOf(t.db, 'drop', 'School');
	if (school.entryKind !== 'drop') throw new Error('a drop is a drop');
	const cutOff = { daysBefore: 0, time: school.content.dueTime };
	const answer = await send(t.db, { ...school, content: { ...school.content, cutOff } });
	assert.ok(answer.outcome === 'refused' && answer.refusal.kind === 'entry-impossible');
});
