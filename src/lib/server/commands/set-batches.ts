import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_BATCHES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { lockBatchesWanted, updateBatchesWanted } from '../db/batches-wanted.ts';
import { isPreparationKnown } from '../db/preparations.ts';
import { defineCommand } from './define.ts';

/** Says in how many batches a pre-ferment or preparation of a date is made; null for one for all that take from it. */
export const setBatches = defineCommand({
	kind: 'set-batches',
	lane: 'batches',
	content: z.object({
		date: bakeDateSchema,
		preparationId: uuidSchema,
		batches: z.int().min(2).max(MOST_BATCHES).nullable(),
		expectedVersion: versionSchema
	}),
	right: 'change-the-plan',
	refusals: ['unknown', 'changed-meanwhile'],
	handle: async (tx, { date, preparationId, batches, expectedVersion }, actor) => {
		if (!(await isPreparationKnown(tx, preparationId)))
			return fail({ kind: 'unknown', what: 'build' });
		const wanted = await lockBatchesWanted(tx, { date, preparationId }, actor.id);
		if (wanted.version !== expectedVersion)
			return fail({
				kind: 'changed-meanwhile',
				version: wanted.version,
				value: wanted.batches ?? 1,
				by: wanted.by
			});
		const version = wanted.version + 1;
		await updateBatchesWanted(
			tx,
			{ date, preparationId },
			{ batches, version, changedBy: actor.id }
		);
		return ok({ version, batches });
	}
});
