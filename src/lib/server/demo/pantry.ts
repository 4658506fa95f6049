import {
	FRESH_YEAST_PER_GRAM,
	USUAL_ROLLING,
	type IngredientKind,
	type RollingRange
} from '../../core/formula/index.ts';
import {
	FLOUR_HEAT_CAPACITY,
	MILK_HEAT_CAPACITY,
	OIL_HEAT_CAPACITY,
	SALT_HEAT_CAPACITY,
	SUGAR_HEAT_CAPACITY,
	WATER_HEAT_CAPACITY
} from '../../core/heat/index.ts';

import type { DemoPlace } from './equipment.ts';

export interface DemoIngredient {
	readonly name: string;
	readonly kind: IngredientKind;
	readonly flour?: number;
	readonly water?: number;
	readonly fat?: number;
	readonly sugar?: number;
	readonly wholegrain?: number;
	readonly freshYeast?: number;
	readonly allergens?: readonly string[];
	readonly heatCapacity: number;
	/** The share of a caustic that is caustic. */
	readonly purity?: number;
	/** Between what temperatures a fat rolls out. */
	readonly rolling?: RollingRange;
	/** In kg per litre. */
	readonly density?: number;
	readonly pricePerKilogram?: number;
	/** The name of the scale that weighs it, when not any that reaches. */
	readonly weighedOn?: string;
	/** Where it stands, when not where its kind usually does. */
	readonly standsIn?: DemoPlace;
}

const CULTURE_HEAT_CAPACITY = (FLOUR_HEAT_CAPACITY + WATER_HEAT_CAPACITY) / 2;

/** A milled flour: all of it counts as flour. */
function flour(name: string, pricePerKilogram: number, wholegrain = 0): DemoIngredient {
	return {
		name,
		kind: 'flour',
		flour: 1,
		wholegrain,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram
	};
}

