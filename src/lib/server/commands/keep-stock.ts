import { z } from 'zod';
import { uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { loadEntries } from '../db/entries.ts';
import { isIngredientKnown } from '../db/ingredients.ts';
import { lockKeeping, updateKeeping } from '../db/stock.ts';
import { defineCommand } from './define.ts';

/** Says whom an ingredient comes from, in what packs, and how much of it is kept at the least. */
export const keepStock = defineCommand({
	kind: 'keep-stock',
	lane: 'settings',
	content: z.object({
		ingredientId: uuidSchema,
		supplierId: uuidSchema.nullable(),
		packGrams: z.number().min(1).max(10_000_000).nullable(),
		leastGrams: z.number().min(0).max(MOST_STOCK_GRAMS),
		expectedVersion: versionSchema
	}),
	right: 'change-the-book',
	refusals: ['unknown', 'settings-changed-meanwhile'],
	handle: async (tx, command, actor) => {
		const { ingredientId, supplierId, packGrams, leastGrams, expectedVersion } = command;
		if (!(await isIngredientKnown(tx, ingredientId)))
			return fail({ kind: 'unknown', what: 'ingredient' });
		const suppliers = (await loadEntries(tx, 'newest', ['supplier'])).of('supplier');
		if (supplierId !== null && !suppliers.some(({ id }) => id === supplierId))
			return fail({ kind: 'unknown', what: 'supplier' });
		const { version } = await lockKeeping(tx, ingredientId, actor.id);
		if (version !== expectedVersion) return fail({ kind: 'settings-changed-meanwhile', version });
		await updateKeeping(tx, ingredientId, {
			supplierId,
			packGrams,
			leastGrams,
			version: version + 1,
			changedBy: actor.id
		});
		return ok({ version: version + 1 });
	}
});
