import type { OrdersView } from '../../contracts/views.ts';
import { id, type DropId, type ProductId } from '../../core/identity.ts';
import { instantOf, type BakeDate } from '../../core/time/index.ts';
import { loadBakery, loadDrops } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { latestOtherDateWithOrders, loadOrderLines } from '../db/orders.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { dropView } from './read-bakery.ts';

/** Products by drops for a date. */
export async function readOrders(db: Db, date: BakeDate): Promise<OrdersView> {
	const [bakery, book, drops, lines] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db),
		loadDrops(db),
		loadOrderLines(db, date)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const doughNames = new Map(book.formulas.map((one) => [one.formula.id, one.formula.name]));
	const ordered = new Set(
		lines.filter((line) => line.pieces > 0).map((line) => id<ProductId>(line.productId))
	);
	const empty = lines.every((line) => line.pieces === 0);
	return {
		date,
		drops: drops.map((drop) =>
			dropView({ ...drop, dueMs: instantOf(date, drop.dueTime, bakery.timeZone).epochMs })
		),
		products: book.products
			.filter(({ product, retired }) => !retired || ordered.has(product.id))
			.map(({ product, scaledGrams, retired }) => ({
				id: product.id,
				name: product.name,
				scaledGrams,
				doughName: product.doughs.map((one) => doughNames.get(one.formulaId) ?? '').join(' + '),
				retired
			})),
		cells: lines.map((line) => ({
			dropId: id<DropId>(line.dropId),
			productId: id<ProductId>(line.productId),
			pieces: line.pieces,
			version: line.version
		})),
		copyFrom: empty ? await latestOtherDateWithOrders(db, date) : null
	};
}
