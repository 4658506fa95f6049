import type { BakeDate } from '../../core/time/index.ts';
import { sql, type RawBuilder } from 'kysely';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

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
		.innerJoin('bakery_entry as person', 'person.id', 'order_line.changed_by')
		.select(['order_line.pieces', 'order_line.row_version', 'person.name'])
		.where('bake_date', '=', key.date)
		.where('drop_id', '=', key.dropId)
		.where('product_id', '=', key.productId)
		.forUpdate('order_line')
		.executeTakeFirst();
	return row ? { pieces: row.pieces, version: row.row_version, by: row.name } : null;
}

/** Pieces of one product for one drop of a date, before and after a change. */
export interface OrderChange {
	readonly date: string;
	readonly dropId: string;
	readonly productId: string;
	readonly before: number;
	readonly after: number;
}

/** Makes a line that is not there yet, so that two bakers meet at its lock. */
export async function makeOrderLine(
	tx: Tx,
	key: { readonly date: string; readonly dropId: string; readonly productId: string },
	actorId: string
): Promise<void> {
	const row: EveryColumn<'order_line'> = {
		bake_date: key.date,
		drop_id: key.dropId,
		product_id: key.productId,
		pieces: 0,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('order_line')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}

export async function updateOrderLine(
	tx: Tx,
	key: { readonly date: string; readonly dropId: string; readonly productId: string },
	to: { readonly pieces: number; readonly version: number; readonly changedBy: string }
): Promise<void> {
	await tx
		.updateTable('order_line')
		.set({ pieces: to.pieces, row_version: to.version, changed_by: to.changedBy })
		.where('bake_date', '=', key.date)
		.where('drop_id', '=', key.dropId)
		.where('product_id', '=', key.productId)
		.execute();
}

/** Holds others that copy to the date until this transaction ends: two copies must not meet. */
export async function lockCopyingTo(tx: Tx, date: BakeDate): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext(${'copy-orders ' + date}))`.execute(tx);
}

/** Puts lines at some pieces, whether they were there or not; each gets its next version. */
export async function putOrderLines(
	tx: Tx,
	changes: readonly OrderChange[],
	actorId: string
): Promise<void> {
	const rows = changes.map((change): EveryColumn<'order_line'> => ({
		bake_date: change.date,
		drop_id: change.dropId,
		product_id: change.productId,
		pieces: change.after,
		row_version: 1,
		changed_by: actorId
	}));
	await tx
		.insertInto('order_line')
		.values(rows)
		.onConflict((conflict) =>
			conflict.columns(['bake_date', 'drop_id', 'product_id']).doUpdateSet((set) => ({
				pieces: set.ref('excluded.pieces'),
				row_version: sql<number>`order_line.row_version + 1`,
				changed_by: actorId
			}))
		)
		.execute();
}

/** Writes down what was changed. */
export async function insertOrderChanges(
	tx: Tx,
	changes: readonly OrderChange[],
	commandId: string
): Promise<void> {
	const rows = changes.map((change): EveryColumn<'order_change'> => ({
		command_id: commandId,
		bake_date: change.date,
		drop_id: change.dropId,
		product_id: change.productId,
		pieces_before: change.before,
		pieces_after: change.after
	}));
	await tx.insertInto('order_change').values(rows).execute();
}

/** Lines of a date with pieces whose product is still in the book, and whose drop goes on the other date. */
export async function loadCopyableLines(
	db: Db | Tx,
	date: BakeDate,
	to: BakeDate
): Promise<
	readonly { readonly dropId: string; readonly productId: string; readonly pieces: number }[]
> {
	const rows = await db
		.selectFrom('order_line')
		.innerJoin('product', 'product.id', 'order_line.product_id')
		.select(['order_line.drop_id', 'order_line.product_id', 'order_line.pieces'])
		.where('bake_date', '=', date)
		.where('pieces', '>', 0)
		.where('product.retired_at', 'is', null)
		.where(isInUse(sql.ref('order_line.drop_id'), to))
		.execute();
	return rows.map((row) => ({
		dropId: row.drop_id,
		productId: row.product_id,
		pieces: row.pieces
	}));
}

/** Whether an entry is a drop that is in use on a date. */
function isInUse(entryId: RawBuilder<unknown>, date: BakeDate): RawBuilder<boolean> {
	return sql<boolean>`coalesce((select not revision.retired from bakery_entry_revision as revision
		join bakery_entry as entry on entry.id = revision.entry_id and entry.kind = 'drop'
		where revision.entry_id = ${entryId} and revision.applies_from <= ${date}
		order by revision.applies_from desc, revision.number desc limit 1), false)`;
}

/**
 * Whether a drop and a product are there to be ordered; both in one query. What stands for a retired drop can still be
 * changed, and taken off.
 */
export async function findOrderable(
	db: Db | Tx,
	dropId: string,
	productId: string,
	date: BakeDate
): Promise<{ readonly drop: boolean; readonly product: boolean }> {
	const { rows } = await sql<{ drop: boolean; product: boolean }>`select
		${isInUse(sql`${dropId}::uuid`, date)}
			or exists (select from order_line where bake_date = ${date} and drop_id = ${dropId}) as drop,
		exists (select 1 from product where id = ${productId} and retired_at is null) as product`.execute(
		db
	);
	return rows[0] ?? { drop: false, product: false };
}
