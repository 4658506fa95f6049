import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { id, type FormulaId } from '../../core/identity.ts';
import { MOST_MIXES } from '../../core/production/index.ts';
import { fail, ok } from '../../core/result.ts';
import { isFormulaKnown } from '../db/formulas.ts';
import { lockMixesWanted, updateMixesWanted } from '../db/mixes-wanted.ts';
import { defineCommand } from './define.ts';

/** Says in how many mixes at least a dough of a date is made, or leaves it to as few as fit. */
export const setMixes = defineCommand({
	kind: 'set-mixes',
	lane: 'batches',
	content: z.object({
		date: bakeDateSchema,
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		mixes: z.int().min(1).max(MOST_MIXES).nullable(),
		expectedVersion: versionSchema
	}),
	right: 'change-the-plan',
	refusals: ['unknown', 'changed-meanwhile'],
	handle: async (tx, { date, formulaId, mixes, expectedVersion }, actor) => {
		if (!(await isFormulaKnown(tx, formulaId))) return fail({ kind: 'unknown', what: 'formula' });
		const wanted = await lockMixesWanted(tx, date, formulaId, actor.id);
		if (wanted.version !== expectedVersion)
			return fail({
				kind: 'changed-meanwhile',
				version: wanted.version,
				value: wanted.mixes ?? 1,
				by: wanted.by
			});
		const version = wanted.version + 1;
		await updateMixesWanted(tx, date, formulaId, { mixes, version, changedBy: actor.id });
		return ok({ version, mixes });
	}
});
