import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { BASE_LIMITS } from '../../contracts/limits.ts';
import { id, type FormulaId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { putBase } from '../db/bases.ts';
import { isFormulaKnown } from '../db/formulas.ts';
import { defineCommand } from './define.ts';

/** Sets the base temperature that a baker goes by for a dough, or leaves it to what the doughs showed. */
export const setBase = defineCommand({
	kind: 'set-base',
	lane: 'settings',
	content: z.object({
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		/** null for the base that follows from the dough's own past. */
		celsius: z.number().min(BASE_LIMITS.least.celsius).max(BASE_LIMITS.most.celsius).nullable()
	}),
	right: 'change-the-book',
	refusals: ['unknown'],
	handle: async (tx, { formulaId, celsius }) => {
		if (!(await isFormulaKnown(tx, formulaId))) return fail({ kind: 'unknown', what: 'formula' });
		await putBase(tx, formulaId, celsius);
		return ok({ formulaId });
	}
});
