import { randomUUID } from 'node:crypto';
import type { BatchId } from '../../core/identity.ts';
import { recipeIdOf, findBatch, setBatchStates } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { findMixOf, isEnded, mixedAtMs } from '../db/batch-log-standing.ts';
import type { Tx } from '../db/client.ts';

/** Says that the dough of a portion stands in its tub no longer, where it was measured and nobody said so yet. */
export async function endBulkOf(
	tx: Tx,
	portionId: BatchId,
	{ commandId, occurredAtMs }: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const mixId = await findMixOf(tx, portionId);
	const mix = mixId === null ? null : await findBatch(tx, mixId);
	if (!mix || mix.state === 'withdrawn' || (await isEnded(tx, mix.id))) return;
	const outMs = await mixedAtMs(tx, mix.id);
	if (outMs === null || occurredAtMs <= outMs) return;
	await insertEntry(tx, {
		id: randomUUID(),
		batchId: mix.id,
		recipeId: recipeIdOf(mix),
		commandId,
		correctsId: null,
		occurredAtMs,
		detail: { kind: 'ended' }
	});
	await setBatchStates(tx, [mix.id], 'ended');
}
