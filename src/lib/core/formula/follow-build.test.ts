import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type FormulaId, type IngredientId } from '../identity.ts';
import {
	figuresOf,
	flourOf,
	followBuilds,
	rebalance,
	resolveFormula,
	type Formula,
	type Pantry,
	type Preparation
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY, SOAKER } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const OTHER: Formula = {
	...OAT_LOAF,
	id: id<FormulaId>('other'),
	name: 'other',
	lines: [
		{
			material: { kind: 'preparation', preparationId: LEVAIN.id },
			percentOfFlour: 24,
			addition: 'start'
		},
		{
			material: { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') },
			percentOfFlour: 88,
			addition: 'start'
		},
		{
			material: { kind: 'ingredient', ingredientId: id<IngredientId>('water') },
			percentOfFlour: 55,
			addition: 'start'
		}
	]
};
const withBuild = (preparation: Preparation): Pantry => ({
	...OAT_LOAF_PANTRY,
	preparations: new Map(OAT_LOAF_PANTRY.preparations).set(preparation.id, preparation)
});
function figures(formula: Formula, pantry: Pantry) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	close(flourOf(result.value.final), 100, 1e-6);
	return figuresOf(result.value);
}

test('a shared levain made stiffer for all leaves the total of every other dough as it was', () => {
	fc.assert(
		fc.property(
			fc.constantFrom('hydration', 'inoculation' as const),
			fc.double({ min: 20, max: 99, noNaN: true }),
			(kind, percent) => {
				const moved = rebalance(OAT_LOAF, OAT_LOAF_PANTRY, LEVAIN.id, { kind, percent });
				if (!moved.ok) return;
				const [levain] = moved.value.preparations;
				if (!levain) return;
				const pantry = withBuild(levain);
				const followed = followBuilds(OTHER, OAT_LOAF_PANTRY, pantry);
				assert.ok(followed.ok);
				const before = figures(OTHER, OAT_LOAF_PANTRY);
				const after = figures(followed.value, pantry);
				close(after.hydration, before.hydration, 1e-6);
				close(after.prefermentedFlour, before.prefermentedFlour, 1e-6);
			}
		)
	);
});

test('where the final dough cannot give what the build takes, weights stay and flour comes to 100', () => {
	const rye: Preparation = {
		...LEVAIN,
		lines: LEVAIN.lines.map((line) =>
			line.material.kind === 'ingredient' && line.material.ingredientId === 'bread flour'
				? {
						...line,
						material: { kind: 'ingredient', ingredientId: id<IngredientId>('rolled oats') }
					}
				: line
		)
	};
	const pantry = withBuild(rye);
	const followed = followBuilds(OTHER, OAT_LOAF_PANTRY, pantry);
	assert.ok(followed.ok);
	assert.ok(figures(followed.value, pantry).hydration > 0);
});

test('a formula that does not take from it is as it was, and a soaker changes as its recipe does', () => {
	const wetter = withBuild({
		...SOAKER,
		lines: SOAKER.lines.map((line) => ({ ...line, parts: line.parts + 1 }))
	});
	const other = followBuilds(OTHER, OAT_LOAF_PANTRY, wetter);
	assert.ok(other.ok && other.value === OTHER);
	const own = followBuilds(OAT_LOAF, OAT_LOAF_PANTRY, wetter);
	assert.ok(own.ok);
	assert.deepEqual(
		own.value.lines.map((line) => line.percentOfFlour).sort(),
		OAT_LOAF.lines.map((line) => line.percentOfFlour).sort()
	);
	const broken = followBuilds({ ...OTHER, lines: [] }, OAT_LOAF_PANTRY, wetter);
	assert.ok(!broken.ok && broken.error.kind === 'no-lines');
});
