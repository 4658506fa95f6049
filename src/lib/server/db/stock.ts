import { sql } from 'kysely';
import type { BatchId, IngredientId } from '../../core/identity.ts';
import { id } from '../../core/identity.ts';
import type { StockSince } from '../../core/stock/index.ts';
import type { Db, Tx } from './client.ts';
import type { StockEntryKind } from './stock-tables.ts';
import type { EveryColumn } from './tables.ts';

/** What was counted of an ingredient and what came and went since, with how it is kept. */
export interface StockRow extends StockSince {
	readonly ingredientId: IngredientId;
	readonly countedAtMs: number | null;
	/** The newest that was told, by a delivery or at the scale; empty where none was. */
	readonly lot: string;
	/** The one that was told at the scale since the last delivery; empty where it has to be asked again. */
	readonly lotAtScale: string;
	readonly supplierId: string | null;
	readonly packGrams: number | null;
	readonly leastGrams: number;
	readonly keepingVersion: number;
}

/** The stock of every ingredient in the book; what lies before the last count of each is not read. */
export async function loadStock(db: Db | Tx): Promise<readonly StockRow[]> {
	const { rows } = await sql<{
		ingredient_id: string;
		counted_g: number | null;
		counted_at: Date | null;
		received_g: number;
		taken_out_g: number;
		used_g: number;
		lot: string | null;
		lot_at_scale: string | null;
		supplier_id: string | null;
		pack_g: number | null;
		least_g: number | null;
		row_version: number | null;
	}>`
		select i.id as ingredient_id, c.amount_g as counted_g, c.occurred_at as counted_at,
			coalesce((select sum(e.amount_g) from stock_entry e where e.ingredient_id = i.id
				and e.kind = 'received' and e.occurred_at > c.occurred_at), 0) as received_g,
			coalesce((select sum(e.amount_g) from stock_entry e where e.ingredient_id = i.id
				and e.kind = 'taken-out' and e.occurred_at > c.occurred_at), 0) as taken_out_g,
			coalesce((select sum(u.amount_g) from stock_use u where u.ingredient_id = i.id
				and u.occurred_at > c.occurred_at), 0)
				+ coalesce((select sum(f.amount_g) from culture_feed_flour f where f.flour_id = i.id
				and f.occurred_at > c.occurred_at
				and not exists (select 1 from culture_struck s where s.entry_id = f.entry_id)), 0) as used_g,
			(select told.lot from (
				(select e.lot, e.occurred_at from stock_entry e where e.ingredient_id = i.id and e.kind = 'received'
					order by e.occurred_at desc limit 1)
				union all
				(select w.lot, w.occurred_at from weighing w where w.ingredient_id = i.id and w.lot <> ''
					order by w.occurred_at desc limit 1)
			) told order by told.occurred_at desc limit 1) as lot,
			(select w.lot from weighing w where w.ingredient_id = i.id and w.lot <> ''
				and not exists (select 1 from stock_entry e where e.ingredient_id = i.id and e.kind = 'received'
					and e.occurred_at > w.occurred_at)
				order by w.occurred_at desc limit 1) as lot_at_scale,
			k.supplier_id, k.pack_g, k.least_g, k.row_version
		from ingredient i
		left join lateral (select amount_g, occurred_at from stock_entry e
			where e.ingredient_id = i.id and e.kind = 'counted' order by occurred_at desc, recorded_at desc limit 1) c on true
		left join stock_keeping k on k.ingredient_id = i.id
		where i.retired_at is null`.execute(db);
	return rows.map((row) => ({
		ingredientId: id<IngredientId>(row.ingredient_id),
		countedGrams: row.counted_g,
		countedAtMs: row.counted_at?.getTime() ?? null,
		receivedGrams: row.received_g,
		takenOutGrams: row.taken_out_g,
		usedGrams: row.used_g,
		lot: row.lot ?? '',
		lotAtScale: row.lot_at_scale ?? '',
		supplierId: row.supplier_id,
		packGrams: row.pack_g,
		leastGrams: row.least_g ?? 0,
		keepingVersion: row.row_version ?? 0
	}));
}

/** Writes down what was counted, received or taken out. */
export async function insertStockEntry(
	tx: Tx,
	entry: {
		readonly id: string;
		readonly ingredientId: string;
		readonly kind: StockEntryKind;
		readonly grams: number;
		readonly lot: string;
		readonly note: string;
		readonly commandId: string;
		readonly occurredAtMs: number;
	}
): Promise<void> {
	const row: EveryColumn<'stock_entry'> = {
		id: entry.id,
		ingredient_id: entry.ingredientId,
		kind: entry.kind,
		amount_g: entry.grams,
		lot: entry.lot,
		note: entry.note,
		command_id: entry.commandId,
		occurred_at: new Date(entry.occurredAtMs)
	};
	await tx.insertInto('stock_entry').values(row).execute();
}

/** Books what went into a batch; it is booked once. */
export async function insertStockUses(
	tx: Tx,
	batchId: BatchId,
	uses: ReadonlyMap<IngredientId, number>,
	occurredAtMs: number
): Promise<void> {
	if (uses.size === 0) return;
	const rows = [...uses].map(([ingredientId, grams]): EveryColumn<'stock_use'> => ({
		batch_id: batchId,
		ingredient_id: ingredientId,
		amount_g: grams,
		occurred_at: new Date(occurredAtMs)
	}));
	await tx
		.insertInto('stock_use')
		.values(rows)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}

/** How an ingredient is kept as it stands, locked, with who said so. A row that is not there yet is made first. */
export async function lockKeeping(
	tx: Tx,
	ingredientId: string,
	actorId: string
): Promise<{ readonly version: number }> {
	const fresh: EveryColumn<'stock_keeping'> = {
		ingredient_id: ingredientId,
		supplier_id: null,
		pack_g: null,
		least_g: 0,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('stock_keeping')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const row = await tx
		.selectFrom('stock_keeping')
		.select('row_version')
		.where('ingredient_id', '=', ingredientId)
		.forUpdate()
		.executeTakeFirstOrThrow();
	return { version: row.row_version };
}

export async function updateKeeping(
	tx: Tx,
	ingredientId: string,
	to: {
		readonly supplierId: string | null;
		readonly packGrams: number | null;
		readonly leastGrams: number;
		readonly version: number;
		readonly changedBy: string;
	}
): Promise<void> {
	await tx
		.updateTable('stock_keeping')
		.set({
			supplier_id: to.supplierId,
			pack_g: to.packGrams,
			least_g: to.leastGrams,
			row_version: to.version,
			changed_by: to.changedBy
		})
		.where('ingredient_id', '=', ingredientId)
		.execute();
}
