import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { WeighUpView } from '../../src/lib/contracts/weighing-views.ts';
import { readStock } from '../../src/lib/server/services/read-stock.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { readWeighUp } from '../../src/lib/server/services/read-weigh-up.ts';
import {
	HARBOUR_DOUGH,
	LEVAIN,
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

async function view(ordinal = 1): Promise<WeighUpView> {
	const found = await readWeighUp(
		t.db,
		TOMORROW,
		{ kind: 'mix', recipeId: HARBOUR_DOUGH, ordinal },
		NOW_MS
	);
	assert.ok(found);
	return found;
}
function line(of: WeighUpView, name: string, addition = 'start') {
	const found = of.lines.find((one) => one.name === name && one.addition === addition);
	assert.ok(found, `${name} ${addition}`);
	return found;
}
const weigh = (
	of: WeighUpView,
	name: string,
	grams: number,
	more: { addition?: string; minutes?: number; id?: string } = {}
) => {
	const { material, addition, wantedGrams, scale, lot } = line(of, name, more.addition);
	return send(
		t.db,
		{
			kind: 'weigh-line',
			batch: of.batch,
			material,
			addition,
			wantedGrams,
			grams,
			how: 'typed',
			closeEnough: false,
			scale,
			lot
		},
		{ minutes: more.minutes ?? 1, ...(more.id ? { id: more.id } : {}) }
	);
};

test('lines stand in the order of the bowl, each with its scale and the water as it is poured now', async () => {
	const of = await view();
	assert.deepEqual(
		of.lines.map(({ name, addition }) => `${name} ${addition}`),
		[
			'Wheat levain start',
			'Seed soaker start',
			'Bread flour start',
			'Wholemeal wheat start',
			'Light rye flour start',
			'Water start',
			'Water held-back',
			'Salt late'
		]
	);
	assert.equal(line(of, 'Salt', 'late').divisionGrams, 0.1);
	const water = (await readWater(t.db, TOMORROW, NOW_MS)).mixes.find(
		(mix) => mix.formulaId === HARBOUR_DOUGH && mix.ordinal === 1
	);
	assert.deepEqual(of.water?.order, water?.water?.order);
	assert.deepEqual(
		of.becomes.map(({ pieces, product }) => [pieces, product]),
		[[27, 'Harbour loaf']]
	);
	assert.equal(
		await readWeighUp(t.db, TOMORROW, { kind: 'mix', recipeId: randomUUID(), ordinal: 1 }, NOW_MS),
		null
	);
});

test('the first weight begins the mix: what it is made of is out of stock, and its size stands', async () => {
	const before = await view();
	const stockOf = async () =>
		(await readStock(t.db, TOMORROW)).rows.find(({ name }) => name === 'Bread flour')?.onHandGrams;
	const there = (await stockOf()) ?? 0;
	const id = randomUUID();
	assert.equal((await weigh(before, 'Wheat levain', 3980, { id })).outcome, 'done');
	// The answer was lost: the same once more is the same.
	assert.equal((await weigh(before, 'Wheat levain', 3980, { id })).outcome, 'done');
	const after = await view();
	assert.equal(after.batch.kind, 'made');
	assert.deepEqual(
		line(after, 'Wheat levain').weighed.map(({ grams, by }) => [grams, by]),
		[[3980, 'Maud Tarrow']]
	);
	const flour = line(after, 'Bread flour').wantedGrams;
	assert.ok(Math.abs(there - ((await stockOf()) ?? 0) - flour) < 1);
	const { input } = await readPlan(t.db, TOMORROW);
	const mix = input.doughs
		.find(({ formulaId }) => formulaId === HARBOUR_DOUGH)
		?.mixes.find(({ ordinal }) => ordinal === 1);
	assert.equal(mix?.begun, null, 'it is not mixed yet');
});

test('what was sent under the name it had before it was begun arrives all the same', async () => {
	const stale = { ...(await view()), batch: (await view(2)).batch };
	const second = await view(2);
	assert.equal((await weigh(second, 'Seed soaker', 3480)).outcome, 'done');
	assert.notEqual(second.batch.kind, 'made');
	assert.equal((await weigh(stale, 'Bread flour', 4000, { minutes: 2 })).outcome, 'done');
	assert.equal((await weigh(stale, 'Bread flour', 3950, { minutes: 3 })).outcome, 'done');
	assert.deepEqual(
		line(await view(2), 'Bread flour').weighed.map(({ grams }) => grams),
		[4000, 3950],
		'in two goes'
	);
	assert.deepEqual(line(await view(1), 'Bread flour').weighed, [], 'and not in the other bowl');
});

test('a weight is taken back as an entry of its own, and taken back twice it is taken back once', async () => {
	const of = await view();
	const salt = await weigh(of, 'Salt', 310, { addition: 'late' });
	assert.ok(salt.outcome === 'done');
	const { weighingId } = salt.answer;
	assert.equal(line(await view(), 'Salt', 'late').weighed.length, 1);
	for (let time = 0; time < 2; time += 1)
		assert.equal((await send(t.db, { kind: 'strike-weighing', weighingId })).outcome, 'done');
	assert.equal(line(await view(), 'Salt', 'late').weighed.length, 0);
	const unknown = await send(t.db, { kind: 'strike-weighing', weighingId: randomUUID() });
	assert.ok(unknown.outcome === 'refused' && unknown.refusal.kind === 'unknown');
	await assert.rejects(sql`delete from weighing`.execute(t.db), /append-only/);
});

test('water by feel is told beside the lines, and a preparation is weighed like a mix', async () => {
	const of = await view();
	const water = of.feelable.find(({ name }) => name === 'Water');
	assert.ok(water);
	const added = await send(t.db, {
		kind: 'weigh-line',
		batch: of.batch,
		material: { kind: 'ingredient', ingredientId: water.ingredientId },
		addition: 'by feel',
		wantedGrams: 0,
		grams: 120,
		how: 'by-feel',
		closeEnough: true,
		scale: '',
		lot: ''
	});
	assert.equal(added.outcome, 'done');
	const after = await view();
	assert.deepEqual(
		after.byFeel.map(({ name, grams }) => [name, grams]),
		[['Water', 120]]
	);
	assert.deepEqual(line(after, 'Water').weighed, []);
	const levain = await readWeighUp(
		t.db,
		TOMORROW,
		{ kind: 'preparation', recipeId: LEVAIN, ordinal: 1 },
		NOW_MS
	);
	assert.equal(levain?.kind, 'pre-ferment');
	assert.equal(levain.mostGrams, null);
	assert.ok(levain.lines.length >= 3);
});

test('the lot of an ingredient is asked once a delivery, and kept', async () => {
	const flour = line(await view(), 'Wholemeal wheat');
	assert.equal(flour.lot, '');
	const told = await send(t.db, {
		kind: 'weigh-line',
		batch: (await view()).batch,
		material: flour.material,
		addition: flour.addition,
		wantedGrams: flour.wantedGrams,
		grams: 1740,
		how: 'typed',
		closeEnough: false,
		scale: flour.scale,
		lot: 'W-31'
	});
	assert.equal(told.outcome, 'done');
	assert.equal(line(await view(2), 'Wholemeal wheat').lot, 'W-31', 'it stands at the next mix');
	const came = await send(
		t.db,
		{
			kind: 'take-stock',
			ingredientId: flour.material.kind === 'ingredient' ? flour.material.ingredientId : '',
			what: 'received',
			grams: 25_000,
			lot: 'W-32',
			note: ''
		},
		{ minutes: 30 }
	);
	assert.equal(came.outcome, 'done');
	assert.equal(
		line(await view(2), 'Wholemeal wheat').lot,
		'',
		'asked again after the next delivery'
	);
});

test('what cannot be is refused, and nothing is written', async () => {
	const of = await view();
	const { material, addition } = line(of, 'Salt', 'late');
	const sent = {
		kind: 'weigh-line' as const,
		batch: of.batch,
		material,
		addition: String(addition),
		wantedGrams: 260,
		grams: 260,
		how: 'typed' as const,
		closeEnough: false,
		scale: '',
		lot: ''
	};
	for (const wrong of [
		{ grams: 0 },
		{ grams: -5 },
		{ grams: 6_000_000 },
		{ lot: 'x'.repeat(101) }
	]) {
		const answer = await send(t.db, { ...sent, ...wrong });
		assert.ok(answer.outcome === 'refused' && answer.refusal.kind === 'malformed');
	}
	const nowhere = await send(t.db, {
		...sent,
		material: { kind: 'ingredient', ingredientId: randomUUID() }
	});
	assert.ok(nowhere.outcome === 'refused' && nowhere.refusal.kind === 'unknown');
	assert.equal(line(await view(), 'Salt', 'late').weighed.length, 0);
});
