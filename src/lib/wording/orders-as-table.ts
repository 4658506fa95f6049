import type { OrdersView } from '../contracts/views.ts';

/** The orders of a date as a table that can be read back: a line for each product, a column for each drop. */
export function ordersAsTable({
	products,
	drops,
	cells
}: Pick<OrdersView, 'products' | 'drops' | 'cells'>) {
	const pieces = new Map(
		cells.map((cell) => [`${cell.productId} ${cell.dropId}`, cell.pieces] as const)
	);
	return {
		columns: ['Product', ...drops.map(({ name }) => name)],
		rows: products.map((product): Readonly<Record<string, string>> => ({
			Product: product.name,
			...Object.fromEntries(
				drops.map((drop) => [drop.name, String(pieces.get(`${product.id} ${drop.id}`) ?? 0)])
			)
		}))
	};
}
