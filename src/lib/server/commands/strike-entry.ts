import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { setBatchStates } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { findStandingEntry, isEnded } from '../db/batch-log-standing.ts';
import { defineCommand } from './define.ts';

/**
 * Says that something that was written down did not happen: undo, as an entry of its own. The struck entry stays
 * in the log and counts no more.
 */
export const strikeEntry = defineCommand({
	kind: 'strike-entry',
	lane: 'batches',
	content: z.object({ entryId: uuidSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, entryId, occurredAtMs }) => {
		const entry = await findStandingEntry(tx, entryId);
		if (!entry) return fail({ kind: 'unknown', what: 'entry' });
		await insertEntry(tx, {
			id,
			batchId: entry.batchId,
			recipeId: entry.recipeId,
			commandId: id,
			correctsId: entryId,
			occurredAtMs,
			detail: { kind: 'struck' }
		});
		const ended = await isEnded(tx, entry.batchId);
		await setBatchStates(tx, [entry.batchId], ended ? 'ended' : 'begun');
		return ok({ entryId });
	}
});
