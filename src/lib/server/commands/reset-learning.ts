import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { LEARNED_SUBJECTS } from '../../core/learning/index.ts';
import { fail, ok } from '../../core/result.ts';
import { isFormulaKnown } from '../db/formulas.ts';
import { putLearningReset } from '../db/learning.ts';
import { defineCommand } from './define.ts';

/** Lets a figure of a formula be learned anew: what was observed before no longer counts. */
export const resetLearning = defineCommand({
	kind: 'reset-learning',
	lane: 'settings',
	content: z.object({ subject: z.enum(LEARNED_SUBJECTS), formulaId: uuidSchema }),
	right: 'keep-the-house',
	refusals: ['unknown'],
	handle: async (tx, { subject, formulaId, occurredAtMs, id: commandId }) => {
		if (!(await isFormulaKnown(tx, formulaId))) return fail({ kind: 'unknown', what: 'formula' });
		await putLearningReset(tx, { subject, formulaId, atMs: occurredAtMs, commandId });
		return ok({ formulaId });
	}
});
