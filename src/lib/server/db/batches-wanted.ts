import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** In how many batches a baker wants a preparation of a date, with its version; null for one. */
export interface BatchesWanted {
	readonly batches: number | null;
	readonly version: number;
}

/** What is wanted on a date, by the preparation. */
export async function loadBatchesWanted(
	db: Db | Tx,
	date: string
): Promise<ReadonlyMap<string, BatchesWanted>> {
	const rows = await db
		.selectFrom('batches_wanted')
		.select(['preparation_id', 'batches', 'row_version'])
		.where('bake_date', '=', date)
		.execute();
	return new Map(
		rows.map((row) => [row.preparation_id, { batches: row.batches, version: row.row_version }])
	);
}

/** What is wanted of one preparation as it stands, locked, with who said so. A row that is not there yet is made first. */
export async function lockBatchesWanted(
	tx: Tx,
	{ date, preparationId }: { readonly date: string; readonly preparationId: string },
	actorId: string
): Promise<BatchesWanted & { readonly by: string }> {
	const fresh: EveryColumn<'batches_wanted'> = {
		bake_date: date,
		preparation_id: preparationId,
		batches: null,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('batches_wanted')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const row = await tx
		.selectFrom('batches_wanted')
		.innerJoin('bakery_entry as person', 'person.id', 'batches_wanted.changed_by')
		.select(['batches_wanted.batches', 'batches_wanted.row_version', 'person.name'])
		.where('bake_date', '=', date)
		.where('preparation_id', '=', preparationId)
		.forUpdate('batches_wanted')
		.executeTakeFirstOrThrow();
	return { batches: row.batches, version: row.row_version, by: row.name };
}

export async function updateBatchesWanted(
	tx: Tx,
	{ date, preparationId }: { readonly date: string; readonly preparationId: string },
	to: BatchesWanted & { readonly changedBy: string }
): Promise<void> {
	await tx
		.updateTable('batches_wanted')
		.set({ batches: to.batches, row_version: to.version, changed_by: to.changedBy })
		.where('bake_date', '=', date)
		.where('preparation_id', '=', preparationId)
		.execute();
}
