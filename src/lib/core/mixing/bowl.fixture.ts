import type { Addition, Formula, Ingredient, IngredientKind } from '../formula/index.ts';
import { id, type DropId, type FormulaId, type IngredientId, type ProductId } from '../identity.ts';
import { productionOf, type Mix } from '../production/index.ts';
import { NO_RULES, type WaterOfMixInput } from './index.ts';

const SET = { kind: 'bakery' } as const;
export const at = (celsius: number) => ({ temperature: { celsius }, source: SET });
/** What a kilogram takes to be a degree warmer, in kJ. */
export const CAPACITY: Readonly<Record<string, number>> = {
	flour: 1.76,
	water: 4.186,
	milk: 3.93,
	culture: 3
};

function ingredient(name: string, kind: IngredientKind): Ingredient {
	return {
		id: id<IngredientId>(name),
		name,
		kind,
		composition: {
			flour: kind === 'flour' ? 1 : kind === 'culture' ? 0.5 : 0,
			water: kind === 'flour' ? 0 : kind === 'culture' ? 0.5 : 0.9,
			fat: 0,
			sugar: 0,
			wholegrainOfFlour: 0
		},
		yeastFreshEquivalent: 0,
		allergens: [],
		heatCapacity: { kilojoulesPerKilogramKelvin: CAPACITY[name] ?? NaN },
		density: null,
		pricePerKilogram: null,
		purity: { share: 1 },
		rolling: null,
		weighedOn: null,
		placeId: null,
		retired: false
	};
}
const PANTRY = new Map(
	[
		ingredient('flour', 'flour'),
		ingredient('water', 'water'),
		ingredient('milk', 'liquid'),
		ingredient('culture', 'culture')
	].map((each) => [each.id, each])
);

/** A line of a plain dough: what, by percent of the flour, and when. */
export type PlainLine = readonly [name: string, percentOfFlour: number, addition?: Addition];

/** The mix of so much flour with other lines by their percentages. */
export function plainMix(flourGrams: number, ...lines: readonly PlainLine[]): Mix {
	// The flour inside a culture is part of the hundred.
	const cultured = lines.reduce(
		(sum, [name, percent]) => sum + (name === 'culture' ? percent / 2 : 0),
		0
	);
	const all = [['flour', 100 - cultured] as const, ...lines];
	const formula: Formula = {
		id: id<FormulaId>('dough'),
		name: 'dough',
		lines: all.map(([name, percentOfFlour, addition = 'start']) => ({
			material: { kind: 'ingredient', ingredientId: id<IngredientId>(name) },
			percentOfFlour,
			addition
		})),
		doughLoss: { share: 0 },
		deliveries: []
	};
	const grams =
		flourGrams * (1 - cultured / 100 + lines.reduce((sum, [, percent]) => sum + percent / 100, 0));
	const round = id<ProductId>('round');
	const day = productionOf({
		demands: [{ dropId: id<DropId>('shop'), dueMs: 0, productId: round, pieces: 1 }],
		products: [
			{
				id: round,
				name: 'round',
				doughs: [{ formulaId: formula.id, scaledWeight: { grams } }],
				extras: [],
				sheet: null,
				spares: { share: 0 }
			}
		],
		formulas: [{ formula, limits: [{ least: { grams: 0 }, most: { grams: 60_000 } }] }],
		pantry: { ingredients: PANTRY, preparations: new Map(), causticMost: { share: 0.04 } },
		scales: [{ name: 'scale', capacity: { grams: 60_000 }, division: { grams: 1 } }],
		made: { mixes: [], preparations: [] }
	});
	if (!day.ok) throw new Error(JSON.stringify(day.error));
	const [dough] = day.value.doughs;
	const [mix] = dough?.mixes ?? [];
	if (!mix) throw new Error('the dough has no mix');
	return mix;
}

/** The bowl of 10 kg of flour with other lines by their percentages, at the mixer. */
export function bowl(...lines: readonly PlainLine[]): WaterOfMixInput {
	const mix = plainMix(10_000, ...lines);
	return {
		lines: mix.lines,
		picked: [],
		stage: mix.resolved.final,
		mixing: { program: null, kneads: [{ share: 1, rest: null }] },
		autolysed: null,
		nowMs: 0,
		school: 'heat-balance',
		bowlKilojoulesPerKelvin: 0,
		target: { celsius: 26 },
		flour: at(20),
		room: at(22),
		places: new Map(),
		rules: NO_RULES,
		preferments: [],
		friction: {
			work: { kilojoulesPerKilogram: 9 },
			spread: { kilojoulesPerKilogram: 1 },
			source: { kind: 'assumed' },
			mixer: { workKilojoulesPerKilogram: 8, program: null }
		},
		supply: {
			cold: at(11),
			chilled: null,
			hot: { celsius: 55 },
			ice: { temperature: { celsius: 0 }, mostShare: { share: 0.4 } },
			hottestForYeast: { celsius: 40 }
		}
	};
}
