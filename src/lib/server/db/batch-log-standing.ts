import { sql } from 'kysely';
import { id, type BatchId, type FormulaId, type PreparationId } from '../../core/identity.ts';
import { STANDS } from './batch-log.ts';
import type { Db, Tx } from './client.ts';
import type { BatchEventKind } from './tables.ts';

/** An entry that was neither corrected nor struck, locked; null where there is none. */
export async function findStandingEntry(
	tx: Tx,
	entryId: string
): Promise<{ readonly batchId: BatchId; readonly recipeId: string } | null> {
	const { rows } = await sql<{ batch_id: string; recipe_id: string }>`
		select one.batch_id, one.recipe_id from batch_event one
		where one.id = ${entryId} and ${STANDS} for update of one`.execute(tx);
	const [row] = rows;
	return row ? { batchId: id<BatchId>(row.batch_id), recipeId: row.recipe_id } : null;
}

/** Whether the wait of a batch is over, by the last that was written of where it is. */
export async function isEnded(db: Db | Tx, batchId: BatchId): Promise<boolean> {
	const { rows } = await sql<{ kind: BatchEventKind }>`
		select one.kind from batch_event one
		where one.batch_id = ${batchId} and one.kind in ('moved', 'ended') and ${STANDS}
		order by one.occurred_at desc, one.recorded_at desc limit 1`.execute(db);
	return rows[0]?.kind === 'ended';
}

/** What of the log a command wrote that stands. */
export async function findEntriesOfCommand(
	tx: Tx,
	commandId: string
): Promise<
	readonly { readonly id: string; readonly batchId: BatchId; readonly recipeId: string }[]
> {
	const { rows } = await sql<{ id: string; batch_id: string; recipe_id: string }>`
		select one.id, one.batch_id, one.recipe_id from batch_event one
		where one.command_id = ${commandId} and ${STANDS} for update of one`.execute(tx);
	return rows.map((row) => ({
		id: row.id,
		batchId: id<BatchId>(row.batch_id),
		recipeId: row.recipe_id
	}));
}

/** When a batch came out of the mixer; null until it was measured. */
export async function mixedAtMs(db: Db | Tx, batchId: BatchId): Promise<number | null> {
	const { rows } = await sql<{ occurred_at: Date }>`
		select one.occurred_at from batch_event one
		where one.batch_id = ${batchId} and one.kind = 'measured' and ${STANDS}
		order by one.occurred_at desc, one.recorded_at desc limit 1`.execute(db);
	return rows[0]?.occurred_at.getTime() ?? null;
}

/** A mix or a pre-ferment that came out of its bowl. */
export type MixedRow = { readonly ordinal: number; readonly atMs: number } & (
	| { readonly formulaId: FormulaId; readonly preparationId: null }
	| { readonly formulaId: null; readonly preparationId: PreparationId }
);

/** When each mix and pre-ferment of a date was measured out of its bowl. */
export async function loadMixedOn(db: Db | Tx, date: string): Promise<readonly MixedRow[]> {
	const { rows } = await sql<{
		formula_id: string | null;
		preparation_id: string | null;
		ordinal: number;
		at: Date;
	}>`
		select b.formula_id, b.preparation_id, b.ordinal, max(one.occurred_at) as at
		from batch b join batch_event one on one.batch_id = b.id
		where b.bake_date = ${date} and b.state <> 'withdrawn' and one.kind = 'measured' and ${STANDS}
			and (b.formula_id is not null or b.preparation_id is not null)
		group by b.id
		order by max(one.occurred_at), b.recipe_id, b.ordinal`.execute(db);
	return rows.flatMap(({ formula_id, preparation_id, ordinal, at }): readonly MixedRow[] => {
		const atMs = at.getTime();
		if (formula_id !== null)
			return [{ formulaId: id<FormulaId>(formula_id), preparationId: null, ordinal, atMs }];
		return preparation_id === null
			? []
			: [{ formulaId: null, preparationId: id<PreparationId>(preparation_id), ordinal, atMs }];
	});
}
