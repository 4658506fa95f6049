import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { portionSchema, resultToldSchema } from '../../contracts/results.ts';
import { fail, ok } from '../../core/result.ts';
import { lockBatchesOn } from '../db/batches.ts';
import { loadEntries } from '../db/entries.ts';
import { everyDrop } from '../db/of-entries.ts';
import { findPortion, insertResult } from '../db/results.ts';
import { touchBatch } from '../services/touch-batch.ts';
import { defineCommand } from './define.ts';

/**
 * Writes down what came out of a portion: what was counted, weighed, scored or found wrong, and what is done about a short count. What is
 * counted was made: its mix stands from then on.
 */
export const tellResult = defineCommand({
	kind: 'tell-result',
	lane: 'batches',
	content: z.object({
		date: bakeDateSchema,
		portion: portionSchema,
		told: resultToldSchema
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, date, portion, told, occurredAtMs }) => {
		await lockBatchesOn(tx, date);
		const batchId = await findPortion(tx, date, portion);
		if (batchId === null) return fail({ kind: 'unknown', what: 'portion' });
		if (told.kind === 'less') {
			const drops = everyDrop(await loadEntries(tx, date, ['drop']));
			if (!drops.some((drop) => drop.id === told.dropId))
				return fail({ kind: 'unknown', what: 'drop' });
		}
		const at = { commandId: id, occurredAtMs };
		await touchBatch(tx, batchId, at);
		await insertResult(tx, { id, date, batchId, told, ...at });
		return ok({ entryId: id });
	}
});
