import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { isResultKnown, strikeResult } from '../db/results.ts';
import { defineCommand } from './define.ts';

/** Says that something told of a portion is not so: undo, as an entry of its own. */
export const strikeResultOf = defineCommand({
	kind: 'strike-result',
	lane: 'batches',
	content: z.object({ entryId: uuidSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, entryId, occurredAtMs }) => {
		if (!(await isResultKnown(tx, entryId))) return fail({ kind: 'unknown', what: 'entry' });
		await strikeResult(tx, entryId, { commandId: id, occurredAtMs });
		return ok({ entryId });
	}
});
