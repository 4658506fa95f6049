import type { BatchName } from '../../contracts/batch-name.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import type { RipeningDoughView } from '../../contracts/ripening-views.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { findBatch, type Batch } from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import { isBegun, loadBakeryDay, type BakeryDay } from './day-production.ts';
import { loadRipeningDoughs } from './ripening-of-day.ts';

export interface MixedBatch {
	readonly batch: Batch;
	readonly day: BakeryDay;
	/** Everything of the date that is followed. */
	readonly all: readonly RipeningDoughView[];
	readonly dough: RipeningDoughView & { readonly mixed: NonNullable<RipeningDoughView['mixed']> };
}

/** Finds a dough that came out of the mixer before a moment; refuses what is not there or not mixed yet. */
export async function findMixedBatch(
	tx: Tx,
	name: BatchName,
	occurredAtMs: number
): Promise<Result<MixedBatch, RefusalOf<'unknown' | 'not-mixed-yet' | 'before-the-mix'>>> {
	const named = name.kind === 'made' ? await findBatch(tx, name.batchId) : null;
	const date = name.kind === 'made' ? named?.date : name.date;
	if (date === undefined) return fail({ kind: 'unknown', what: 'dough' });
	const day = await loadBakeryDay(tx, date as BakeDate);
	const all = await loadRipeningDoughs(tx, day);
	const dough = all.find((dough) => isNamed(dough, name));
	if (!dough) return fail({ kind: 'unknown', what: 'dough' });
	const { mixed } = dough;
	const batch =
		dough.batch.kind === 'made'
			? (day.batches.find(
					(batch) => dough.batch.kind === 'made' && batch.id === dough.batch.batchId
				) ?? null)
			: null;
	if (!mixed || !batch || !isBegun(batch)) return fail({ kind: 'not-mixed-yet', name: dough.name });
	if (occurredAtMs < mixed.atMs) return fail({ kind: 'before-the-mix', name: dough.name });
	return ok({ batch, day, all, dough: { ...dough, mixed } });
}

/** A place that was planned when the page was read may have been begun since. */
function isNamed(dough: RipeningDoughView, name: BatchName): boolean {
	switch (name.kind) {
		case 'made':
			return dough.batch.kind === 'made' && dough.batch.batchId === name.batchId;
		case 'planned-mix':
			return (
				dough.kind === 'mix' && dough.recipeId === name.formulaId && dough.ordinal === name.ordinal
			);
		case 'planned-preparation':
			return dough.recipeId === name.preparationId && dough.ordinal === name.ordinal;
	}
}
