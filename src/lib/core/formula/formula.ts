import type { FormulaId, IngredientId, PreparationId } from '../identity.ts';
import type { Share } from '../units/index.ts';

/** When a line of the final dough goes in. Held-back water is worked in after the dough has formed. */
export type Addition = 'start' | 'held-back' | 'late';

export const ADDITIONS: readonly Addition[] = ['start', 'held-back', 'late'];

/** A build ferments and carries flour into the dough; a soaker (scald, porridge) only soaks. */
export type PreparationKind = 'build' | 'soaker';

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
	/** Share of the gross build that stays in the tub. */
	readonly buildLoss: Share;
	/** Ripe culture kept back for the next feed, in grams. */
	readonly takeBackGrams: number;
}

/** One line of the final dough, in percent of the formula's total flour. */
export interface FormulaLine {
	readonly material: Material;
	readonly percentOfFlour: number;
	readonly addition: Addition;
}

/** One dough with its total flour at 100. */
export interface Formula {
	readonly id: FormulaId;
	readonly name: string;
	readonly lines: readonly FormulaLine[];
	/** Share of the mixed dough that does not reach the pieces. */
	readonly doughLoss: Share;
}
