import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readStock } from '../../src/lib/server/services/read-stock.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
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

const FLOUR = demoId('ingredient', 'Bread flour');
async function flour(date: BakeDate = TOMORROW) {
	const found = (await readStock(t.db, date)).rows.find(({ name }) => name === 'Bread flour');
	assert.ok(found);
	return found;
}
const stock = (what: 'counted' | 'received' | 'taken-out', grams: number, minutes = 1) =>
	send(
		t.db,
		{ kind: 'take-stock', ingredientId: FLOUR, what, grams, lot: 'F-7', note: '' },
		{ minutes }
	);

test('by the standing orders of the week the flour runs out on Friday, and what that stops is told', async () => {
	const { ahead, needs, onHandGrams } = await flour();
	assert.equal(onHandGrams, 230_000);
	assert.equal(ahead?.shortOn, '2026-11-27');
	assert.ok(ahead.stops.includes('Harbour dough') && ahead.stops.includes('Wheat levain'));
	assert.equal(needs.length, 7);
	assert.equal(needs[5], 0, 'nothing is baked on a Sunday');
	const { rows } = await readStock(t.db, TOMORROW);
	assert.ok(!rows.some(({ kind }) => kind === 'water' || kind === 'culture'));
	const egg = rows.find(({ name }) => name === 'Whole egg');
	assert.ok(egg?.onHandGrams === null && egg.ahead === null, 'never counted is not known');
});

test('what came is added, what was spilled is taken off, and a count stands for all before it', async () => {
	assert.equal((await stock('received', 25_000)).outcome, 'done');
	assert.equal((await stock('taken-out', 1500)).outcome, 'done');
	const then = await flour();
	assert.equal(then.onHandGrams, 253_500);
	assert.equal(then.lot, 'F-7');
	assert.equal((await stock('counted', 240_000, 2)).outcome, 'done');
	assert.equal((await flour()).onHandGrams, 240_000);
	const unknown = await send(t.db, {
		kind: 'take-stock',
		ingredientId: randomUUID(),
		what: 'counted',
		grams: 1,
		lot: '',
		note: ''
	});
	assert.ok(unknown.outcome === 'refused' && unknown.refusal.kind === 'unknown');
	const negative = await stock('counted', -1);
	assert.ok(negative.outcome === 'refused' && negative.refusal.kind === 'malformed');
});

test('what a mix was weighed from is used when it is begun, once, and is no need of its date any more', async () => {
	const before = await flour();
	const { production } = await readDoughs(t.db, TOMORROW);
	const mix = production.doughs
		.find(({ resolved }) => resolved.formula.id === HARBOUR_DOUGH)
		?.mixes.find(({ ordinal }) => ordinal === 1);
	const grams = mix?.lines
		.filter(({ name }) => name === 'Bread flour')
		.reduce((total, line) => total + line.weighing.weighed.grams, 0);
	assert.ok(grams && grams > 5000);
	const measure = async (celsius: number, minutes: number) =>
		send(
			t.db,
			{
				kind: 'measure-dough',
				batch: await batchOf(t.db, HARBOUR_DOUGH, 1),
				celsius,
				waterCelsius: 20,
				instrument: 'core-probe',
				mixerId: demoId('mixer', 'Spiral mixer'),
				program: null
			},
			{ minutes }
		);
	assert.equal((await measure(25, 10)).outcome, 'done');
	assert.equal((await measure(25.5, 11)).outcome, 'done');
	const after = await flour();
	assert.ok(after.onHandGrams !== null && before.onHandGrams !== null);
	assert.ok(Math.abs(before.onHandGrams - after.onHandGrams - grams) < 1);
	assert.ok(Math.abs((before.needs[0] ?? 0) - (after.needs[0] ?? 0) - grams) < 1);
	assert.deepEqual(
		after.ahead?.left.slice(1).map(({ grams: left }) => Math.round(left)),
		before.ahead?.left.slice(1).map(({ grams: left }) => Math.round(left)),
		'what is used is not wanted twice'
	);
});

test('whom it comes from and in what packs is kept, and the second of two editors is told', async () => {
	const keep = (
		expectedVersion: number,
		supplierId: string | null = demoId('supplier', 'Upland dairy')
	) =>
		send(t.db, {
			kind: 'keep-stock',
			ingredientId: FLOUR,
			supplierId,
			packGrams: 12_500,
			leastGrams: 20_000,
			expectedVersion
		});
	assert.deepEqual(await keep(1), { outcome: 'done', answer: { version: 2 } });
	const late = await keep(1);
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'settings-changed-meanwhile');
	const nobody = await keep(2, randomUUID());
	assert.ok(nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown');
	const { supplierId, packGrams, leastGrams } = await flour();
	assert.deepEqual(
		[supplierId, packGrams, leastGrams],
		[demoId('supplier', 'Upland dairy'), 12_500, 20_000]
	);
});

test('a walk through the store counts many at once, all of them or none', async () => {
	const salt = demoId('ingredient', 'Salt');
	const linseed = demoId('ingredient', 'Linseed');
	const count = (lines: readonly (readonly [string, number])[]) =>
		send(
			t.db,
			{
				kind: 'count-stock',
				lines: lines.map(([ingredientId, grams]) => ({ ingredientId, grams }))
			},
			{ minutes: 60 }
		);
	const onHand = async (name: string) =>
		(await readStock(t.db, TOMORROW)).rows.find((row) => row.name === name)?.onHandGrams;
	const counted = await count([
		[salt, 12_000],
		[linseed, 0]
	]);
	assert.deepEqual(counted, { outcome: 'done', answer: { counted: 2 } });
	assert.deepEqual([await onHand('Salt'), await onHand('Linseed')], [12_000, 0]);
	const unknown = await count([
		[salt, 1],
		[randomUUID(), 1]
	]);
	assert.ok(unknown.outcome === 'refused' && unknown.refusal.kind === 'unknown');
	assert.equal(await onHand('Salt'), 12_000);
	for (const lines of [[], [[salt, 1] as const, [salt, 2] as const]])
		assert.equal((await count(lines)).outcome, 'refused');
});

test('the database keeps what was counted and used as it was written', async () => {
	await assert.rejects(sql`delete from stock_entry`.execute(t.db), /append-only/);
	await assert.rejects(sql`update stock_use set amount_g = 1`.execute(t.db), /append-only/);
});
