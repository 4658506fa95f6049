import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { findWeighing, strikeWeighing as strike } from '../db/weighings.ts';
import { defineCommand } from './define.ts';

/** Says that a weight did not go into the bowl: undo, as an entry of its own. */
export const strikeWeighing = defineCommand({
	kind: 'strike-weighing',
	lane: 'batches',
	content: z.object({ weighingId: uuidSchema }),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, weighingId, occurredAtMs }) => {
		if (!(await findWeighing(tx, weighingId))) return fail({ kind: 'unknown', what: 'entry' });
		await strike(tx, weighingId, { commandId: id, occurredAtMs });
		return ok({ weighingId });
	}
});
