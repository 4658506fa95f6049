import { sql } from 'kysely';
import { id, type BatchId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';
import type { WeighedHow } from './weighing-tables.ts';

/** A weight that went into a batch. */
export interface WeighingRow {
	readonly id: string;
	readonly ingredientId: string | null;
	readonly preparationId: string | null;
	readonly addition: string;
	readonly grams: number;
	readonly how: WeighedHow;
	readonly closeEnough: boolean;
	readonly lot: string;
	readonly by: string;
	readonly atMs: number;
}

/** What went into a batch, in the order in which it did; what was struck is left out. */
export async function loadWeighings(
	db: Db | Tx,
	batchId: BatchId
): Promise<readonly WeighingRow[]> {
	const rows = await db
		.selectFrom('weighing')
		.innerJoin('command', 'command.id', 'weighing.command_id')
		.innerJoin('bakery_entry as person', 'person.id', 'command.actor_id')
		.leftJoin('weighing_struck as struck', 'struck.weighing_id', 'weighing.id')
		.select([
			'weighing.id',
			'ingredient_id',
			'preparation_id',
			'addition',
			'weighed_g',
			'how',
			'close_enough',
			'lot',
			'person.name',
			'weighing.occurred_at'
		])
		.where('batch_id', '=', batchId)
		.where('struck.weighing_id', 'is', null)
		.orderBy('weighing.occurred_at')
		.orderBy('weighing.recorded_at')
		.orderBy('weighing.id')
		.execute();
	return rows.map((row) => ({
		id: row.id,
		ingredientId: row.ingredient_id,
		preparationId: row.preparation_id,
		addition: row.addition,
		grams: row.weighed_g,
		how: row.how,
		closeEnough: row.close_enough,
		lot: row.lot,
		by: row.name,
		atMs: row.occurred_at.getTime()
	}));
}

/** What was weighed of salt, water and yeast into some batches, of what was wanted; and whether their flour was of a lot new to the house. */
export interface WeighedFacts {
	readonly batchId: BatchId;
	readonly saltShare: number | null;
	readonly waterShare: number | null;
	readonly yeastShare: number | null;
	readonly newFlourLot: boolean | null;
}

/** A lot that no batch had for so many days is new (our default). */
const NEW_LOT_DAYS = 21;

/** Those of some batches that were weighed at all; what was struck is left out. */
export async function loadWeighedFacts(
	db: Db | Tx,
	batchIds: readonly BatchId[]
): Promise<readonly WeighedFacts[]> {
	const { rows } = await sql<{
		batch_id: string;
		salt: number | null;
		water: number | null;
		yeast: number | null;
		new_lot: boolean | null;
	}>`
		with weighed as (
			select w.batch_id, w.ingredient_id, w.weighed_g, w.wanted_g, w.lot, w.occurred_at, r.kind from weighing w
			join lateral (select kind from ingredient_revision r where r.ingredient_id = w.ingredient_id
				order by r.number desc limit 1) r on true
			where w.batch_id = any(${sql.val([...batchIds])}::uuid[])
				and not exists (select 1 from weighing_struck s where s.weighing_id = w.id)
		), shares as (
			select batch_id, kind, sum(weighed_g) / nullif(sum(wanted_g), 0) as share from weighed group by batch_id, kind
		)
		select batch_id,
			(select share from shares s where s.batch_id = weighed.batch_id and kind = 'salt') as salt,
			(select share from shares s where s.batch_id = weighed.batch_id and kind = 'water') as water,
			(select share from shares s where s.batch_id = weighed.batch_id and kind = 'yeast') as yeast,
			bool_or(not exists (select 1 from weighing before where before.ingredient_id = weighed.ingredient_id
				and before.lot = weighed.lot and before.occurred_at < weighed.occurred_at - interval '12 hours'
				and before.occurred_at > weighed.occurred_at - ${`${NEW_LOT_DAYS} days`}::interval))
				filter (where kind = 'flour' and lot <> '') as new_lot
		from weighed group by batch_id`.execute(db);
	return rows.map((row) => ({
		batchId: id<BatchId>(row.batch_id),
		saltShare: row.salt,
		waterShare: row.water,
		yeastShare: row.yeast,
		newFlourLot: row.new_lot
	}));
}

/** Water is learned from this many of the newest mixes of a formula. */
const NEWEST_MIXES = 40;

/** What the newest mixes of a formula took of their water; what was struck is left out. One query, whatever the history. */
export async function loadWaterOfMixes(
	db: Db | Tx,
	formulaId: string | null
): Promise<readonly { readonly id: string; readonly share: number }[]> {
	if (formulaId === null) return [];
	const { rows } = await sql<{ id: string; share: number }>`
		select mix.id, sum(w.weighed_g) / sum(w.wanted_g) as share
		from (select id from batch where recipe_id = ${formulaId} and kind = 'mix' and state <> 'withdrawn'
			order by bake_date desc, id limit ${NEWEST_MIXES}) mix
		join weighing w on w.batch_id = mix.id and w.wanted_g > 0
		join lateral (select kind from ingredient_revision r where r.ingredient_id = w.ingredient_id
			order by r.number desc limit 1) r on r.kind = 'water'
		where not exists (select 1 from weighing_struck s where s.weighing_id = w.id)
		group by mix.id order by mix.id`.execute(db);
	return rows;
}

export async function insertWeighing(tx: Tx, row: EveryColumn<'weighing'>): Promise<void> {
	await tx.insertInto('weighing').values(row).execute();
}

/** The batch of a weight that went in; null where there is no such weight. */
export async function findWeighing(
	tx: Tx,
	weighingId: string
): Promise<{ readonly batchId: string } | null> {
	const row = await tx
		.selectFrom('weighing')
		.select('batch_id')
		.where('id', '=', weighingId)
		.executeTakeFirst();
	return row ? { batchId: row.batch_id } : null;
}

/** Says that a weight did not go in; said twice, it is said once. */
export async function strikeWeighing(
	tx: Tx,
	weighingId: string,
	by: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const row: EveryColumn<'weighing_struck'> = {
		weighing_id: weighingId,
		command_id: by.commandId,
		occurred_at: new Date(by.occurredAtMs)
	};
	await tx
		.insertInto('weighing_struck')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}
