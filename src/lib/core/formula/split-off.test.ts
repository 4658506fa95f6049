import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type PreparationId } from '../identity.ts';
import {
	figuresOf,
	resolveFormula,
	splitOffBuild,
	sumLines,
	type EditedFormula,
	type Pantry,
	type SplitOff
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number) =>
	assert.ok(Math.abs(actual - expected) <= 1e-6, `${actual} is not ${expected}`);
const SPONGE = id<PreparationId>('sponge');

function resolved(formula = OAT_LOAF, pantry: Pantry = OAT_LOAF_PANTRY) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
function after({ formula, preparations }: EditedFormula) {
	const all = new Map(OAT_LOAF_PANTRY.preparations);
	for (const preparation of preparations) all.set(preparation.id, preparation);
	return resolved(formula, { ...OAT_LOAF_PANTRY, preparations: all });
}
const split = (more: Partial<SplitOff> = {}) =>
	splitOffBuild(resolved(), { into: null, id: SPONGE, name: 'sponge', flourPercent: 15, ...more });
const ofEach = (formula: ReturnType<typeof resolved>) => {
	const totals = new Map<string, number>();
	sumLines(formula.final, ({ ingredient, percentOfFlour }) => {
		totals.set(ingredient.name, (totals.get(ingredient.name) ?? 0) + percentOfFlour);
		return 0;
	});
	return totals;
};

test('a build is split off the final dough or off another build, and every total stands', () => {
	const before = ofEach(resolved());
	fc.assert(
		fc.property(
			fc.constantFrom(null, LEVAIN.id),
			fc.double({ min: 0.01, max: 8.9, noNaN: true }),
			(into, flourPercent) => {
				const done = split({ into, flourPercent });
				assert.ok(done.ok);
				const now = after(done.value);
				for (const [name, total] of before) close(ofEach(now).get(name) ?? 0, total);
				const more = into === null ? flourPercent : 0;
				close(figuresOf(now).prefermentedFlour, 18 + more);
			}
		)
	);
});

test('a split that is not possible is refused with what is there', () => {
	assert.deepEqual(split({ flourPercent: 60 }), {
		ok: false,
		error: { kind: 'not-enough', what: 'water', stage: 'oat loaf', there: 52 }
	});
	assert.deepEqual(split({ flourPercent: 9, into: LEVAIN.id }), {
		ok: false,
		error: { kind: 'not-enough', what: 'flour', stage: 'levain', there: 9 }
	});
	for (const flourPercent of [0, -1, 100, Number.NaN])
		assert.equal(split({ flourPercent }).ok, false);
	assert.deepEqual(split({ into: id<PreparationId>('biga') }), {
		ok: false,
		error: { kind: 'unknown-stage' }
	});
});
