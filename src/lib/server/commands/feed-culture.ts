import { z } from 'zod';
import { celsiusSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
import { BEGINNINGS } from '../../core/culture/index.ts';
import { fail, ok } from '../../core/result.ts';
import { insertCultureEntry, insertFeedFlours, loadKeptCultures } from '../db/cultures.ts';
import { defineCommand } from './define.ts';

const grams = z.number().min(0).max(MOST_BATCH_GRAMS);

/** Writes down that a culture was fed, or begun anew with a first feed; its flours are used out of stock. */
export const feedCulture = defineCommand({
	kind: 'feed-culture',
	lane: 'batches',
	content: z
		.object({
			ingredientId: uuidSchema,
			/** What a new one begins with; null for a feed. */
			beginning: z.enum(BEGINNINGS).nullable(),
			seedGrams: grams,
			flourGrams: grams,
			waterGrams: grams,
			/** As warm as it is then; null where nobody measured it. */
			celsius: celsiusSchema.nullable()
		})
		.refine(
			({ beginning, flourGrams, waterGrams }) => beginning !== null || flourGrams + waterGrams > 0,
			{ message: 'a feed brings flour or water' }
		),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, command) => {
		const { id, ingredientId, beginning, seedGrams, flourGrams, waterGrams, celsius } = command;
		const kept = (await loadKeptCultures(tx, [ingredientId])).get(ingredientId);
		if (!kept) return fail({ kind: 'unknown', what: 'culture' });
		await insertCultureEntry(tx, {
			id,
			ingredient_id: ingredientId,
			kind: beginning === null ? 'fed' : 'begun',
			beginning,
			seed_g: seedGrams,
			flour_g: flourGrams,
			water_g: waterGrams,
			celsius,
			command_id: id,
			occurred_at: new Date(command.occurredAtMs)
		});
		const { flours } = kept.keeping;
		const all = flours.reduce((total, { parts }) => total + parts, 0);
		await insertFeedFlours(
			tx,
			id,
			flours.map(({ flourId, parts }) => ({ flourId, grams: (flourGrams * parts) / all })),
			command.occurredAtMs
		);
		return ok({ entryId: id });
	}
});
