import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { id, type FormulaId } from '../../src/lib/core/identity.ts';
import { addDays, type BakeDate } from '../../src/lib/core/time/index.ts';
import { readCommand } from '../../src/lib/server/commands/door.ts';
import { loadOrderLines } from '../../src/lib/server/db/orders.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import {
	batchOf,
	FERRY,
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
	NOW_MS,
	plannedMix,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';
import { entryOf } from './entry-content.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const order = (date: BakeDate, pieces: number, expectedVersion: number) => ({
	kind: 'change-order' as const,
	date,
	dropId: FERRY,
	productId: LOAF,
	pieces,
	expectedVersion
});
async function cell(date: BakeDate) {
	const view = await readOrders(t.db, date);
	return view.cells.find((cell) => cell.dropId === FERRY && cell.productId === LOAF);
}

test('an order changes once, keeps its history, and a repeated command gives the same answer', async () => {
	const seen = await cell(TOMORROW);
	assert.ok(seen);
	const id = randomUUID();
	const first = await send(t.db, order(TOMORROW, 31, seen.version), { id });
	assert.deepEqual(first, { outcome: 'done', answer: { version: seen.version + 1, pieces: 31 } });
	assert.deepEqual(await send(t.db, order(TOMORROW, 31, seen.version), { id }), first);
	assert.equal((await cell(TOMORROW))?.pieces, 31);
	const history = await t.db
		.selectFrom('order_change')
		.select(['pieces_before', 'pieces_after'])
		.where('command_id', '=', id)
		.execute();
	assert.deepEqual(history, [{ pieces_before: seen.pieces, pieces_after: 31 }]);
	assert.deepEqual(await send(t.db, order(TOMORROW, 32, seen.version), { id }), {
		outcome: 'refused',
		refusal: { kind: 'id-used-before' }
	});
});

test('of two bakers who change one number at once, one is told what the other put', async () => {
	const date = '2026-12-10' as BakeDate;
	const both = await Promise.all([send(t.db, order(date, 5, 0)), send(t.db, order(date, 9, 0))]);
	const done = both.filter((outcome) => outcome.outcome === 'done');
	const refused = both.find((outcome) => outcome.outcome === 'refused');
	assert.equal(done.length, 1);
	assert.ok(refused?.outcome === 'refused' && refused.refusal.kind === 'changed-meanwhile');
	assert.equal(refused.refusal.value, (await cell(date))?.pieces);
	assert.equal(refused.refusal.by, 'Maud Tarrow');
});

test('of two bakers who change one number that is there already, one is told what the other put', async () => {
	const date = '2026-12-11' as BakeDate;
	assert.equal((await send(t.db, order(date, 5, 0))).outcome, 'done');
	for (let version = 1; version <= 8; version += 1) {
		const both = await Promise.all(
			[10, 20].map((by) => send(t.db, order(date, version + by, version)))
		);
		assert.equal(
			both.filter((outcome) => outcome.outcome === 'done').length,
			1,
			`round ${version}`
		);
		const refused = both.find((outcome) => outcome.outcome === 'refused');
		assert.ok(refused?.outcome === 'refused' && refused.refusal.kind === 'changed-meanwhile');
		const { value } = refused.refusal;
		assert.equal(value, (await cell(date))?.pieces, 'what the other put stands');
	}
	const changes = await t.db
		.selectFrom('order_change')
		.select(({ fn }) => fn.countAll<string>().as('n'))
		.where('bake_date', '=', date)
		.executeTakeFirstOrThrow();
	assert.equal(Number(changes.n), 9, 'nothing was written down twice');
});

test('of two bakers who set one lead at once, one is told what the other put', async () => {
	const lead = { kind: 'set-lead' as const, batch: await batchOf(t.db, HARBOUR_DOUGH, 2) };
	for (let version = 0; version < 6; version += 1) {
		const both = await Promise.all(
			[10, 20].map((minutes) => send(t.db, { ...lead, minutes, expectedVersion: version }))
		);
		assert.equal(
			both.filter((outcome) => outcome.outcome === 'done').length,
			1,
			`round ${version}`
		);
		const refused = both.find((outcome) => outcome.outcome === 'refused');
		const done = both.find((outcome) => outcome.outcome === 'done');
		assert.ok(refused?.outcome === 'refused' && refused.refusal.kind === 'changed-meanwhile');
		assert.ok(done?.outcome === 'done' && done.answer.minutes === refused.refusal.value);
	}
});

