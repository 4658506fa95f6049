import type { BringInView } from '../../contracts/bring-in-views.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { loadNamesMatched } from '../db/names-matched.ts';
import { bookAsFile } from './book-as-file.ts';

/** What a file is held against: the book, and what names were matched before. */
export async function readBringIn(db: Db, date: BakeDate): Promise<BringInView> {
	const [book, matched] = await Promise.all([loadFormulaBook(db), loadNamesMatched(db)]);
	return {
		date,
		ours: {
			// A name that is retired is known all the same.
			file: bookAsFile(book, 'retired too'),
			ids: {
				ingredients: book.ingredients.map(({ ingredient: { id, name } }) => ({ id, name })),
				preparations: [...book.preparations.values()].map(({ preparation: { id, name } }) => ({
					id,
					name
				})),
				formulas: book.formulas.map(({ formula: { id, name } }) => ({ id, name })),
				products: book.products.map(({ product: { id, name } }) => ({ id, name }))
			},
			matched: [...matched].map(([key, one]) => ({ key, ...one }))
		}
	};
}
