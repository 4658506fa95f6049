import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { ok } from '../../core/result.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { recipeIdOf, setBatchStates } from '../db/batches.ts';
import { findMixedBatch } from '../services/mixed-batch.ts';
import { defineCommand } from './define.ts';

/** Says that something is not where it waited any more, without a look at it. */
export const endDough = defineCommand({
	kind: 'end-dough',
	lane: 'batches',
	content: z.object({ batch: batchNameSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'not-mixed-yet', 'before-the-mix'],
	handle: async (tx, { id, batch: name, occurredAtMs }) => {
		const found = await findMixedBatch(tx, name, occurredAtMs);
		if (!found.ok) return found;
		const { batch } = found.value;
		await insertEntry(tx, {
			id,
			batchId: batch.id,
			recipeId: recipeIdOf(batch),
			commandId: id,
			correctsId: null,
			occurredAtMs,
			detail: { kind: 'ended' }
		});
		await setBatchStates(tx, [batch.id], 'ended');
		return ok({ entryId: id });
	}
});
