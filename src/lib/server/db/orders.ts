import type { TypedOrder } from '../../core/production/index.ts';
import { weekdayOf, type BakeDate } from '../../core/time/index.ts';
import { sql, type RawBuilder } from 'kysely';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** What was typed for a date. */
export async function loadOrderLines(db: Db | Tx, date: BakeDate): Promise<readonly TypedOrder[]> {
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

/** Which number of a date: of one product for one drop. */
export interface OrderKey {
	readonly date: BakeDate;
	readonly dropId: string;
	readonly productId: string;
}

/** What is ordered before and after a change. */
export interface OrderChange extends OrderKey {
	readonly before: number;
	readonly after: number;
	/** It follows the standing order again. */
	readonly leftToStanding: boolean;
}

/** A number as it was typed, with who typed it. */
export interface LockedOrder extends TypedOrder {
	readonly by: string;
}

/**
 * The typed numbers of a date as they stand, locked, with who changed each last. Those that are not there yet are made
 * first, in one order, so that two bakers meet at their locks and never wait for each other.
 */
export async function lockOrderLines(
	tx: Tx,
	date: BakeDate,
	keys: readonly Omit<OrderKey, 'date'>[],
	actorId: string
): Promise<readonly LockedOrder[]> {
	const fresh = inOneOrder(keys).map(({ dropId, productId }): EveryColumn<'order_line'> => ({
		bake_date: date,
		drop_id: dropId,
		product_id: productId,
		pieces: null,
		row_version: 0,
		changed_by: actorId
	}));
	await tx
		.insertInto('order_line')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const rows = await tx
		.selectFrom('order_line')
		.innerJoin('bakery_entry as person', 'person.id', 'order_line.changed_by')
		.select(['drop_id', 'product_id', 'pieces', 'order_line.row_version', 'person.name'])
		.where('bake_date', '=', date)
		.where('drop_id', 'in', [...new Set(keys.map(({ dropId }) => dropId))])
		.where('product_id', 'in', [...new Set(keys.map(({ productId }) => productId))])
		.orderBy('drop_id')
		.orderBy('product_id')
		.forUpdate('order_line')
		.execute();
	return rows.map((row) => ({
		dropId: row.drop_id,
		productId: row.product_id,
		pieces: row.pieces,
		version: row.row_version,
		by: row.name
	}));
}

/** The order in which numbers are locked by everybody. */
export function inOneOrder<Key extends Omit<OrderKey, 'date'>>(
	keys: readonly Key[]
): readonly Key[] {
	return [...keys].sort((a, b) => (a.dropId + a.productId < b.dropId + b.productId ? -1 : 1));
}

/** Holds others that copy to the date until this transaction ends: two copies must not meet. */
export async function lockCopyingTo(tx: Tx, date: BakeDate): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext(${'copy-orders ' + date}))`.execute(tx);
}

/**
 * Puts numbers at some pieces, whether they were there or not; each gets its next version. In one order, so that two that
 * write many never wait for each other.
 */
export async function putOrderLines(
	tx: Tx,
	changes: readonly OrderChange[],
	actorId: string
): Promise<void> {
	const rows = inOneOrder(changes).map((change): EveryColumn<'order_line'> => ({
		bake_date: change.date,
		drop_id: change.dropId,
		product_id: change.productId,
		pieces: change.leftToStanding ? null : change.after,
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
		pieces_after: change.after,
		left_to_standing: change.leftToStanding
	}));
	await tx.insertInto('order_change').values(rows).execute();
}

/** Whether an entry is a drop that is in use on a date. */
function isInUse(entryId: RawBuilder<unknown>, date: BakeDate): RawBuilder<boolean> {
	return sql<boolean>`coalesce((select not revision.retired from bakery_entry_revision as revision
		join bakery_entry as entry on entry.id = revision.entry_id and entry.kind = 'drop'
		where revision.entry_id = ${entryId} and revision.applies_from <= ${date}
		order by revision.applies_from desc, revision.number desc limit 1), false)`;
}

/**
 * Which of some drops and products are there to be ordered on a date; all in one query. What is ordered of something that
 * was retired can still be changed, and taken off.
 */
export async function findOrderable(
	db: Db | Tx,
	date: BakeDate,
	keys: readonly Omit<OrderKey, 'date'>[],
	/** On which it may stand ordered. */
	weekdays: readonly number[] = [weekdayOf(date)]
): Promise<{ readonly drops: ReadonlySet<string>; readonly products: ReadonlySet<string> }> {
	const ids = (of: readonly string[]) => sql`${`{${[...new Set(of)].join(',')}}`}::uuid[]`;
	const { rows } = await sql<{ id: string; drop: boolean }>`
		select asked.id, true as drop from unnest(${ids(keys.map(({ dropId }) => dropId))}) as asked (id)
			where ${isInUse(sql.ref('asked.id'), date)}
				or exists (select from order_line where bake_date = ${date} and drop_id = asked.id)
		union all
		select id, false from product
			where id = any (${ids(keys.map(({ productId }) => productId))}) and (retired_at is null
				or exists (select from order_line where bake_date = ${date} and product_id = product.id)
				or exists (select from standing_stretch
					where product_id = product.id and weekday = any (${`{${weekdays.join(',')}}`}::smallint[])))`.execute(
		db
	);
	const found = (drop: boolean) =>
		new Set(rows.filter((row) => row.drop === drop).map((row) => row.id));
	return { drops: found(true), products: found(false) };
}

/** A change of a number, with who made it and when it happened. */
export interface OrderChangeRow {
	readonly id: string;
	readonly dropId: string;
	readonly productId: string;
	readonly before: number;
	readonly after: number;
	readonly leftToStanding: boolean;
	readonly by: string;
	readonly atMs: number;
}

/** The newest changes of a date's numbers. */
export async function loadOrderChanges(
	db: Db | Tx,
	date: BakeDate,
	most: number
): Promise<readonly OrderChangeRow[]> {
	const rows = await db
		.selectFrom('order_change')
		.innerJoin('command', 'command.id', 'order_change.command_id')
		.innerJoin('bakery_entry as person', 'person.id', 'command.actor_id')
		.select([
			'order_change.id',
			'drop_id',
			'product_id',
			'pieces_before',
			'pieces_after',
			'left_to_standing',
			'person.name',
			'command.occurred_at'
		])
		.where('bake_date', '=', date)
		.orderBy('order_change.id', 'desc')
		.limit(most)
		.execute();
	return rows.map((row) => ({
		id: row.id,
		dropId: row.drop_id,
		productId: row.product_id,
		before: row.pieces_before,
		after: row.pieces_after,
		leftToStanding: row.left_to_standing,
		by: row.name,
		atMs: row.occurred_at.getTime()
	}));
}
