import type { IngredientId, PlaceId } from '../identity.ts';
import type { Density, Share, SpecificHeat } from '../units/index.ts';

/**
 * What an ingredient is to a formula. A culture is a mix of flour and water that seeds a build; a liquid
 * is one that is not water (milk, beer); a caustic has its place in a bath alone.
 */
export type IngredientKind =
	'flour' | 'water' | 'culture' | 'salt' | 'yeast' | 'fat' | 'liquid' | 'other' | 'caustic';

export const INGREDIENT_KINDS: readonly IngredientKind[] = [
	'flour',
	'water',
	'culture',
	'salt',
	'yeast',
	'fat',
	'liquid',
	'other',
	'caustic'
];

/** Mass shares of an ingredient; what is not named is other solids. */
export interface Composition {
	/** Share that counts as flour. */
	readonly flour: number;
	readonly water: number;
	readonly fat: number;
	readonly sugar: number;
	/** Share of the flour that is wholegrain. */
	readonly wholegrainOfFlour: number;
}

/** Between what temperatures a fat bends without breaking and does not smear, and where it runs out of the layers. */
export interface RollingRange {
	readonly fromCelsius: number;
	readonly toCelsius: number;
	readonly meltsAtCelsius: number;
}

/** Butter, by what bakers hold on to (our default; the supplier's own figures come first). */
export const USUAL_ROLLING: RollingRange = {
	fromCelsius: 13,
	toCelsius: 18,
	meltsAtCelsius: 28
};

export interface Ingredient {
	readonly id: IngredientId;
	readonly name: string;
	readonly kind: IngredientKind;
	readonly composition: Composition;
	/** How many grams of fresh yeast one gram stands for; 0 when it is not yeast. */
	readonly yeastFreshEquivalent: number;
	readonly allergens: readonly string[];
	readonly heatCapacity: SpecificHeat;
	/** For recipes that come in litres; null while nobody has weighed a litre. */
	readonly density: Density | null;
	/** The share of a caustic that is caustic; 1 for all else. */
	readonly purity: Share;
	/** Between what temperatures a fat rolls out; null while nobody said. */
	readonly rolling: RollingRange | null;
	/** In the bakery's own money for one kilogram; null when the bakery keeps no prices. */
	readonly pricePerKilogram: number | null;
	/** The name of the scale that weighs it; null when any that reaches will do. */
	readonly weighedOn: string | null;
	/** Where it stands until it is weighed; null for what stands where its kind usually does. */
	readonly placeId: PlaceId | null;
	/** No longer offered for new work; what uses it goes on. */
	readonly retired: boolean;
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

/** The forms yeast comes in. */
export type YeastForm = keyof typeof FRESH_YEAST_PER_GRAM;

/**
 * Gives how much of one form of yeast does the work of so much of another.
 * Model: by the fresh yeast that each stands for. Range: 0 or more grams. Source: our default. Failures: none.
 * Example: 10 g of fresh yeast are 3.3 g of instant, and 4 g of active dry.
 */
export function yeastInForm(grams: number, from: YeastForm, to: YeastForm): number {
	return (grams * FRESH_YEAST_PER_GRAM[from]) / FRESH_YEAST_PER_GRAM[to];
}
