import { FRESH_YEAST_PER_GRAM, USUAL_ROLLING, type Ingredient } from '../../core/formula/index.ts';
import {
	FLOUR_HEAT_CAPACITY,
	MILK_HEAT_CAPACITY,
	OIL_HEAT_CAPACITY,
	SALT_HEAT_CAPACITY,
	SUGAR_HEAT_CAPACITY,
	WATER_HEAT_CAPACITY
} from '../../core/heat/index.ts';

/** An ingredient as any bakery has it: neither a price nor a place of its own. */
export type PlainIngredient = Omit<Ingredient, 'id' | 'placeId' | 'retired'>;

const NOTHING = { flour: 0, water: 0, fat: 0, sugar: 0, wholegrainOfFlour: 0 };

function plain(
	name: string,
	kind: Ingredient['kind'],
	kilojoulesPerKilogramKelvin: number,
	composition: Partial<Ingredient['composition']>,
	rest: Partial<Pick<Ingredient, 'allergens' | 'density' | 'yeastFreshEquivalent'>> = {}
): PlainIngredient {
	return {
		name,
		kind,
		composition: { ...NOTHING, ...composition },
		yeastFreshEquivalent: 0,
		allergens: [],
		density: null,
		...rest,
		heatCapacity: { kilojoulesPerKilogramKelvin },
		purity: { share: 1 },
		rolling: kind === 'fat' ? USUAL_ROLLING : null,
		pricePerKilogram: null,
		weighedOn: null
	};
}

const GLUTEN = { allergens: ['gluten'] };
const CULTURE_HEAT_CAPACITY = (FLOUR_HEAT_CAPACITY + WATER_HEAT_CAPACITY) / 2;

/** What the starter formulas take from (compositions: usual-values). */
export const PLAIN_INGREDIENTS: readonly PlainIngredient[] = [
	plain('Bread flour', 'flour', FLOUR_HEAT_CAPACITY, { flour: 1 }, GLUTEN),
	plain(
		'Wholemeal wheat',
		'flour',
		FLOUR_HEAT_CAPACITY,
		{ flour: 1, wholegrainOfFlour: 1 },
		GLUTEN
	),
	plain('Water', 'water', WATER_HEAT_CAPACITY, { water: 1 }, { density: { kilogramsPerLitre: 1 } }),
	plain('Salt', 'salt', SALT_HEAT_CAPACITY, {}),
	plain(
		'Fresh yeast',
		'yeast',
		MILK_HEAT_CAPACITY,
		{ water: 0.7 },
		{ yeastFreshEquivalent: FRESH_YEAST_PER_GRAM.fresh }
	),
	plain('Wheat culture', 'culture', CULTURE_HEAT_CAPACITY, { flour: 0.5, water: 0.5 }, GLUTEN),
	plain(
		'Milk',
		'liquid',
		MILK_HEAT_CAPACITY,
		{ water: 0.88, fat: 0.035, sugar: 0.047 },
		{ allergens: ['milk'], density: { kilogramsPerLitre: 1.03 } }
	),
	plain('Butter', 'fat', OIL_HEAT_CAPACITY, { water: 0.16, fat: 0.82 }, { allergens: ['milk'] }),
	plain('Sugar', 'other', SUGAR_HEAT_CAPACITY, { sugar: 1 })
];