test('a dough is made in as many mixes as a baker wants, on that date alone, until that is taken back', async () => {
	const date = addDays(TOMORROW, 3);
	const mixesOn = async (day: BakeDate) => {
		const { input, doughs } = await readPlan(t.db, day);
		const ofDough = <T extends { readonly formulaId: string }>(all: readonly T[]) =>
			all.find(({ formulaId }) => formulaId === HARBOUR_DOUGH);
		return { mixes: ofDough(input.doughs)!.mixes, choices: ofDough(doughs)! };
	};
	const before = await mixesOn(date);
	const next = await mixesOn(addDays(date, 1));
	const { fewest, oneMore, version } = before.choices;
	assert.deepEqual([before.mixes.length, oneMore, version], [fewest, true, 0]);
	const set = (mixes: number | null, expectedVersion: number) =>
		send(t.db, { kind: 'set-mixes', date, formulaId: HARBOUR_DOUGH, mixes, expectedVersion });
	assert.equal((await set(fewest + 1, 0)).outcome, 'done');
	const more = await mixesOn(date);
	assert.equal(more.mixes.length, fewest + 1);
	const pieces = (mixes: typeof more.mixes) =>
		mixes.reduce(
			(sum, { portions }) => sum + portions.reduce((all, one) => all + one.pieces, 0),
			0
		);
	assert.equal(pieces(more.mixes), pieces(before.mixes), 'no piece more or less');
	assert.ok(
		more.mixes.every(({ mixerIds }) => mixerIds.length > 0),
		'each fits a mixer'
	);
	assert.deepEqual(await mixesOn(addDays(date, 1)), next, 'the next day is as it was');
	const late = await set(fewest + 2, 0);
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'changed-meanwhile');
	assert.equal(late.refusal.value, fewest + 1);
	assert.equal((await set(null, 1)).outcome, 'done');
	assert.equal((await mixesOn(date)).mixes.length, fewest);
	const unknown = await send(t.db, {
		kind: 'set-mixes',
		date,
		formulaId: id<FormulaId>(randomUUID()),
		mixes: 2,
		expectedVersion: 0
	});
	assert.deepEqual(unknown, {
		outcome: 'refused',
		refusal: { kind: 'unknown', what: 'formula' }
	});
});

test('the lead of one mix leaves those of the others as they were', async () => {
	const date = addDays(TOMORROW, 1);
	const set = async (ordinal: number, minutes: number, expectedVersion: number) =>
		(
			await send(t.db, {
				kind: 'set-lead',
				batch: await batchOf(t.db, HARBOUR_DOUGH, ordinal, date),
				minutes,
				expectedVersion
			})
		).outcome;
	assert.equal(await set(1, 10, 0), 'done');
	assert.equal(await set(2, 20, 0), 'done');
	assert.equal(await set(1, 30, 1), 'done');
	const { input } = await readPlan(t.db, date);
	const mixes = input.doughs.find(({ formulaId }) => formulaId === HARBOUR_DOUGH)?.mixes ?? [];
	assert.deepEqual(
		mixes.slice(0, 2).map(({ leadMinutes }) => leadMinutes),
		[30, 20]
	);
});

