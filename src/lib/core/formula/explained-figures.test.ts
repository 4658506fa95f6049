import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from '../explain/by-hand.fixture.ts';
import { id, type DeliveryId, type IngredientId, type PreparationId } from '../identity.ts';
import {
	buildFiguresOf,
	costOf,
	costOfPiece,
	editLine,
	explainBuildFigure,
	explainFlourOf,
	flourOf,
	explainSeedRatio,
	explainFigure,
	figuresOf,
	resolveFormula,
	waterCorrection,
	type Delivery,
	type FigureKey,
	type Formula
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_INGREDIENTS, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
function resolved(formula: Formula = OAT_LOAF, pantry = OAT_LOAF_PANTRY) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
const KEYS: readonly FigureKey[] = [
	'doughPercent',
	'hydration',
	'hydrationWithoutSoakers',
	'effectiveHydration',
	'salt',
	'yeastFreshEquivalent',
	'prefermentedFlour',
	'wholegrain'
];

test('every figure that opens comes to the number that stands, whatever is edited', () => {
	const names = OAT_LOAF_INGREDIENTS.map((ingredient) => ingredient.name);
	fc.assert(
		fc.property(
			fc.constantFrom(...names),
			fc.double({ min: 0.1, max: 20, noNaN: true }),
			(name, percentOfFlour) => {
				const edited = editLine(resolved(), {
					preparationId: null,
					ingredient: OAT_LOAF_INGREDIENTS.find((ingredient) => ingredient.name === name)!,
					addition: 'start',
					percentOfFlour,
					flour: 'normalise'
				});
				assert.ok(edited.ok);
				const after = resolved(edited.value.formula);
				const figures = figuresOf(after);
				for (const key of KEYS) {
					const explained = explainFigure(after, key);
					close(explained.value, figures[key], 1e-9);
					close(byHand(explained), figures[key], 1e-9);
				}
				const [levain] = after.final.stages;
				assert.ok(levain);
				for (const key of ['hydration', 'inoculation'] as const)
					close(byHand(explainBuildFigure(levain, key)), buildFiguresOf(levain)[key], 1e-9);
				close(byHand(explainFlourOf(levain)), flourOf(levain), 1e-9);
				for (const of of ['flour', 'water'] as const) {
					const ratio = explainSeedRatio(levain, of);
					assert.ok(ratio, 'the levain is seeded');
					close(byHand(ratio), buildFiguresOf(levain).seedRatio![of], 1e-9);
				}
			}
		)
	);
});

test('the cost of a piece counts what its stages and the dough lose, and names what has no price', () => {
	const priced = (name: string, pricePerKilogram: number | null) => {
		const one = OAT_LOAF_INGREDIENTS.find((each) => each.name === name)!;
		return [one.id, { ...one, pricePerKilogram }] as const;
	};
	const ingredients = new Map([
		...OAT_LOAF_PANTRY.ingredients,
		priced('bread flour', 1),
		priced('salt', 0),
		priced('water', null)
	]);
	const loaf = resolved(OAT_LOAF, { ...OAT_LOAF_PANTRY, ingredients });
	const { perKilogram, unpriced } = costOf(loaf);
	assert.ok(perKilogram);
	// 70 in the dough and 9 in a levain that leaves 3 % in the tub, over 210.1 less 2.5 %.
	close(perKilogram.value, (70 + 9 / 0.97) / (210.1 * 0.975), 1e-9);
	assert.deepEqual([...unpriced].sort(), ['culture', 'honey', 'rolled oats', 'whole wheat']);
	const piece = costOfPiece(perKilogram, { grams: 900 }, 'round');
	close(piece.value, 0.9 * perKilogram.value, 1e-12);
	assert.equal(costOf(resolved()).perKilogram, null, 'a bakery without prices sees none');
});

test('a flour that drinks more asks for as much more water as there is of it', () => {
	const flour = id<IngredientId>('bread flour');
	const delivery = (name: string, absorptionPoints: number | null): Delivery => ({
		id: id<DeliveryId>(name),
		ingredientId: flour,
		receivedOn: '2026-11-20',
		lot: name,
		properties: {
			extractionPercent: null,
			proteinPercent: null,
			ashPercent: null,
			moisturePercent: null,
			fallingNumberSeconds: null,
			absorptionPoints,
			milling: null,
			wholegrainPercent: null
		}
	});
	const thirsty = delivery('thirsty', 2);
	const change = waterCorrection(resolved(), flour, null, thirsty);
	// 79 % of bread flour, the levain's counted, at two points.
	close(change.value, 1.58);
	close(byHand(change), 1.58);
	close(waterCorrection(resolved(), flour, thirsty, delivery('dry', -1)).value, -2.37);
	close(waterCorrection(resolved(), flour, delivery('unknown', null), null).value, 0);
	close(waterCorrection(resolved(), id<IngredientId>('spelt'), null, thirsty).value, 0);
});

test('a build without flour has figures of 0', () => {
	const soaker = resolved().final.stages.find(
		(stage) => stage.preparation?.id === id<PreparationId>('soaker')
	);
	assert.ok(soaker);
	assert.equal(explainBuildFigure(soaker, 'hydration').value, 0);
	assert.equal(LEVAIN.takeBackGrams, 1000);
});
