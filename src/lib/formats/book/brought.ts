import type { BringIn } from '../../contracts/bring-in.ts';
import type { OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind } from '../../core/formula/index.ts';

/** The kinds of things a file brings, in the order in which they need each other. */
export const BROUGHT = ['ingredients', 'preparations', 'formulas', 'products'] as const;
export type Brought = (typeof BROUGHT)[number];

/** What is done with something that is called like one of ours and is another: under a name of its own, or ours instead. */
export type ClashChoice = { readonly as: string } | 'ours';

/** What somebody decided of a file before it is taken. */
export interface Choices {
	/** What a name that nobody knows is: one of ours by its id, or a new ingredient of a kind. */
	readonly names: ReadonlyMap<
		string,
		{ readonly ours: OurMaterial } | { readonly asNew: IngredientKind }
	>;
	readonly clashes: ReadonlyMap<string, ClashChoice>;
}

/** One thing of a file, and what becomes of it. */
export interface BroughtOne {
	readonly of: Brought;
	readonly key: string;
	readonly name: string;
	readonly becomes:
		| { readonly kind: 'new'; readonly as: string }
		/** It stands in our book as it is. */
		| { readonly kind: 'stands' }
		/** A product of a dough that neither the file nor our book has. */
		| { readonly kind: 'without-dough' }
		/** Another of that name is ours; what was chosen, or is proposed. */
		| { readonly kind: 'clash'; readonly chosen: ClashChoice };
}

/** A name in a line that neither the file describes nor the bakery knows. */
export interface UnknownName {
	readonly key: string;
	readonly name: string;
	/** Where it is taken: the first formula or preparation that does. */
	readonly usedIn: string;
}

export interface BringInPlan {
	readonly things: readonly BroughtOne[];
	readonly unknown: readonly UnknownName[];
	/** What is written; null while something is unknown, or nothing is left to bring. */
	readonly content: BringIn | null;
}

/** The same id for the same thing each time. */
export type NewId = (of: Brought, key: string) => string;
