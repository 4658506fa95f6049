import type { ProductDetailView } from '../../contracts/book-views.ts';
import { USUAL_SPACING_CM } from '../../core/bakery/index.ts';
import { FIRST_PRODUCT_STEPS, USUAL_BAKE_LOSS_SHARE } from '../../core/formula/index.ts';
import { turnsOf } from '../../core/sheeting/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import {
	decksOf,
	dividersOf,
	mostOfAnyMixer,
	rollsOutOf,
	weighedOn,
	vesselsOf
} from '../db/of-entries.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { bookList } from './book-list.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { loadOrdersOfDate } from './orders-of-date.ts';

/** What a new product begins with (our defaults). */
const BEGINNING = { bakeLossShare: USUAL_BAKE_LOSS_SHARE, spacingCm: USUAL_SPACING_CM };

/** One product; `null` as its id begins a new one. Gives null when unknown. */
export async function readProduct(
	db: Db,
	date: BakeDate,
	productId: string | null
): Promise<ProductDetailView | null> {
	const [bakery, book, entries, orders] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db, date),
		loadEntries(db, date, ['mixer', 'scale', 'divider', 'vessel', 'oven', 'sheeter', 'bench']),
		loadOrdersOfDate(db, date)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const found = book.products.find(({ product }) => product.id === productId);
	if (productId !== null && !found) return null;
	return {
		date,
		book: bookList(book),
		product: found?.product ?? null,
		revision: found?.number ?? 0,
		retired: found?.retired ?? false,
		bakedGrams: found?.bakedGrams ?? null,
		bakeLossShare: found?.bakeLossShare ?? BEGINNING.bakeLossShare,
		sparesShare: found?.sparesShare ?? 0,
		shape: found?.shape ?? '',
		score: found?.score ?? '',
		scoreMm: found?.scoreMm ?? null,
		vesselId: found?.vesselId ?? null,
		dividerId: found?.dividerId ?? null,
		footprint: found?.footprint ?? null,
		heightCm: found?.heightCm ?? null,
		piecesPerDeck: found?.piecesPerDeck ?? null,
		sheet: found?.sheet ?? null,
		spacingCm: found?.spacingCm ?? BEGINNING.spacingCm,
		steps: found?.steps ?? FIRST_PRODUCT_STEPS,
		ordered: orders
			.filter((line) => line.productId === productId)
			.reduce((total, line) => total + line.pieces, 0),
		formulas: book.formulas
			.filter(
				(revision) =>
					!revision.retired ||
					found?.product.doughs.some((d) => d.formulaId === revision.formula.id)
			)
			.map((revision) => revision.formula),
		preparations: [...book.pantry.preparations.values()],
		ingredients: book.ingredients.map((ingredient) => ingredient.ingredient),
		dividers: dividersOf(entries),
		vessels: vesselsOf(entries),
		decks: decksOf(entries),
		scales: weighedOn(entries),
		mixerMostGrams: mostOfAnyMixer(entries),
		currency: bakery.currency,
		causticMost: book.pantry.causticMost,
		turns: Object.fromEntries(
			book.formulas.map(({ formula, steps }) => [formula.id, turnsOf(steps)])
		),
		rollsOut: rollsOutOf(entries)
	};
}