test('a command that names what is not there is refused and writes nothing', async () => {
	const count = async () =>
		(
			await t.db
				.selectFrom('command')
				.select(({ fn }) => fn.countAll().as('n'))
				.executeTakeFirstOrThrow()
		).n;
	const commands = await count();
	const refusals = await Promise.all([
		send(t.db, { ...order(TOMORROW, 1, 0), dropId: randomUUID() }),
		send(t.db, { ...order(TOMORROW, 1, 0), productId: randomUUID() }),
		send(t.db, {
			kind: 'take-reading',
			quantity: 'preferment',
			preparationId: randomUUID(),
			celsius: 24,
			instrument: 'typed',
			correctsId: null
		}),
		send(t.db, {
			kind: 'take-reading',
			quantity: 'room',
			preparationId: null,
			celsius: 24,
			instrument: 'typed',
			correctsId: randomUUID()
		}),
		send(t.db, {
			kind: 'set-lead',
			batch: plannedMix(randomUUID(), 1, randomUUID(), 20_000),
			minutes: 10,
			expectedVersion: 0
		}),
		send(t.db, {
			kind: 'set-lead',
			batch: { kind: 'made', batchId: randomUUID() },
			minutes: 10,
			expectedVersion: 0
		})
	]);
	const what = refusals.map((refusal) =>
		refusal.outcome === 'refused' && refusal.refusal.kind === 'unknown'
			? refusal.refusal.what
			: refusal
	);
	assert.deepEqual(what, ['drop', 'product', 'build', 'reading', 'mix', 'dough']);
	assert.equal(await count(), commands);
});

test('nonsense never reaches the door: the schema says what and where', () => {
	const good = { ...order(TOMORROW, 4, 0), id: randomUUID(), occurredAtMs: NOW_MS };
	assert.ok(readCommand(good).ok);
	const where = (change: object) => {
		const read = readCommand({ ...good, ...change });
		if (read.ok) return 'accepted';
		return read.error.kind === 'malformed' ? read.error.problems[0]?.where : read.error.kind;
	};
	assert.equal(where({ pieces: -1 }), 'pieces');
	assert.equal(where({ pieces: 1.5 }), 'pieces');
	assert.equal(where({ pieces: Number.NaN }), 'pieces');
	assert.equal(where({ date: '2026-02-30' }), 'date');
	assert.equal(where({ dropId: "'; drop table command; --" }), 'dropId');
	assert.equal(where({ occurredAtMs: Number.POSITIVE_INFINITY }), 'occurredAtMs');
	assert.equal(where({ kind: 'erase-everything' }), 'kind');
	const reading = {
		kind: 'take-reading',
		id: randomUUID(),
		occurredAtMs: NOW_MS,
		quantity: 'room',
		preparationId: LEVAIN,
		celsius: 20,
		instrument: 'typed',
		correctsId: null
	};
	assert.equal(readCommand(reading).ok, false);
	for (const nothing of [null, 7, 'change-order', [], {}, { kind: 'constructor' }])
		assert.equal(readCommand(nothing).ok, false);
});

test('orders for a drop that does not go on the other date are not copied to it', async () => {
	// The market's Saturday has a noon ferry; a Monday has none.
	const to = '2026-12-14' as BakeDate;
	const from = '2026-12-05' as BakeDate;
	const done = await send(t.db, { kind: 'copy-orders', from, to });
	assert.deepEqual(done, { outcome: 'done', answer: { lines: 22 } });
	const { drops, notToday } = await readOrders(t.db, to);
	assert.deepEqual(notToday, ['Noon ferry']);
	assert.equal(drops.length, 3);
});

test('orders are copied to an empty date once', async () => {
	const to = '2026-12-19' as BakeDate;
	const copy = { kind: 'copy-orders' as const, from: TOMORROW, to };
	const done = await send(t.db, copy);
	assert.ok(done.outcome === 'done');
	assert.equal(done.answer.lines, 6, 'the school gets nothing on a Saturday');
	const again = await send(t.db, copy);
	assert.ok(again.outcome === 'refused' && again.refusal.kind === 'orders-there-already');
	const empty = await send(t.db, {
		...copy,
		from: '2030-01-06' as BakeDate,
		to: '2030-01-13' as BakeDate
	});
	assert.ok(empty.outcome === 'refused' && empty.refusal.kind === 'nothing-to-copy');
	assert.equal((await readOrders(t.db, '2030-01-13' as BakeDate)).copyFrom, to);
});

