import type { ParseFailure } from '../core/units/index.ts';
import type { BookFile } from './book-file.ts';

/** What of a file was not taken as it stands, by its line, the first being 1; 0 where it is of all of it. */
export interface BookProblem {
	readonly line: number;
	readonly problem:
		| { readonly kind: 'no-amount'; readonly name: string; readonly reason: ParseFailure }
		/** A volume of what nobody weighed a litre of. */
		| { readonly kind: 'no-density'; readonly name: string; readonly text: string }
		/** A number of something that is not weighed: three eggs. */
		| { readonly kind: 'counted'; readonly name: string; readonly text: string }
		| { readonly kind: 'no-name' }
		| { readonly kind: 'no-formula' }
		/** Weights and percents in one formula. */
		| { readonly kind: 'two-measures'; readonly formula: string; readonly name: string }
		| { readonly kind: 'no-such-time'; readonly text: string }
		| { readonly kind: 'no-such-kind'; readonly text: string }
		/** Nothing in it is known to be flour, so that no percent can be told. */
		| { readonly kind: 'no-flour'; readonly formula: string }
		| { readonly kind: 'nothing-in-it'; readonly formula: string }
		/** Its percents were of other than all of its flour, and were rewritten. */
		| { readonly kind: 'rewritten'; readonly formula: string; readonly flourPercent: number }
		| { readonly kind: 'twice'; readonly name: string }
		/** A cell of a column that is no number, or one that cannot be: taken as is usual. */
		| {
				readonly kind: 'no-number';
				readonly name: string;
				readonly column: string;
				readonly reason: ParseFailure;
		  }
		| { readonly kind: 'no-such-ingredient-kind'; readonly name: string; readonly text: string }
		/** Neither a dough nor anything that goes on, in or around a piece. */
		| { readonly kind: 'no-such-part'; readonly name: string; readonly text: string }
		| { readonly kind: 'no-dough'; readonly name: string }
		/** Figures that cannot be together: what is wrong with them. */
		| { readonly kind: 'cannot-be'; readonly name: string; readonly what: string };
}

export type BookFailure =
	| { readonly kind: 'too-large'; readonly mostBytes: number }
	/** It holds bytes that are no text of this encoding. */
	| { readonly kind: 'not-text' }
	| { readonly kind: 'too-many'; readonly what: 'lines' | 'formulas'; readonly most: number }
	| { readonly kind: 'not-a-table'; readonly line: number }
	| { readonly kind: 'no-columns'; readonly found: readonly string[] }
	| { readonly kind: 'not-json'; readonly what: string }
	/** JSON, but neither a book nor a recipe. */
	| { readonly kind: 'another-format'; readonly found: string }
	| { readonly kind: 'newer-version'; readonly version: number }
	| { readonly kind: 'too-deep'; readonly most: number }
	/** A part of it that cannot be: where, and why. */
	| { readonly kind: 'does-not-fit'; readonly where: string; readonly what: string };

export interface BookRead {
	readonly file: BookFile;
	readonly problems: readonly BookProblem[];
	/** Names in it that the bakery does not know and that something waits for: a flour, or a volume of something. */
	readonly asked: readonly { readonly name: string; readonly usedIn: string }[];
}
