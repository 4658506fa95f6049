import { after, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { id, type FormulaId, type IngredientId } from '../../src/lib/core/identity.ts';
import type { PickedLiquid } from '../../src/lib/core/mixing/index.ts';
import { HOT_ROOM_CELSIUS, meanMiss } from '../../src/lib/core/learning/index.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { HARBOUR_DOUGH, NOW_MS, send, testDatabase, TOMORROW } from './test-database.ts';

const t = await testDatabase();
after(t.drop);

async function harbour() {
	const { mixes } = await readWater(t.db, TOMORROW, NOW_MS);
	const mix = mixes.find((mix) => mix.formulaId === HARBOUR_DOUGH);
	assert.ok(mix?.water, 'the mix adds water');
	return { ...mix, water: mix.water };
}

test('a base that a baker typed is the dough’s until it is cleared, and a dough nobody knows has none', async () => {
	const formulaId = id<FormulaId>(HARBOUR_DOUGH);
	const set = (celsius: number | null, of = formulaId) =>
		send(t.db, { kind: 'set-base', formulaId: of, celsius });
	const learned = (await harbour()).water.base.value;
	assert.equal((await set(58.5)).outcome, 'done');
	assert.equal((await harbour()).typedBaseCelsius, 58.5);
	assert.equal((await harbour()).water.base.value, 58.5);
	assert.equal((await set(null)).outcome, 'done');
	assert.equal((await harbour()).water.base.value, learned);
	const nobody = await set(60, id<FormulaId>(randomUUID()));
	assert.ok(nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown');
});

test('the liquids that a baker picks are found until it is left to their masses', async () => {
	const of = async () => {
		const { mixes } = await readWater(t.db, TOMORROW, NOW_MS);
		const mix = mixes.find((mix) => (mix.water?.poured.length ?? 0) > 1);
		assert.ok(mix?.water, 'a dough is poured from more than one');
		return { ...mix, water: mix.water };
	};
	const before = await of();
	const [first, ...others] = before.water.poured;
	assert.ok(first && others.length > 0 && !before.picksLiquids);
	const set = (picked: readonly PickedLiquid[], formulaId = before.formulaId) =>
		send(t.db, { kind: 'set-liquids', formulaId, picked: [...picked] });
	const { ingredientId, addition } = first;
	assert.equal((await set([{ ingredientId, addition }])).outcome, 'done');
	const picked = await of();
	assert.ok(picked.picksLiquids);
	assert.deepEqual(
		picked.water.poured.map(({ isFound }) => isFound),
		[true, ...others.map(() => false)]
	);
	assert.notEqual(picked.water.wanted.value, before.water.wanted.value);
	const twice = await set(
		[first, first].map(({ ingredientId, addition }) => ({ ingredientId, addition }))
	);
	assert.equal(twice.outcome, 'refused');
	const nobody = await set([{ ingredientId: id<IngredientId>(randomUUID()), addition: 'start' }]);
	assert.ok(nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown');
	assert.equal((await set([])).outcome, 'done');
	assert.deepEqual((await of()).water.wanted.value, before.water.wanted.value);
});

test('three hot nights of the past show how far each school would have missed', async () => {
	const { misses } = await readLearned(
		t.db,
		TOMORROW,
		{ formulaId: HARBOUR_DOUGH, mixerId: null },
		NOW_MS
	);
	const hot = misses.filter(({ roomCelsius }) => roomCelsius >= HOT_ROOM_CELSIUS);
	assert.equal(hot.length, 3);
	const [there, elsewhere] = [
		meanMiss(hot),
		meanMiss(misses.filter((miss) => !hot.includes(miss)))
	];
	assert.ok(there && elsewhere);
	// The rules learned the usual night; what the heat does to each part they cannot weigh.
	assert.ok(there.kelvins['heat-balance'] < 0.8, `${there.kelvins['heat-balance']}`);
	assert.ok(there.kelvins['factor-rule'] > there.kelvins['heat-balance'] + 0.3);
	assert.ok(elsewhere.kelvins['factor-rule'] < there.kelvins['factor-rule']);
});
