import { randomUUID } from 'node:crypto';
import { recipeIdOf, setBatchStates, type Batch } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { isEnded, mixedAtMs } from '../db/batch-log-standing.ts';
import type { Tx } from '../db/client.ts';

/** Says that a dough stands in its tub no longer, where it was measured and nobody said so yet. */
export async function endBulkOf(
	tx: Tx,
	mix: Batch,
	{ commandId, occurredAtMs }: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	if (await isEnded(tx, mix.id)) return;
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
