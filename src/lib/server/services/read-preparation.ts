import type { PreparationDetailView } from '../../contracts/book-views.ts';
import { firstStepsOf } from '../../core/formula/index.ts';
import { id, type PreparationId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { bookList, usersOfBuilds } from './book-list.ts';
import { loadOrdersOfDate } from './orders-of-date.ts';

/** One build, soaker, filling, wash or bath; `null` as its id begins a new one. Gives null when unknown. */
export async function readPreparation(
	db: Db,
	date: BakeDate,
	preparationId: string | null
): Promise<PreparationDetailView | null> {
	const [book, orders] = await Promise.all([loadFormulaBook(db), loadOrdersOfDate(db, date)]);
	const key = preparationId === null ? null : id<PreparationId>(preparationId);
	const found = key === null ? null : (book.preparations.get(key) ?? null);
	if (key !== null && found === null) return null;
	return {
		date,
		book: bookList(book),
		preparation: found?.preparation ?? null,
		revision: found?.number ?? 0,
		retired: found?.retired ?? false,
		steps: found?.steps ?? firstStepsOf('build'),
		usedBy: key === null ? [] : (usersOfBuilds(book).get(key) ?? []).map((user) => user.name),
		preparations: [...book.pantry.preparations.values()],
		ingredients: book.ingredients.map((ingredient) => ingredient.ingredient),
		causticMost: book.pantry.causticMost,
		dips: book.products.flatMap(({ product, retired }) =>
			product.extras
				.filter(
					({ use, material }) =>
						!retired &&
						use === 'bath' &&
						material.kind === 'preparation' &&
						material.preparationId === key
				)
				.map(({ amount, forPieces }) => ({
					product: product.name,
					grams: amount.grams,
					forPieces,
					ordered: orders
						.filter(({ productId }) => productId === product.id)
						.reduce((total, { pieces }) => total + pieces, 0)
				}))
		)
	};
}
