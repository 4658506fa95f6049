import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { taskOfWork } from '../../core/bench/index.ts';
import { fail, ok } from '../../core/result.ts';
import { setBatchStates } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { findEntriesOfCommand, isEnded } from '../db/batch-log-standing.ts';
import { findWorkOfEntry, strikeWorkEntry } from '../db/work.ts';
import { bookTimes } from '../services/book-times.ts';
import { defineCommand } from './define.ts';

/** Says that something that was tapped did not happen, and what was written with it neither: undo, as an entry of its own. */
export const strikeWork = defineCommand({
	kind: 'strike-work',
	lane: 'batches',
	content: z.object({ entryId: uuidSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, entryId, occurredAtMs }, actor) => {
		const found = await findWorkOfEntry(tx, entryId);
		if (!found) return fail({ kind: 'unknown', what: 'entry' });
		await strikeWorkEntry(tx, entryId, { commandId: id, occurredAtMs });
		const taskId = taskOfWork(found.work);
		if (taskId !== null) await bookTimes(tx, found.date, taskId, actor.id);
		// An entry has the id of its command.
		for (const written of await findEntriesOfCommand(tx, entryId)) {
			await insertEntry(tx, {
				id: randomUUID(),
				batchId: written.batchId,
				recipeId: written.recipeId,
				commandId: id,
				correctsId: written.id,
				occurredAtMs,
				detail: { kind: 'struck' }
			});
			const ended = await isEnded(tx, written.batchId);
			await setBatchStates(tx, [written.batchId], ended ? 'ended' : 'begun');
		}
		return ok({ entryId });
	}
});
