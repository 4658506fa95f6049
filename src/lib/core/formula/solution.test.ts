import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import { OAT_LOAF, OAT_LOAF_INGREDIENTS, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';
import {
	madeUp,
	resolveAlone,
	resolveFormula,
	solidFor,
	strengthOf,
	type Preparation
} from './index.ts';

const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

test('worked figures: 6 kg of water at 35 g a kg takes 210.0 g, at 3.5 % of the solution 217.6 g', () => {
	const water = { grams: 6000 };
	close(solidFor(water, { kind: 'per-kilogram-of-water', grams: 35 }).grams, 210, 0.05);
	close(solidFor(water, { kind: 'share-of-solution', share: 0.035 }).grams, 217.6, 0.05);
});

test('a solid of less than full purity still comes to the strength that was wanted', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 0.001, max: 0.2, noNaN: true }),
			fc.double({ min: 0.5, max: 1, noNaN: true }),
			(share, purity) => {
				const weighed = solidFor(
					{ grams: 1000 },
					{ kind: 'share-of-solution', share },
					{ share: purity }
				).grams;
				close((weighed * purity) / (1000 + weighed), share, 1e-9);
			}
		)
	);
	assert.throws(() =>
		solidFor({ grams: 1 }, { kind: 'share-of-solution', share: 0.1 }, { share: 0 })
	);
	assert.throws(() => solidFor({ grams: 1 }, { kind: 'share-of-solution', share: 1 }));
});

test('worked figures: 210 g in 6 kg is 35 g a kilogram and 3.38 % of the solution; 4 kg at 3.5 % are 3860 and 140 g', () => {
	const told = strengthOf({ water: { grams: 6000 }, solid: { grams: 210 } }, { share: 1 });
	close(told.gramsPerKilogramOfWater, 35, 1e-9);
	close(told.shareOfSolution, 0.03382, 1e-5);
	const made = madeUp({ grams: 4000 }, { kind: 'share-of-solution', share: 0.035 }, { share: 1 });
	close(made.water.grams, 3860, 1e-9);
	close(made.solid.grams, 140, 1e-9);
});

test('a bath weighs what goes into it, and has the strength it was made up to, told either way', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 100, max: 50_000, noNaN: true }),
			fc.double({ min: 0.001, max: 0.2, noNaN: true }),
			fc.double({ min: 0.5, max: 1, noNaN: true }),
			(whole, strength, share) => {
				const purity = { share };
				const byShare = madeUp(
					{ grams: whole },
					{ kind: 'share-of-solution', share: strength },
					purity
				);
				close(byShare.water.grams + byShare.solid.grams, whole, whole * 1e-9);
				const told = strengthOf(byShare, purity);
				close(told.shareOfSolution, strength, 1e-9);
				const byWater = madeUp(
					{ grams: whole },
					{ kind: 'per-kilogram-of-water', grams: told.gramsPerKilogramOfWater },
					purity
				);
				close(byWater.solid.grams, byShare.solid.grams, whole * 1e-9);
			}
		)
	);
});

const lye = {
	...OAT_LOAF_INGREDIENTS[0]!,
	id: id<IngredientId>('lye'),
	name: 'lye',
	kind: 'caustic' as const,
	composition: { flour: 0, water: 0, fat: 0, sugar: 0, wholegrainOfFlour: 0 }
};
const pantry = {
	...OAT_LOAF_PANTRY,
	ingredients: new Map(OAT_LOAF_PANTRY.ingredients).set(lye.id, lye)
};
const bath = (solid: number, kind: Preparation['kind'] = 'bath'): Preparation => ({
	id: id<PreparationId>('bath'),
	name: 'bath',
	kind,
	lines: [
		{
			material: { kind: 'ingredient', ingredientId: id<IngredientId>('water') },
			parts: 100 - solid
		},
		{ material: { kind: 'ingredient', ingredientId: lye.id }, parts: solid }
	],
	buildLoss: { share: 0 },
	takeBackGrams: 0
});

test('a caustic bath above the limit of the site is refused, not noted', () => {
	assert.equal(resolveAlone(bath(4), pantry).ok, true);
	const strong = resolveAlone(bath(4.1), pantry);
	assert.ok(!strong.ok && strong.error.kind === 'caustic-too-strong');
	close(strong.error.share, 0.041, 1e-12);
	const stricter = resolveAlone(bath(3), { ...pantry, causticMost: { share: 0.02 } });
	assert.equal(stricter.ok, false);
});

test('a caustic has its place in a bath alone, and no dough takes a bath', () => {
	const wash = resolveAlone(bath(3, 'wash'), pantry);
	assert.ok(!wash.ok && wash.error.kind === 'caustic-outside-bath');
	const dough = {
		...OAT_LOAF,
		lines: [
			...OAT_LOAF.lines,
			{
				material: { kind: 'preparation' as const, preparationId: id<PreparationId>('bath') },
				percentOfFlour: 1,
				addition: 'start' as const
			}
		]
	};
	const preparations = new Map(pantry.preparations).set(id<PreparationId>('bath'), bath(3));
	const inDough = resolveFormula(dough, { ...pantry, preparations });
	assert.ok(!inDough.ok && inDough.error.kind === 'caustic-outside-bath');
});
