import type { OrdersView } from '../../contracts/views.ts';
import { id, type DropId, type ProductId } from '../../core/identity.ts';
import { asDoughs } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { latestOtherDateWithOrders } from '../db/orders.ts';
import { loadBakeryDay } from './day-production.ts';
import { overOfDay } from './over-of-day.ts';

/** Products by drops for a date. */
export async function readOrders(db: Db, date: BakeDate): Promise<OrdersView> {
	const day = await loadBakeryDay(db, date);
	const { book, orders: lines } = day;
	const doughNames = new Map(book.formulas.map(({ formula }) => [formula.id, formula.name]));
	const ordered = new Set(
		lines.filter((line) => line.pieces > 0).map((line) => id<ProductId>(line.productId))
	);
	const empty = lines.every((line) => line.pieces === 0);
	return {
		date,
		drops: day.drops.map((drop) => ({
			id: id<DropId>(drop.id),
			name: drop.name,
			dueTime: drop.dueTime,
			dueMs: drop.dueMs,
			readyByMs: drop.readyByMs < drop.dueMs ? drop.readyByMs : null,
			customers: day.customers
				.filter((customer) => customer.dropId === drop.id)
				.map(({ name }) => name)
		})),
		products: book.products
			.filter(({ product, retired }) => !retired || ordered.has(product.id))
			.map(({ product, scaledGrams, retired }) => ({
				id: product.id,
				name: product.name,
				scaledGrams,
				spares: product.spares,
				doughName: asDoughs([product])
					.map((dough) => doughNames.get(dough.formulaId) ?? '')
					.join(' + '),
				retired
			})),
		cells: lines.map((line) => ({
			dropId: id<DropId>(line.dropId),
			productId: id<ProductId>(line.productId),
			pieces: line.pieces,
			version: line.version
		})),
		copyFrom: empty ? await latestOtherDateWithOrders(db, date) : null,
		closed: day.closed,
		notToday: day.notToday,
		over: overOfDay(day),
		unmade: day.production.unmade
	};
}
