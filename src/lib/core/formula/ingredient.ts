import type { IngredientId } from '../identity.ts';
import type { SpecificHeat } from '../units/index.ts';

/** What an ingredient is to a formula. A culture is a mix of flour and water that seeds a build. */
export type IngredientKind = 'flour' | 'water' | 'culture' | 'salt' | 'yeast' | 'fat' | 'other';

export const INGREDIENT_KINDS: readonly IngredientKind[] = [
	'flour',
	'water',
	'culture',
	'salt',
	'yeast',
	'fat',
	'other'
];

/** Mass shares of an ingredient; what is not named is other solids. */
export interface Composition {
	/** Share that counts as flour. */
	readonly flour: number;
	readonly water: number;
	/** Share of the flour that is wholegrain. */
	readonly wholegrainOfFlour: number;
}

export interface Ingredient {
	readonly id: IngredientId;
	readonly name: string;
	readonly kind: IngredientKind;
	readonly composition: Composition;
	/** How many grams of fresh yeast one gram stands for; 0 when it is not yeast. */
	readonly yeastFreshEquivalent: number;
	readonly allergens: readonly string[];
	readonly heatCapacity: SpecificHeat;
}

/**
 * Fresh yeast that one gram of each form stands for: fresh 1 = active dry 0.40 = instant 0.33.
 * Source: our default; the bakery edits it on the ingredient.
 */
export const FRESH_YEAST_PER_GRAM = {
	fresh: 1,
	activeDry: 1 / 0.4,
	instant: 1 / 0.33
} as const;
