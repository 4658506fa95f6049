import type { BatchId } from '../../core/identity.ts';
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
