import type { DeliveryId, FormulaId, IngredientId, PreparationId } from '../identity.ts';
import type { Share } from '../units/index.ts';
import type { Addition } from './addition.ts';

/**
 * What a recipe of its own is to the dough or the piece. A build ferments and carries flour into the
 * dough; a dough is mixed for itself, and others take from it (some of it coloured, or sweetened); soakers, scalds and porridges only take up water; fat is prepared for rolling in; fillings,
 * coatings, washes and baths belong to the piece.
 */
export type PreparationKind =
	| 'build'
	| 'dough'
	| 'soaker'
	| 'scald'
	| 'porridge'
	| 'fat'
	| 'filling'
	| 'coating'
	| 'wash'
	| 'bath';

export const PREPARATION_KINDS: readonly PreparationKind[] = [
	'build',
	'dough',
	'soaker',
	'scald',
	'porridge',
	'fat',
	'filling',
	'coating',
	'wash',
	'bath'
];

/** Whether a preparation only takes up water, so that its water can be left out of a hydration. */
export function isSoaked(kind: PreparationKind | 'final'): boolean {
	return kind === 'soaker' || kind === 'scald' || kind === 'porridge';
}

/** Whether a preparation is told by its own flour, as a dough is; others are told by all of it. */
export function hasOwnFlour(kind: PreparationKind): boolean {
	return kind === 'build' || kind === 'dough';
}

/** What a line refers to: an ingredient, or a preparation that is a recipe of its own. */
export type Material =
	| { readonly kind: 'ingredient'; readonly ingredientId: IngredientId }
	| { readonly kind: 'preparation'; readonly preparationId: PreparationId };

/** One line of a preparation, in parts of that preparation's own making. */
export interface PreparationLine {
	readonly material: Material;
	readonly parts: number;
}

/** A build or soaker: a recipe of its own that one or several formulas refer to by amount. */
export interface Preparation {
	readonly id: PreparationId;
	readonly name: string;
	readonly kind: PreparationKind;
	readonly lines: readonly PreparationLine[];
	/** Share of the gross build that stays in the tub, or that fat loses when it is clarified. */
	readonly buildLoss: Share;
	/** Ripe culture kept back for the next feed, in grams. */
	readonly takeBackGrams: number;
	/** How a bath is used; left out for all else. */
	readonly bath?: BathUse | undefined;
}

/** How a bath is used, as far as somebody said. */
export interface BathUse {
	readonly dipSeconds: number | null;
	/** It is made anew after so long, whatever went through it. */
	readonly renewAfterMinutes: number | null;
}

/** One line of the final dough, in percent of the formula's total flour. */
export interface FormulaLine {
	readonly material: Material;
	readonly percentOfFlour: number;
	readonly addition: Addition;
}

/** The delivery of a flour that the water of a formula was set for. */
export interface FlourDelivery {
	readonly ingredientId: IngredientId;
	readonly deliveryId: DeliveryId;
}

/** One dough with its total flour at 100. */
export interface Formula {
	readonly id: FormulaId;
	readonly name: string;
	readonly lines: readonly FormulaLine[];
	/** Share of the mixed dough that does not reach the pieces. */
	readonly doughLoss: Share;
	/** Flours whose delivery the water was set for; any other flour stands for the house flour. */
	readonly deliveries: readonly FlourDelivery[];
}
