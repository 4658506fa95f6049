import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { loadIngredientRows } from '../db/ingredients.ts';
import { insertStockEntry } from '../db/stock.ts';
import { defineCommand } from './define.ts';

/** Writes down what was counted of many ingredients on one walk through the store: all of it or nothing. */
export const countStock = defineCommand({
	kind: 'count-stock',
	lane: 'settings',
	content: z.object({
		lines: z
			.array(z.object({ ingredientId: uuidSchema, grams: z.number().min(0).max(MOST_STOCK_GRAMS) }))
			.min(1, 'nothing was counted')
			.max(500)
			.refine((all) => new Set(all.map(({ ingredientId }) => ingredientId)).size === all.length, {
				message: 'an ingredient is counted twice'
			})
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { id, lines, occurredAtMs }) => {
		const known = new Set<string>(
			(await loadIngredientRows(tx)).map(({ ingredient }) => ingredient.id)
		);
		if (!lines.every(({ ingredientId }) => known.has(ingredientId)))
			return fail({ kind: 'unknown', what: 'ingredient' });
		for (const { ingredientId, grams } of lines)
			await insertStockEntry(tx, {
				id: randomUUID(),
				ingredientId,
				kind: 'counted',
				grams,
				lot: '',
				note: '',
				commandId: id,
				occurredAtMs
			});
		return ok({ counted: lines.length });
	}
});
