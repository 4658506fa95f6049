import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { isCultureEntryKnown, strikeCultureEntry } from '../db/cultures.ts';
import { defineCommand } from './define.ts';

/** Says that an entry of a culture did not happen: undo, as an entry of its own. */
export const strikeCulture = defineCommand({
	kind: 'strike-culture',
	lane: 'batches',
	content: z.object({ entryId: uuidSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, entryId, occurredAtMs }) => {
		if (!(await isCultureEntryKnown(tx, entryId))) return fail({ kind: 'unknown', what: 'entry' });
		await strikeCultureEntry(tx, entryId, { commandId: id, occurredAtMs });
		return ok({ entryId });
	}
});
