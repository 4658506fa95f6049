import { resolveAlone, resolveFormula, type Pantry } from '../../core/formula/index.ts';
import type { BatchId } from '../../core/identity.ts';
import type { MadeMix, MadePreparation, ProductionInput } from '../../core/production/index.ts';
import type { Batch, Parentage } from '../db/batches.ts';
import type { PinnedFormula } from '../db/formulas.ts';
import type { PinnedPreparation } from '../db/preparations.ts';

/** The revisions that begun batches are pinned to. */
export interface Pinned {
	readonly formulas: ReadonlyMap<string, PinnedFormula>;
	readonly preparations: ReadonlyMap<string, PinnedPreparation>;
	readonly pantries: ReadonlyMap<string, Pantry>;
}

/** What was begun, as the production needs it. What earlier versions wrote without a mass is only planned. */
export function madeOf(
	begun: readonly Batch[],
	batches: readonly Batch[],
	parents: readonly Parentage[],
	pinned: Pinned,
	/** Of which portions how many are made again. */
	again: ReadonlyMap<BatchId, number>
): ProductionInput['made'] {
	const byId = new Map(batches.map((batch) => [batch.id, batch]));
	const portionsOf = (mixId: BatchId) =>
		parents
			.filter((parent) => parent.parentId === mixId)
			.flatMap((parent) => {
				const child = byId.get(parent.batchId);
				return child?.kind === 'portion' ? [child] : [];
			});
	const mixes = begun.flatMap((batch): MadeMix[] => {
		const formula = pinned.formulas.get(batch.revisionId);
		const pantry = pinned.pantries.get(batch.revisionId);
		if (batch.kind !== 'mix' || batch.grams === null || !formula || !pantry) return [];
		const resolved = resolveFormula(formula.formula, pantry);
		if (!resolved.ok) return [];
		return [
			{
				batchId: batch.id,
				ordinal: batch.ordinal,
				resolved: resolved.value,
				dough: { grams: batch.grams },
				portions: portionsOf(batch.id).map(({ productId, pieces }) => ({ productId, pieces })),
				again: portionsOf(batch.id).flatMap(({ id, productId }) => {
					const pieces = again.get(id) ?? 0;
					return pieces > 0 ? [{ productId, pieces }] : [];
				})
			}
		];
	});
	const preparations = begun.flatMap((batch): MadePreparation[] => {
		const preparation = pinned.preparations.get(batch.revisionId);
		const pantry = pinned.pantries.get(batch.revisionId);
		if (batch.grams === null || !preparation || !pantry) return [];
		const stage = resolveAlone(preparation.preparation, pantry);
		if (!stage.ok) return [];
		return [
			{
				batchId: batch.id,
				ordinal: batch.ordinal,
				stage: stage.value,
				gross: { grams: batch.grams }
			}
		];
	});
	return { mixes, preparations };
}
