import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { hasTimes, putTimesReset } from '../db/work-timed.ts';
import { defineCommand } from './define.ts';

/** Lets the times of a recipe be learned anew: what was timed before no longer counts. */
export const resetTimes = defineCommand({
	kind: 'reset-times',
	lane: 'settings',
	content: z.object({ recipeId: uuidSchema }),
	right: 'keep-the-house',
	refusals: ['unknown'],
	handle: async (tx, { recipeId, occurredAtMs, id: commandId }) => {
		if (!(await hasTimes(tx, recipeId))) return fail({ kind: 'unknown', what: 'observation' });
		await putTimesReset(tx, { recipeId, atMs: occurredAtMs, commandId });
		return ok({ recipeId });
	}
});