test('what nobody orders, and what is off the book, is not copied', async () => {
	// A Sunday, for which only what is typed is ordered.
	const from = '2027-01-10' as BakeDate;
	const to = '2027-01-11' as BakeDate;
	const order = (productId: string, dropId: string, pieces: number, expectedVersion = 0) =>
		send(t.db, {
			kind: 'change-order',
			date: from,
			dropId,
			productId,
			pieces,
			expectedVersion
		});
	const bun = demoId('product', 'Lamp bun');
	const knot = demoId('product', 'Bollard knot');
	for (const product of [LOAF, bun, knot])
		assert.equal((await order(product, FERRY, 12)).outcome, 'done');
	assert.equal((await order(knot, FERRY, 0, 1)).outcome, 'done');
	assert.equal((await order(LOAF, demoId('drop', 'School'), 5)).outcome, 'done');
	await send(t.db, { kind: 'retire', what: 'product', entityId: bun, retired: true });
	const school = await entryOf(t.db, 'drop', 'School');
	const retired = { ...school, appliesFrom: to, retired: true };
	assert.equal((await send(t.db, retired)).outcome, 'done');
	const done = await send(t.db, { kind: 'copy-orders', from, to });
	assert.deepEqual(done, { outcome: 'done', answer: { lines: 1 } });
	const lines = await loadOrderLines(t.db, to);
	assert.deepEqual(
		lines
			.filter(({ pieces }) => pieces !== 0)
			.map(({ productId, dropId, pieces }) => [productId, dropId, pieces]),
		[[LOAF, FERRY, 12]]
	);
	const back = { ...school, expectedNumber: 2, appliesFrom: to };
	assert.equal((await send(t.db, back)).outcome, 'done');
	await send(t.db, { kind: 'retire', what: 'product', entityId: bun, retired: false });
});

test('a reading moves the water; a correction is a new entry that stands for the old one', async () => {
	const room = async () =>
		(await readWater(t.db, TOMORROW, NOW_MS)).inputs.find((input) => input.quantity === 'room');
	assert.equal((await room())?.reading, null);
	const byRule = async () =>
		(await readWater(t.db, TOMORROW, NOW_MS)).mixes[0]?.water?.schools['factor-rule'].value ?? 0;
	const waterBefore = await byRule();
	const reading = {
		kind: 'take-reading' as const,
		quantity: 'room' as const,
		preparationId: null,
		instrument: 'typed' as const
	};
	const wrong = await send(t.db, { ...reading, celsius: 32, correctsId: null });
	assert.ok(wrong.outcome === 'done');
	assert.equal((await room())?.reading?.celsius, 32);
	await send(t.db, { ...reading, celsius: 26, correctsId: wrong.answer.readingId });
	assert.equal((await room())?.reading?.celsius, 26);
	const waterAfter = await byRule();
	assert.ok(
		Math.abs(waterBefore - waterAfter - 3) < 1e-9,
		'three degrees of room are three of water'
	);
	await assert.rejects(sql`update reading set celsius = 20`.execute(t.db), /append-only/);
	await assert.rejects(sql`delete from command`.execute(t.db), /append-only/);
});

test('a lead is versioned like an order and moves the plan input', async () => {
	const lead = {
		kind: 'set-lead' as const,
		batch: await batchOf(t.db, HARBOUR_DOUGH),
		minutes: 30
	};
	const before = await readPlan(t.db, TOMORROW);
	const done = await send(t.db, { ...lead, expectedVersion: 0 });
	assert.ok(done.outcome === 'done' && done.answer.version === 1);
	const stale = await send(t.db, { ...lead, minutes: 40, expectedVersion: 0 });
	assert.ok(
		stale.outcome === 'refused' &&
			stale.refusal.kind === 'changed-meanwhile' &&
			stale.refusal.value === 30
	);
	const after = await readPlan(t.db, TOMORROW);
	assert.notEqual(after.fingerprint, before.fingerprint);
	const mix = after.input.doughs.find((dough) => dough.formulaId === HARBOUR_DOUGH)?.mixes[0];
	assert.equal(mix?.leadMinutes, 30);
});
