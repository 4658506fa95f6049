import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { LEARNED_SUBJECTS } from '../../core/learning/index.ts';
import { fail, ok } from '../../core/result.ts';
import { isObservation } from '../db/batch-log.ts';
import { setIgnored } from '../db/learning.ts';
import { defineCommand } from './define.ts';

/** Lets an observation not count, or count again. The entry itself stands. */
export const ignoreObservation = defineCommand({
	kind: 'ignore-observation',
	lane: 'settings',
	content: z.object({
		subject: z.enum(LEARNED_SUBJECTS),
		observationId: uuidSchema,
		ignored: z.boolean()
	}),
	right: 'change-the-plan',
	refusals: ['unknown'],
	handle: async (tx, { subject, observationId, ignored, id: commandId }) => {
		if (!(await isObservation(tx, observationId, subject)))
			return fail({ kind: 'unknown', what: 'observation' });
		await setIgnored(tx, observationId, ignored, commandId);
		return ok({ ignored });
	}
});
