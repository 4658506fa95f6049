import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
import { line } from '../../contracts/text.ts';
import { fail, ok } from '../../core/result.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { findBatch } from '../db/batches.ts';
import { isIngredientKnown } from '../db/ingredients.ts';
import { isPreparationKnown } from '../db/preparations.ts';
import { insertWeighing } from '../db/weighings.ts';
import { beginBatch, bookUses } from '../services/begin-batch.ts';
import { loadBakeryDay } from '../services/day-production.ts';
import { defineCommand } from './define.ts';

/** Writes down a weight that went into a bowl. The first begins its batch: what it is made by and how large stands then. */
export const weighLine = defineCommand({
	kind: 'weigh-line',
	lane: 'batches',
	content: z.object({
		batch: batchNameSchema,
		material: z.discriminatedUnion('kind', [
			z.object({ kind: z.literal('ingredient'), ingredientId: uuidSchema }),
			z.object({ kind: z.literal('preparation'), preparationId: uuidSchema })
		]),
		/** When it goes in. */
		addition: line(40, { least: 1 }),
		/** 0 for what is added by feel. */
		wantedGrams: z.number().min(0).max(MOST_BATCH_GRAMS),
		grams: z.number().positive().max(MOST_BATCH_GRAMS),
		how: z.enum(['typed', 'scale', 'by-feel']),
		/** It was looked at and left so, though it is not what was wanted. */
		closeEnough: z.boolean(),
		scale: line(200),
		lot: line(100)
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'more-than-a-mixer'],
	handle: async (tx, command) => {
		const { material, addition, wantedGrams, grams, how, closeEnough, scale, lot } = command;
		const known =
			material.kind === 'ingredient'
				? await isIngredientKnown(tx, material.ingredientId)
				: await isPreparationKnown(tx, material.preparationId);
		if (!known)
			return fail({
				kind: 'unknown',
				what: material.kind === 'ingredient' ? 'ingredient' : 'build'
			});
		const begun = await beginBatch(tx, command.batch);
		if (!begun.ok) return begun;
		const { batchId, isNew } = begun.value;
		const batch = isNew ? await findBatch(tx, batchId) : null;
		if (batch)
			await bookUses(
				tx,
				await loadBakeryDay(tx, batch.date as BakeDate),
				batchId,
				command.occurredAtMs
			);
		await insertWeighing(tx, {
			id: command.id,
			batch_id: batchId,
			ingredient_id: material.kind === 'ingredient' ? material.ingredientId : null,
			preparation_id: material.kind === 'preparation' ? material.preparationId : null,
			addition,
			wanted_g: wantedGrams,
			weighed_g: grams,
			how,
			close_enough: closeEnough,
			scale,
			lot,
			command_id: command.id,
			occurred_at: new Date(command.occurredAtMs)
		});
		return ok({ weighingId: command.id, batchId });
	}
});
