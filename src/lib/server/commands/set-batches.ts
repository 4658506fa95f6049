import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_BATCHES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { putBatchesWanted } from '../db/batches-wanted.ts';
import { isPreparationKnown } from '../db/preparations.ts';
import { defineCommand, EVERYONE } from './define.ts';

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
	permitted: EVERYONE,
	refusals: ['unknown', 'changed-meanwhile'],
	handle: async (tx, { date, preparationId, batches, expectedVersion }, actor) => {
		if (!(await isPreparationKnown(tx, preparationId)))
			return fail({ kind: 'unknown', what: 'build' });
		const other = await putBatchesWanted(
			tx,
			{ date, preparationId },
			{ batches, version: expectedVersion, changedBy: actor.id }
		);
		return other
			? fail({
					kind: 'changed-meanwhile',
					version: other.version,
					value: other.batches ?? 1,
					by: other.by
				})
			: ok({ version: expectedVersion + 1, batches });
	}
});
