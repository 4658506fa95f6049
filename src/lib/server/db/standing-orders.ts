import { sql } from 'kysely';
import type { StandingOrder, StandingStretch } from '../../core/production/index.ts';
import { weekdayOf, type BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** Stretches that end on a date or after it; those that are over are passed by. */
const endsFrom = (date: BakeDate) =>
	sql<boolean>`coalesce(until_date, 'infinity'::date) >= ${date}`;

/** What the standing orders ask for on a date; what is retired goes on where it is ordered. */
export async function loadStandingOn(
	db: Db | Tx,
	date: BakeDate
): Promise<readonly StandingOrder[]> {
	const rows = await db
		.selectFrom('standing_stretch')
		.select(['drop_id', 'product_id', 'pieces'])
		.where('weekday', '=', weekdayOf(date))
		.where(endsFrom(date))
		.where('from_date', '<=', date)
		.orderBy('drop_id')
		.orderBy('product_id')
		.execute();
	return rows.map((row) => ({
		dropId: row.drop_id,
		productId: row.product_id,
		pieces: row.pieces
	}));
}

/** A stretch of the standing order of one product for one drop on one weekday. */
export interface StandingRow extends StandingStretch {
	readonly dropId: string;
	readonly productId: string;
	readonly weekday: number;
}

/** Every stretch that is in force on a date or after it. */
export async function loadStandingFrom(
	db: Db | Tx,
	date: BakeDate
): Promise<readonly StandingRow[]> {
	const rows = await db
		.selectFrom('standing_stretch')
		.selectAll()
		.where(endsFrom(date))
		.orderBy('from_date')
		.orderBy('weekday')
		.orderBy('drop_id')
		.orderBy('product_id')
		.execute();
	return rows.map(rowOf);
}

/** How often each standing order was changed. */
export async function loadStandingVersions(
	db: Db | Tx
): Promise<readonly (StandingKey & { readonly version: number })[]> {
	const rows = await db
		.selectFrom('standing_order')
		.select(['drop_id', 'product_id', 'row_version'])
		.orderBy('drop_id')
		.orderBy('product_id')
		.execute();
	return rows.map((row) => ({
		dropId: row.drop_id,
		productId: row.product_id,
		version: row.row_version
	}));
}

/** Which standing order: of one product for one drop. */
export interface StandingKey {
	readonly dropId: string;
	readonly productId: string;
}

/** A standing order as it stands, locked, with who changed it last. One that is not there yet is made first. */
export async function lockStanding(
	tx: Tx,
	{ dropId, productId }: StandingKey,
	actorId: string
): Promise<{ readonly version: number; readonly by: string }> {
	const fresh: EveryColumn<'standing_order'> = {
		drop_id: dropId,
		product_id: productId,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('standing_order')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const row = await tx
		.selectFrom('standing_order')
		.innerJoin('bakery_entry as person', 'person.id', 'standing_order.changed_by')
		.select(['standing_order.row_version', 'person.name'])
		.where('drop_id', '=', dropId)
		.where('product_id', '=', productId)
		.forUpdate('standing_order')
		.executeTakeFirstOrThrow();
	return { version: row.row_version, by: row.name };
}

export async function updateStandingVersion(
	tx: Tx,
	{ dropId, productId }: StandingKey,
	to: { readonly version: number; readonly changedBy: string }
): Promise<void> {
	await tx
		.updateTable('standing_order')
		.set({ row_version: to.version, changed_by: to.changedBy })
		.where('drop_id', '=', dropId)
		.where('product_id', '=', productId)
		.execute();
}

/** The stretches of some standing orders that end on a date or after it. */
export async function loadStretchesOf(
	tx: Tx,
	keys: readonly StandingKey[],
	from: BakeDate
): Promise<readonly StandingRow[]> {
	const rows = await tx
		.selectFrom('standing_stretch')
		.selectAll()
		.where('drop_id', 'in', [...new Set(keys.map(({ dropId }) => dropId))])
		.where('product_id', 'in', [...new Set(keys.map(({ productId }) => productId))])
		.where(endsFrom(from))
		.orderBy('from_date')
		.execute();
	return rows.map(rowOf);
}

/** Puts stretches in the place of others of the same standing orders. */
export async function replaceStretches(
	tx: Tx,
	before: readonly StandingRow[],
	after: readonly StandingRow[]
): Promise<void> {
	for (const { dropId, productId, weekday, fromDate } of before)
		await tx
			.deleteFrom('standing_stretch')
			.where('drop_id', '=', dropId)
			.where('product_id', '=', productId)
			.where('weekday', '=', weekday)
			.where('from_date', '=', fromDate)
			.execute();
	if (after.length === 0) return;
	await tx
		.insertInto('standing_stretch')
		.values(
			after.map((row): EveryColumn<'standing_stretch'> => ({
				drop_id: row.dropId,
				product_id: row.productId,
				weekday: row.weekday,
				from_date: row.fromDate,
				until_date: row.untilDate,
				pieces: row.pieces
			}))
		)
		.execute();
}

/** Writes down what was said of standing orders, and what stood before that. */
export async function insertStandingChanges(
	tx: Tx,
	changes: readonly StandingRow[],
	commandId: string,
	before: readonly StandingRow[] = []
): Promise<void> {
	const asRow = (row: StandingRow) => ({
		command_id: commandId,
		drop_id: row.dropId,
		product_id: row.productId,
		weekday: row.weekday,
		from_date: row.fromDate,
		until_date: row.untilDate,
		pieces: row.pieces
	});
	const said = changes.map((change): EveryColumn<'standing_change'> => asRow(change));
	await tx.insertInto('standing_change').values(said).execute();
	const stood = before.map((row): EveryColumn<'standing_before'> => asRow(row));
	if (stood.length > 0) await tx.insertInto('standing_before').values(stood).execute();
}

/** What one command said of standing orders, and what stood before it. */
export async function loadStandingChange(
	tx: Tx,
	commandId: string
): Promise<{ readonly said: readonly StandingRow[]; readonly before: readonly StandingRow[] }> {
	const [said, before] = await Promise.all(
		(['standing_change', 'standing_before'] as const).map((table) =>
			tx
				.selectFrom(table)
				.select(['drop_id', 'product_id', 'weekday', 'from_date', 'until_date', 'pieces'])
				.where('command_id', '=', commandId)
				.execute()
		)
	);
	return { said: (said ?? []).map(rowOf), before: (before ?? []).map(rowOf) };
}

function rowOf(row: {
	readonly drop_id: string;
	readonly product_id: string;
	readonly weekday: number;
	readonly from_date: string;
	readonly until_date: string | null;
	readonly pieces: number;
}): StandingRow {
	return {
		dropId: row.drop_id,
		productId: row.product_id,
		weekday: row.weekday,
		fromDate: row.from_date as BakeDate,
		untilDate: row.until_date as BakeDate | null,
		pieces: row.pieces
	};
}
