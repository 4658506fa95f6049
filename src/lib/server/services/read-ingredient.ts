import type { IngredientDetailView } from '../../contracts/book-views.ts';
import { id, type IngredientId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadEntries } from '../db/entries.ts';
import { scalesOf } from '../db/of-entries.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { loadDeliveries } from '../db/ingredients.ts';
import { bookList, usersOfIngredient } from './book-list.ts';
import { BakeryNotSetUp } from './day-production.ts';

/** One ingredient with its deliveries; `null` as its id begins a new one. Gives null when unknown. */
export async function readIngredient(
	db: Db,
	date: BakeDate,
	ingredientId: string | null
): Promise<IngredientDetailView | null> {
	const [bakery, book, entries, deliveries] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db, date),
		loadEntries(db, date, ['scale']),
		loadDeliveries(db)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const found = book.ingredients.find(({ ingredient }) => ingredient.id === ingredientId);
	if (ingredientId !== null && !found) return null;
	return {
		date,
		book: bookList(book),
		ingredient: found?.ingredient ?? null,
		version: found?.number ?? 0,
		usedBy: ingredientId === null ? [] : usersOfIngredient(book, id<IngredientId>(ingredientId)),
		deliveries: deliveries.filter((delivery) => delivery.ingredientId === ingredientId),
		scales: scalesOf(entries),
		currency: bakery.currency
	};
}
