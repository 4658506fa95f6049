import { goesOn, isClosedOn } from '../../core/bakery/index.ts';
import {
	ordersOfDate,
	type OrderOfDate,
	type StandingOrder,
	type TypedOrder
} from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadEntries, type Entries } from '../db/entries.ts';
import type { FormulaBook } from '../db/formula-book.ts';
import { dropsOf, everyDrop } from '../db/of-entries.ts';
import { loadOrderLines } from '../db/orders.ts';
import { loadStandingOn } from '../db/standing-orders.ts';

/** Whether a standing order counts: its drop goes on the date, and the bakery bakes. */
export function countsOn(house: Entries, date: BakeDate): (order: StandingOrder) => boolean {
	if (house.of('closed-days').some(({ content }) => isClosedOn(content, date))) return () => false;
	const going = new Set(
		dropsOf(house)
			.filter((drop) => goesOn(drop, date))
			.map(({ id }) => id)
	);
	return ({ dropId }) => going.has(dropId);
}

/** What is ordered on a date, given the drops and closed days of the bakery. */
export function ordersWith(
	house: Entries,
	date: BakeDate,
	typed: readonly TypedOrder[],
	standing: readonly StandingOrder[]
): readonly OrderOfDate[] {
	return ordersOfDate(typed, standing, countsOn(house, date));
}

/** What is ordered on a date: what was typed for it, and the standing orders where nothing was. */
export async function loadOrdersOfDate(
	db: Db | Tx,
	date: BakeDate
): Promise<readonly OrderOfDate[]> {
	const [house, typed, standing] = await Promise.all([
		loadEntries(db, date, ['drop', 'closed-days']),
		loadOrderLines(db, date),
		loadStandingOn(db, date)
	]);
	return ordersWith(house, date, typed, standing);
}

/** The earliest drop first, and products as the book has them: whatever order they are stored in, the day is the same. */
export function inOrderOfWork(
	orders: readonly OrderOfDate[],
	house: Entries,
	book: FormulaBook
): readonly OrderOfDate[] {
	const drops = new Map(everyDrop(house).map((drop, at) => [drop.id, at]));
	const products = new Map<string, number>(
		book.products.map(({ product }, at) => [product.id, at])
	);
	return [...orders].sort(
		(a, b) =>
			(drops.get(a.dropId) ?? 0) - (drops.get(b.dropId) ?? 0) ||
			(products.get(a.productId) ?? 0) - (products.get(b.productId) ?? 0)
	);
}
