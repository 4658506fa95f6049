import { FRESH_YEAST_PER_GRAM, type IngredientKind } from '../../core/formula/index.ts';
import {
	FLOUR_HEAT_CAPACITY,
	MILK_HEAT_CAPACITY,
	OIL_HEAT_CAPACITY,
	SALT_HEAT_CAPACITY,
	SUGAR_HEAT_CAPACITY,
	WATER_HEAT_CAPACITY
} from '../../core/heat/index.ts';

export interface DemoIngredient {
	readonly name: string;
	readonly kind: IngredientKind;
	readonly flour?: number;
	readonly water?: number;
	readonly wholegrain?: number;
	readonly freshYeast?: number;
	readonly allergens?: readonly string[];
	readonly heatCapacity: number;
}

const CULTURE_HEAT_CAPACITY = (FLOUR_HEAT_CAPACITY + WATER_HEAT_CAPACITY) / 2;

/** What stands on the shelves of the Saltmarrow Bakehouse. */
export const INGREDIENTS: readonly DemoIngredient[] = [
	{
		name: 'Bread flour',
		kind: 'flour',
		flour: 1,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY
	},
	{
		name: 'Wholemeal wheat',
		kind: 'flour',
		flour: 1,
		wholegrain: 1,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY
	},
	{
		name: 'Light rye flour',
		kind: 'flour',
		flour: 1,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY
	},
	{
		name: 'Whole rye flour',
		kind: 'flour',
		flour: 1,
		wholegrain: 1,
		allergens: ['gluten'],
		heatCapacity: FLOUR_HEAT_CAPACITY
	},
	{ name: 'Water', kind: 'water', water: 1, heatCapacity: WATER_HEAT_CAPACITY },
	{ name: 'Salt', kind: 'salt', heatCapacity: SALT_HEAT_CAPACITY },
	{
		name: 'Fresh yeast',
		kind: 'yeast',
		water: 0.7,
		freshYeast: FRESH_YEAST_PER_GRAM.fresh,
		heatCapacity: MILK_HEAT_CAPACITY
	},
	{
		name: 'Wheat culture',
		kind: 'culture',
		flour: 0.5,
		water: 0.5,
		allergens: ['gluten'],
		heatCapacity: CULTURE_HEAT_CAPACITY
	},
	{
		name: 'Rye culture',
		kind: 'culture',
		flour: 0.5,
		water: 0.5,
		wholegrain: 1,
		allergens: ['gluten'],
		heatCapacity: CULTURE_HEAT_CAPACITY
	},
	{ name: 'Sunflower seeds', kind: 'other', water: 0.05, heatCapacity: FLOUR_HEAT_CAPACITY },
	{ name: 'Linseed', kind: 'other', water: 0.06, heatCapacity: FLOUR_HEAT_CAPACITY },
	{
		name: 'Butter',
		kind: 'fat',
		water: 0.16,
		allergens: ['milk'],
		heatCapacity: OIL_HEAT_CAPACITY
	},
	{ name: 'Sugar', kind: 'other', heatCapacity: SUGAR_HEAT_CAPACITY },
	{
		name: 'Whole egg',
		kind: 'other',
		water: 0.75,
		allergens: ['egg'],
		heatCapacity: MILK_HEAT_CAPACITY
	},
	{
		name: 'Milk powder',
		kind: 'other',
		water: 0.03,
		allergens: ['milk'],
		heatCapacity: SUGAR_HEAT_CAPACITY
	}
];

/** The division of each scale and what it carries, in grams. */
export const SCALES = [
	{ name: 'gram scale', capacity: 500, division: 0.1 },
	{ name: 'bench scale', capacity: 6000, division: 1 },
	{ name: 'floor scale', capacity: 60_000, division: 20 }
] as const;
