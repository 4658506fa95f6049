import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';

export interface OrderLineRow {
	readonly dropId: string;
	readonly productId: string;
	readonly pieces: number;
	readonly version: number;
}

export async function loadOrderLines(
	db: Db | Tx,
	date: BakeDate
): Promise<readonly OrderLineRow[]> {
	const rows = await db
		.selectFrom('order_line')
		.select(['drop_id', 'product_id', 'pieces', 'row_version'])
		.where('bake_date', '=', date)
		.execute();
	return rows.map((row) => ({
		dropId: row.drop_id,
		productId: row.product_id,
		pieces: row.pieces,
		version: row.row_version
	}));
}

/** The latest date before `date`, or else any other date, that has pieces ordered. */
export async function latestOtherDateWithOrders(
	db: Db | Tx,
	date: BakeDate
): Promise<BakeDate | null> {
	const newest = (before: boolean) =>
		db
			.selectFrom('order_line')
			.select('bake_date')
			.where('bake_date', before ? '<' : '>', date)
			.where('pieces', '>', 0)
			.orderBy('bake_date', before ? 'desc' : 'asc')
			.limit(1)
			.executeTakeFirst();
	const found = (await newest(true)) ?? (await newest(false));
	return (found?.bake_date ?? null) as BakeDate | null;
}

/** The order line as it stands, locked, with who changed it last. */
export async function lockOrderLine(
	tx: Tx,
	key: { readonly date: BakeDate; readonly dropId: string; readonly productId: string }
): Promise<{ readonly pieces: number; readonly version: number; readonly by: string } | null> {
	const row = await tx
		.selectFrom('order_line')
		.innerJoin('person', 'person.id', 'order_line.changed_by')
		.select(['order_line.pieces', 'order_line.row_version', 'person.name'])
		.where('bake_date', '=', key.date)
		.where('drop_id', '=', key.dropId)
		.where('product_id', '=', key.productId)
		.forUpdate('order_line')
		.executeTakeFirst();
	return row ? { pieces: row.pieces, version: row.row_version, by: row.name } : null;
}
