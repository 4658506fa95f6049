import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { celsiusSchema } from '../../contracts/border-schemas.ts';
import { WAIT_PLACES } from '../../core/formula/index.ts';
import { DOUGH_INSTRUMENTS } from '../../core/heat/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { fail, ok } from '../../core/result.ts';
import { findBatch, recipeIdOf } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import { beginBatch, bookUses } from '../services/begin-batch.ts';
import { loadBakeryDay } from '../services/day-production.ts';
import { findMixedBatch } from '../services/mixed-batch.ts';
import { defineCommand } from './define.ts';

/** Writes down how warm something is where it stands, or an autolyse before the mix goes on. */
export const checkDough = defineCommand({
	kind: 'check-dough',
	lane: 'batches',
	content: z.object({
		batch: batchNameSchema,
		stage: z.enum(['autolyse', 'dough']),
		celsius: celsiusSchema,
		instrument: z.enum(DOUGH_INSTRUMENTS),
		place: z.enum(WAIT_PLACES),
		ambientCelsius: celsiusSchema
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'more-than-a-mixer', 'not-mixed-yet', 'before-the-mix'],
	handle: async (tx, command) => {
		const { id, occurredAtMs, stage } = command;
		if (stage === 'dough') {
			const found = await findMixedBatch(tx, command.batch, occurredAtMs);
			if (!found.ok) return found;
		}
		const begun = await beginBatch(tx, command.batch);
		if (!begun.ok) return begun;
		const batch = await findBatch(tx, begun.value.batchId);
		if (!batch || (stage === 'autolyse' && batch.kind !== 'mix'))
			return fail({ kind: 'unknown', what: 'mix' });
		if (begun.value.isNew)
			await bookUses(tx, await loadBakeryDay(tx, batch.date as BakeDate), batch.id, occurredAtMs);
		await insertEntry(tx, {
			id,
			batchId: batch.id,
			recipeId: recipeIdOf(batch),
			commandId: id,
			correctsId: null,
			occurredAtMs,
			detail: {
				kind: 'checked',
				stage,
				celsius: command.celsius,
				instrument: command.instrument,
				place: command.place,
				ambient_celsius: command.ambientCelsius
			}
		});
		return ok({ entryId: id });
	}
});
