import type { BookFile } from '../../contracts/book-file.ts';
import type { IngredientKind, PreparationKind } from '../../core/formula/index.ts';
import type { Density } from '../../core/units/index.ts';

/** Something the bakery has, as a file may name it. */
export interface KnownMaterial {
	readonly is: 'ingredient' | 'preparation';
	readonly name: string;
	readonly kind: IngredientKind | PreparationKind;
	/** How much of it counts as flour. */
	readonly flourShare: number;
	readonly density: Density | null;
}

/** What a bakery knows by the keys of its names, and of names that were matched before. */
export type Known = ReadonlyMap<string, KnownMaterial>;

/** A line of a recipe as it was read: so much of something, in the dough or in a stage before it. */
export interface ReadLine {
	readonly line: number;
	/** The stage it is of; null for the dough itself. */
	readonly stage: string | null;
	readonly name: string;
	readonly much:
		| { readonly of: 'percent'; readonly percent: number }
		| { readonly of: 'grams'; readonly grams: number };
	readonly addition: BookFile['formulas'][number]['lines'][number]['addition'];
}

export interface ReadRecipe {
	readonly name: string;
	readonly line: number;
	readonly lines: readonly ReadLine[];
	/** What the dough is wanted at, where the file says so. */
	readonly targetCelsius?: number | undefined;
	/** What its stages are, where the file says so. */
	readonly stageKinds: ReadonlyMap<string, PreparationKind>;
}

/** Files of formulas are some hundred kilobytes; more than this is another file. */
export const MOST_BOOK_BYTES = 8_000_000;
export const MOST_BOOK_LINES = 40_000;
/** Formulas beyond these are another bakery's whole life. */
export const MOST_FORMULAS = 2000;
