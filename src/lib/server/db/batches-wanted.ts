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

/**
 * Writes in how many batches one is wanted, where it stands at the version that was seen; gives who changed it before, and
 * to what, where it does not.
 */
export async function putBatchesWanted(
	tx: Tx,
	key: { readonly date: string; readonly preparationId: string },
	to: BatchesWanted & { readonly changedBy: string }
): Promise<(BatchesWanted & { readonly by: string }) | null> {
	const { batches, version, changedBy } = to;
	const row: EveryColumn<'batches_wanted'> = {
		bake_date: key.date,
		preparation_id: key.preparationId,
		batches,
		row_version: version + 1,
		changed_by: changedBy
	};
	const put =
		version === 0
			? await tx
					.insertInto('batches_wanted')
					.values(row)
					.onConflict((conflict) => conflict.doNothing())
					.returning('row_version')
					.executeTakeFirst()
			: await tx
					.updateTable('batches_wanted')
					.set({ batches, row_version: version + 1, changed_by: changedBy })
					.where('bake_date', '=', key.date)
					.where('preparation_id', '=', key.preparationId)
					.where('row_version', '=', version)
					.returning('row_version')
					.executeTakeFirst();
	if (put) return null;
	const there = await tx
		.selectFrom('batches_wanted')
		.innerJoin('bakery_entry as person', 'person.id', 'batches_wanted.changed_by')
		.select(['batches_wanted.batches', 'batches_wanted.row_version', 'person.name'])
		.where('bake_date', '=', key.date)
		.where('preparation_id', '=', key.preparationId)
		.executeTakeFirst();
	return {
		batches: there?.batches ?? null,
		version: there?.row_version ?? 0,
		by: there?.name ?? ''
	};
}