/** What stands on the shelves of the Saltmarrow Bakehouse. */
export const INGREDIENTS: readonly DemoIngredient[] = [
	flour('Bread flour', 0.92),
	flour('Wholemeal wheat', 1.08, 1),
	flour('Light rye flour', 0.98),
	flour('Whole rye flour', 1.02, 1),
	{
		name: 'Water',
		kind: 'water',
		water: 1,
		density: 1,
		heatCapacity: WATER_HEAT_CAPACITY,
		pricePerKilogram: 0.004
	},
	{ name: 'Salt', kind: 'salt', heatCapacity: SALT_HEAT_CAPACITY, pricePerKilogram: 0.6 },
	{
		name: 'Fresh yeast',
		kind: 'yeast',
		standsIn: 'Ingredient fridge',
		water: 0.7,
		freshYeast: FRESH_YEAST_PER_GRAM.fresh,
		heatCapacity: MILK_HEAT_CAPACITY,
		pricePerKilogram: 3.1
	},
	{
		name: 'Instant yeast',
		kind: 'yeast',
		water: 0.05,
		freshYeast: FRESH_YEAST_PER_GRAM.instant,
		weighedOn: 'gram scale',
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 9.5
	},
	{
		name: 'Wheat culture',
		kind: 'culture',
		flour: 0.5,
		water: 0.5,
		allergens: ['gluten'],
		heatCapacity: CULTURE_HEAT_CAPACITY,
		pricePerKilogram: 0.5
	},
	{
		name: 'Rye culture',
		kind: 'culture',
		flour: 0.5,
		water: 0.5,
		wholegrain: 1,
		allergens: ['gluten'],
		heatCapacity: CULTURE_HEAT_CAPACITY,
		pricePerKilogram: 0.5
	},
	{
		name: 'Sunflower seeds',
		kind: 'other',
		water: 0.05,
		fat: 0.5,
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 3.4
	},
	{
		name: 'Linseed',
		kind: 'other',
		water: 0.06,
		fat: 0.4,
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 2.9
	},
	{
		name: 'Rolled oats',
		kind: 'other',
		water: 0.1,
		fat: 0.07,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 1.7
	},
	{
		name: 'Dried bread crumb',
		kind: 'other',
		water: 0.06,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY
	},
	{
		name: 'Butter',
		kind: 'fat',
		standsIn: 'Ingredient fridge',
		water: 0.16,
		fat: 0.82,
		allergens: ['milk'],
		rolling: USUAL_ROLLING,
		heatCapacity: OIL_HEAT_CAPACITY,
		pricePerKilogram: 8.4
	},
	{
		name: 'Olive oil',
		kind: 'fat',
		fat: 1,
		density: 0.91,
		heatCapacity: OIL_HEAT_CAPACITY,
		pricePerKilogram: 9.2
	},
	{
		name: 'Milk',
		kind: 'liquid',
		standsIn: 'Ingredient fridge',
		water: 0.88,
		fat: 0.035,
		sugar: 0.047,
		density: 1.03,
		allergens: ['milk'],
		heatCapacity: MILK_HEAT_CAPACITY,
		pricePerKilogram: 1.1
	},
	{
		name: 'Apple juice',
		kind: 'liquid',
		water: 0.88,
		sugar: 0.11,
		density: 1.04,
		heatCapacity: MILK_HEAT_CAPACITY,
		pricePerKilogram: 1.6
	},
	{
		name: 'Whole egg',
		kind: 'other',
		standsIn: 'Ingredient fridge',
		water: 0.75,
		fat: 0.1,
		allergens: ['egg'],
		heatCapacity: MILK_HEAT_CAPACITY,
		pricePerKilogram: 4.2
	},
	{
		name: 'Milk powder',
		kind: 'other',
		water: 0.03,
		fat: 0.01,
		sugar: 0.52,
		allergens: ['milk'],
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 5.8
	},
	{
		name: 'Sugar',
		kind: 'other',
		sugar: 1,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 1.2
	},
	{
		name: 'Pearl sugar',
		kind: 'other',
		sugar: 1,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 2.6
	},
	{
		name: 'Icing sugar',
		kind: 'other',
		sugar: 1,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 1.5
	},
	{
		name: 'Honey',
		kind: 'other',
		water: 0.17,
		sugar: 0.82,
		density: 1.42,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 9.8
	},
	{
		name: 'Malt syrup',
		kind: 'other',
		water: 0.2,
		sugar: 0.6,
		density: 1.4,
		allergens: ['gluten'],
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 4.4
	},
	{
		name: 'Cocoa powder',
		kind: 'other',
		water: 0.04,
		fat: 0.11,
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 11.5
	},
	{
		name: 'Ground almonds',
		kind: 'other',
		water: 0.05,
		fat: 0.5,
		allergens: ['almonds'],
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 10.9
	},
	{
		name: 'Raisins',
		kind: 'other',
		water: 0.16,
		sugar: 0.66,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 4.6
	},
	{
		name: 'Candied peel',
		kind: 'other',
		water: 0.17,
		sugar: 0.8,
		heatCapacity: SUGAR_HEAT_CAPACITY,
		pricePerKilogram: 6.7
	},
	{
		name: 'Mixed spice',
		kind: 'other',
		water: 0.09,
		weighedOn: 'gram scale',
		heatCapacity: FLOUR_HEAT_CAPACITY,
		pricePerKilogram: 24
	},
	{
		name: 'Sea salt flakes',
		kind: 'salt',
		weighedOn: 'gram scale',
		heatCapacity: SALT_HEAT_CAPACITY,
		pricePerKilogram: 7.5
	},
	{
		name: 'Caustic soda, food grade',
		kind: 'caustic',
		purity: 1,
		heatCapacity: SALT_HEAT_CAPACITY,
		pricePerKilogram: 5.2
	}
];

/** The division of each scale and what it carries, in grams. */
export const SCALES = [
	{ name: 'gram scale', capacity: 500, division: 0.1 },
	{ name: 'bench scale', capacity: 6000, division: 1 },
	{ name: 'floor scale', capacity: 60_000, division: 20 }
] as const;
