import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import type { BatchId } from '../identity.ts';
import { id, type IngredientId } from '../identity.ts';
import { ingredientsOfDay, type ExtraNeed } from './index.ts';
import { close, day, demand, HOUSE, INPUT, large, small } from './oat-loaf-day.fixture.ts';

const total = (all: readonly { readonly amount: { readonly grams: number } }[]) =>
	all.reduce((sum, { amount }) => sum + amount.grams, 0);

test('worked figure: the levain, the soaker and two mixes of 24 861.5 g want all that is in them', () => {
	const production = day(INPUT);
	const all = ingredientsOfDay(production);
	// All that is weighed is in the doughs, but for what is lost of the builds and kept back of them.
	const [dough] = production.doughs;
	const inDough = dough!.mixes.reduce((sum, { dough: mass }) => sum + mass.value, 0);
	const beside = production.builds.reduce(
		(sum, { gross, needed }) => sum + gross.value - needed.value,
		0
	);
	close(total(all), inDough + beside, 0.5);
	assert.deepEqual(
		all.map(({ amount }) => amount.grams),
		all.map(({ amount }) => amount.grams).toSorted((a, b) => b - a),
		'the most first'
	);
	for (const { amount, uses } of all) close(amount.grams, total(uses), 1e-9);
	const mixed = all.flatMap(({ uses }) => uses).filter(({ kind }) => kind === 'mix');
	assert.ok(
		mixed.length > 0 && mixed.every(({ times, in: into }) => times === 2 && into === 'oat loaf')
	);
});

test('nothing that is weighed is left out, whatever is ordered and however coarse the scales are', () => {
	fc.assert(
		fc.property(fc.nat(200), fc.nat(200), (loaves, rolls) => {
			const { doughs, builds, extras } = day({
				...INPUT,
				scales: HOUSE,
				demands: [demand(large, loaves), demand(small, rolls)]
			});
			const lines = [...doughs.flatMap(({ mixes }) => mixes), ...builds].flatMap(
				(one) => one.lines
			);
			const weighed = lines
				.filter(({ material }) => material.kind === 'ingredient')
				.reduce((sum, { weighing }) => sum + weighing.weighed.grams, 0);
			close(total(ingredientsOfDay({ doughs, builds, extras })), weighed, 1e-6);
		}),
		{ numRuns: 50 }
	);
});

test('what was begun was weighed already, and what goes on a piece counts with all else', () => {
	const production = day(INPUT);
	const [dough] = production.doughs;
	const [first, ...others] = dough!.mixes;
	const begun = {
		...production,
		doughs: [{ ...dough!, mixes: [{ ...first!, made: id<BatchId>('made') }, ...others] }]
	};
	const lines = first!.lines.filter(({ material }) => material.kind === 'ingredient');
	const gone = lines.reduce((sum, { weighing }) => sum + weighing.weighed.grams, 0);
	close(total(ingredientsOfDay(begun)), total(ingredientsOfDay(production)) - gone, 1e-6);
	const oats: ExtraNeed = {
		productId: large,
		product: 'large',
		pieces: 40,
		use: 'coating',
		material: { kind: 'ingredient', ingredientId: id<IngredientId>('oats on top') },
		name: 'oats on top',
		amount: { grams: 600 },
		allergens: []
	};
	const found = ingredientsOfDay({ ...production, extras: [oats] }).find(
		({ name }) => name === 'oats on top'
	);
	assert.deepEqual(found?.uses, [{ in: 'large', kind: 'piece', times: 1, amount: { grams: 600 } }]);
});
