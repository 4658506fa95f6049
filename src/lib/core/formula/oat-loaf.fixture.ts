import { id, type FormulaId, type IngredientId, type PreparationId } from '../identity.ts';
import type { Formula, Preparation } from './formula.ts';
import type { Ingredient, IngredientKind } from './ingredient.ts';
import type { Pantry } from './resolve.ts';

/** The formula of the worked figures, in percent of total flour. */
function ingredient(
	name: string,
	kind: IngredientKind,
	flour: number,
	water: number,
	extra: Partial<Ingredient> & { wholegrain?: number } = {}
): Ingredient {
	const { wholegrain = 0, ...rest } = extra;
	return {
		id: id<IngredientId>(name),
		name,
		kind,
		composition: { flour, water, fat: 0, sugar: 0, wholegrainOfFlour: wholegrain },
		yeastFreshEquivalent: 0,
		allergens: [],
		heatCapacity: { kilojoulesPerKilogramKelvin: kind === 'water' ? 4.186 : 1.76 },
		density: null,
		pricePerKilogram: null,
		purity: { share: 1 },
		rolling: null,
		weighedOn: null,
		placeId: null,
		retired: false,
		...rest
	};
}

export const OAT_LOAF_INGREDIENTS: readonly Ingredient[] = [
	ingredient('bread flour', 'flour', 1, 0, { allergens: ['gluten'] }),
	ingredient('whole wheat', 'flour', 1, 0, { allergens: ['gluten'], wholegrain: 1 }),
	ingredient('water', 'water', 0, 1),
	ingredient('culture', 'culture', 0.5, 0.5, { allergens: ['gluten'] }),
	ingredient('rolled oats', 'other', 0, 0, { allergens: ['gluten', 'oats'] }),
	ingredient('salt', 'salt', 0, 0),
	ingredient('honey', 'other', 0, 0.17)
];

const of = (name: string) => ({
	kind: 'ingredient' as const,
	ingredientId: id<IngredientId>(name)
});
const from = (name: string) => ({
	kind: 'preparation' as const,
	preparationId: id<PreparationId>(name)
});

export const LEVAIN: Preparation = {
	id: id<PreparationId>('levain'),
	name: 'levain',
	kind: 'build',
	lines: [
		{ material: of('culture'), parts: 3.6 },
		{ material: of('whole wheat'), parts: 7.2 },
		{ material: of('bread flour'), parts: 9 },
		{ material: of('water'), parts: 16.2 }
	],
	buildLoss: { share: 0.03 },
	takeBackGrams: 1000
};

export const SOAKER: Preparation = {
	id: id<PreparationId>('soaker'),
	name: 'soaker',
	kind: 'soaker',
	lines: [
		{ material: of('rolled oats'), parts: 12 },
		{ material: of('water'), parts: 18 }
	],
	buildLoss: { share: 0 },
	takeBackGrams: 0
};

export const OAT_LOAF: Formula = {
	id: id<FormulaId>('oat loaf'),
	name: 'oat loaf',
	doughLoss: { share: 0.025 },
	deliveries: [],
	lines: [
		{ material: from('levain'), percentOfFlour: 36, addition: 'start' },
		{ material: from('soaker'), percentOfFlour: 30, addition: 'start' },
		{ material: of('bread flour'), percentOfFlour: 70, addition: 'start' },
		{ material: of('whole wheat'), percentOfFlour: 12, addition: 'start' },
		{ material: of('water'), percentOfFlour: 52, addition: 'start' },
		{ material: of('water'), percentOfFlour: 6, addition: 'held-back' },
		{ material: of('salt'), percentOfFlour: 2.1, addition: 'late' },
		{ material: of('honey'), percentOfFlour: 2, addition: 'start' }
	]
};

export const OAT_LOAF_PANTRY: Pantry = {
	causticMost: { share: 0.04 },
	ingredients: new Map(OAT_LOAF_INGREDIENTS.map((ingredient) => [ingredient.id, ingredient])),
	preparations: new Map([LEVAIN, SOAKER].map((preparation) => [preparation.id, preparation]))
};
