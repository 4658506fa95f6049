import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind } from '../../core/formula/index.ts';
import type { Result } from '../../core/result.ts';
import type { BookFailure, BookRead } from '../../contracts/book-problems.ts';

/** A file to be read in a worker, with what is known of its names so far. */
export interface BringInRequest {
	/** Which reading it is of; an answer to an earlier one is no longer wanted. */
	readonly turn: number;
	readonly bytes: Uint8Array;
	readonly name: string;
	readonly ours: OurBook;
	/** Names of the file by their keys, and what of ours they are. */
	readonly matches: readonly (readonly [key: string, OurMaterial])[];
	/** Names that are to be new ingredients, and of which kind. */
	readonly kinds: readonly { readonly name: string; readonly kind: IngredientKind }[];
}

export type BringInReply =
	| {
			readonly kind: 'progress';
			readonly turn: number;
			readonly done: number;
			readonly all: number;
	  }
	| {
			readonly kind: 'read';
			readonly turn: number;
			readonly read: Result<BookRead, BookFailure>;
			/** A table or a recipe says nothing of steps and losses. */
			readonly linesAlone: boolean;
	  };
