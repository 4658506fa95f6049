import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import {
	addPreparation,
	compareFormulas,
	correctWater,
	figuresOf,
	flourOf,
	makeOwn,
	moveAddition,
	removePreparation,
	resolveFormula,
	type Formula,
	type Pantry
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY, SOAKER } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
function resolved(formula: Formula = OAT_LOAF, pantry: Pantry = OAT_LOAF_PANTRY) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
const of = (name: string) => ({
	kind: 'ingredient' as const,
	ingredientId: id<IngredientId>(name)
});

test('a line goes in at another time, and lines that then go in together are one', () => {
	const late = moveAddition(OAT_LOAF, of('salt'), 'late', 'after-6');
	assert.ok(late.lines.some((line) => line.addition === 'after-6' && line.percentOfFlour === 2.1));
	const together = moveAddition(OAT_LOAF, of('water'), 'held-back', 'start');
	assert.equal(together.lines.length, OAT_LOAF.lines.length - 1);
	close(figuresOf(resolved(together)).hydration, 94);
	assert.deepEqual(moveAddition(OAT_LOAF, of('spelt'), 'start', 'late'), OAT_LOAF);
});

test('taking a build out and in again is the formula that was', () => {
	const without = removePreparation(resolved(), OAT_LOAF_PANTRY, LEVAIN);
	assert.ok(without.ok);
	const plain = resolved(without.value);
	close(flourOf(plain.final), 100);
	close(figuresOf(plain).prefermentedFlour, 0);
	close(figuresOf(plain).hydration, 94);
	const back = addPreparation(plain, OAT_LOAF_PANTRY, LEVAIN, 36);
	assert.ok(back.ok);
	// Its whole wheat and culture came back as bread flour and water; the flour stands at 100 again.
	const again = resolved(back.value);
	close(figuresOf(again).prefermentedFlour, 18);
	close(figuresOf(again).hydration, 94);
	close(flourOf(again.final), 100);
});

test('a soaker is added on top of the dough, its water too', () => {
	const without = removePreparation(resolved(), OAT_LOAF_PANTRY, SOAKER);
	assert.ok(without.ok);
	close(figuresOf(resolved(without.value)).hydration, 76);
	const back = addPreparation(resolved(without.value), OAT_LOAF_PANTRY, SOAKER, 30);
	assert.ok(back.ok);
	assert.deepEqual(compareFormulas(OAT_LOAF, back.value), []);
});

test('what cannot be taken in is refused with the line', () => {
	const twice = addPreparation(resolved(), OAT_LOAF_PANTRY, LEVAIN, 10);
	assert.deepEqual(twice, { ok: false, error: { kind: 'already-in-dough', name: 'levain' } });
	const without = removePreparation(resolved(), OAT_LOAF_PANTRY, LEVAIN);
	assert.ok(without.ok);
	const plain = resolved(without.value);
	const tooMuch = addPreparation(plain, OAT_LOAF_PANTRY, LEVAIN, 190);
	assert.ok(!tooMuch.ok && tooMuch.error.kind === 'final-line-negative');
	for (const percent of [0, -3, Number.NaN, 1001]) {
		const none = addPreparation(plain, OAT_LOAF_PANTRY, LEVAIN, percent);
		assert.ok(!none.ok && none.error.kind === 'out-of-range');
	}
});

test('any amount of a build that fits keeps the flour at 100 and the water as it was', () => {
	const without = removePreparation(resolved(), OAT_LOAF_PANTRY, LEVAIN);
	assert.ok(without.ok);
	const plain = resolved(without.value);
	fc.assert(
		fc.property(fc.double({ min: 0.01, max: 120, noNaN: true }), (percent) => {
			const taken = addPreparation(plain, OAT_LOAF_PANTRY, LEVAIN, percent);
			if (!taken.ok) return;
			const after = resolved(taken.value);
			close(flourOf(after.final), 100, 1e-9);
			close(figuresOf(after).hydration, 94, 1e-9);
		})
	);
});

test('the water is corrected at the largest water line, never below nothing', () => {
	const more = correctWater(resolved(), 1.4);
	assert.ok(more.ok);
	close(figuresOf(resolved(more.value)).hydration, 95.4);
	const less = correctWater(resolved(), -60);
	assert.ok(!less.ok && less.error.kind === 'final-line-negative');
});

test('a shared build made the own of one formula leaves the other as it was', () => {
	const copy = { id: id<PreparationId>('own levain'), name: 'own levain' };
	const own = makeOwn(resolved(), LEVAIN.id, copy);
	assert.ok(own.ok);
	const preparations = new Map(OAT_LOAF_PANTRY.preparations);
	for (const preparation of own.value.preparations) preparations.set(preparation.id, preparation);
	const after = resolved(own.value.formula, { ...OAT_LOAF_PANTRY, preparations });
	assert.deepEqual(figuresOf(after), figuresOf(resolved()));
	assert.ok(!after.final.stages.some((stage) => stage.preparation?.id === LEVAIN.id));
	assert.equal(preparations.get(LEVAIN.id), LEVAIN);
	const lost = makeOwn(resolved(), id<PreparationId>('biga'), copy);
	assert.deepEqual(lost, { ok: false, error: { kind: 'unknown-stage' } });
});
