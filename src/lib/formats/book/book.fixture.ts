import { nameKey } from '../name-key.ts';
import type { BookFile } from '../../contracts/book-file.ts';
import { FIRST_BUILD_STEPS, FIRST_DOUGH_STEPS } from '../../core/formula/first-steps.ts';
import { FIRST_PRODUCT_STEPS } from '../../core/formula/index.ts';
import type { Known, KnownMaterial } from './read-book.ts';

const ingredient = (
	name: string,
	kind: KnownMaterial['kind'],
	flourShare = 0,
	kilogramsPerLitre: number | null = null
): KnownMaterial => ({
	is: 'ingredient',
	name,
	kind,
	flourShare,
	density: kilogramsPerLitre === null ? null : { kilogramsPerLitre }
});

/** What a bakery knows, by the keys of its names. */
export const KNOWN: Known = new Map(
	[
		ingredient('Bread flour', 'flour', 1, 0.55),
		ingredient('Whole rye flour', 'flour', 1),
		ingredient('Water', 'water', 0, 1),
		ingredient('Salt', 'salt', 0, 1.2),
		ingredient('Instant yeast', 'yeast'),
		ingredient('Ripe culture', 'culture', 0.5, 0.9),
		ingredient('Rolled oats', 'other')
	].map((one) => [nameKey(one.name), one])
);

/** A book with everything in it that a file can hold. */
export const BOOK: BookFile = {
	format: 'jovet-book',
	version: 1,
	ingredients: [
		{
			name: 'Bread flour',
			kind: 'flour',
			composition: { flour: 1, water: 0, fat: 0, sugar: 0, wholegrainOfFlour: 0 },
			yeastFreshEquivalent: 0,
			allergens: ['gluten'],
			heatCapacity: 1.8,
			density: 0.55,
			purityShare: 1,
			rolling: null
		}
	],
	preparations: [
		{
			name: 'Quay levain',
			kind: 'build',
			buildLossShare: 0.02,
			takeBackGrams: 200,
			bath: null,
			lines: [
				{ of: 'Ripe culture', is: 'ingredient', parts: 10 },
				{ of: 'Bread flour', is: 'ingredient', parts: 50 },
				{ of: 'Water', is: 'ingredient', parts: 50 }
			],
			steps: [...FIRST_BUILD_STEPS]
		}
	],
	formulas: [
		{
			name: 'Quay dough',
			doughLossShare: 0.02,
			targetCelsius: 25.5,
			mostDoughGrams: 30_000,
			lines: [
				{ of: 'Bread flour', is: 'ingredient', percentOfFlour: 90, addition: 'autolyse' },
				{ of: 'Quay levain', is: 'preparation', percentOfFlour: 20, addition: 'start' },
				{ of: 'Water', is: 'ingredient', percentOfFlour: 60, addition: 'autolyse' },
				{ of: 'Salt', is: 'ingredient', percentOfFlour: 2.1, addition: 'late' }
			],
			steps: [...FIRST_DOUGH_STEPS]
		}
	],
	products: [
		{
			name: 'Quay round',
			doughs: [{ formula: 'Quay dough', scaledGrams: 900 }],
			extras: [{ use: 'topping', of: 'Rolled oats', is: 'ingredient', grams: 8, forPieces: 1 }],
			bakedGrams: 780,
			bakeLossShare: 0.13,
			sparesShare: 0.02,
			shape: 'round, seam down',
			score: 'one cut along',
			scoreMm: 6,
			footprint: { lengthCm: 20, widthCm: 20 },
			heightCm: 11,
			piecesPerDeck: null,
			sheet: {
				cut: { kind: 'rounds', diameterCm: 18 },
				edgeCm: 1,
				mostWidthCm: 60,
				mostLengthCm: 200,
				gramsPerCubicCm: 1.08,
				filledFirst: false,
				trimGoes: 'next-dough'
			},
			spacingCm: 3,
			steps: [...FIRST_PRODUCT_STEPS]
		}
	]
};
