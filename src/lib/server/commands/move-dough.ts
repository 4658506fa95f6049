import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { celsiusSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import { LEAST_TIME_CONSTANT_MINUTES } from '../../core/fermentation/index.ts';
import { WAIT_PLACES } from '../../core/formula/index.ts';
import { fail, ok } from '../../core/result.ts';
import { recipeIdOf, setBatchStates } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { loadEntries } from '../db/entries.ts';
import { retardersOf } from '../db/of-entries.ts';
import { findMixedBatch } from '../services/mixed-batch.ts';
import { defineCommand } from './define.ts';

/** Writes down that something went to another place, where its wait goes on. */
export const moveDough = defineCommand({
	kind: 'move-dough',
	lane: 'batches',
	content: z.object({
		batch: batchNameSchema,
		place: z.enum(WAIT_PLACES),
		ambientCelsius: celsiusSchema,
		timeConstantMinutes: z.number().min(LEAST_TIME_CONSTANT_MINUTES).max(10_000),
		/** The cold room it goes into, where it is one that is known. */
		retarderId: uuidSchema.nullable()
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'not-mixed-yet', 'before-the-mix'],
	handle: async (tx, command) => {
		const { id, occurredAtMs, retarderId } = command;
		const found = await findMixedBatch(tx, command.batch, occurredAtMs);
		if (!found.ok) return found;
		if (
			retarderId !== null &&
			!retardersOf(await loadEntries(tx, 'newest', ['place'])).some(
				(retarder) => retarder.id === retarderId
			)
		)
			return fail({ kind: 'unknown', what: 'retarder' });
		const { batch } = found.value;
		await insertEntry(tx, {
			id,
			batchId: batch.id,
			recipeId: recipeIdOf(batch),
			commandId: id,
			correctsId: null,
			occurredAtMs,
			detail: {
				kind: 'moved',
				place: command.place,
				ambient_celsius: command.ambientCelsius,
				time_constant_min: command.timeConstantMinutes,
				retarder_id: retarderId
			}
		});
		await setBatchStates(tx, [batch.id], 'begun');
		return ok({ entryId: id });
	}
});
