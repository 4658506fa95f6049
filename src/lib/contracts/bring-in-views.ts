import type { BakeDate } from '../core/time/index.ts';
import type { BookFile } from './book-file.ts';

/** Something of ours that a line of a file can mean. */
export interface OurMaterial {
	readonly is: 'ingredient' | 'preparation';
	readonly id: string;
}

interface Named {
	readonly id: string;
	readonly name: string;
}

/** What a bakery has of its own, to hold a file against. */
export interface OurBook {
	/** As it would be handed to another bakery. */
	readonly file: BookFile;
	readonly ids: {
		readonly ingredients: readonly Named[];
		readonly preparations: readonly Named[];
		readonly formulas: readonly Named[];
		readonly products: readonly Named[];
	};
	/** What names of earlier files were decided to be, by their keys. */
	readonly matched: readonly (OurMaterial & { readonly key: string })[];
}

export interface BringInView {
	readonly date: BakeDate;
	readonly ours: OurBook;
}
