import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
import { line } from '../../contracts/text.ts';
import { fail, ok } from '../../core/result.ts';
import { isIngredientKnown } from '../db/ingredients.ts';
import { insertStockEntry } from '../db/stock.ts';
import { defineCommand } from './define.ts';

/** Writes down what was counted of an ingredient, what came of it, or what was taken out beside the baking. */
export const takeStock = defineCommand({
	kind: 'take-stock',
	lane: 'settings',
	content: z.object({
		ingredientId: uuidSchema,
		what: z.enum(['counted', 'received', 'taken-out']),
		grams: z.number().min(0).max(MOST_STOCK_GRAMS),
		/** Of what came; empty for none. */
		lot: line(100),
		note: line(500)
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { ingredientId, what, grams, lot, note, id, occurredAtMs }) => {
		if (!(await isIngredientKnown(tx, ingredientId)))
			return fail({ kind: 'unknown', what: 'ingredient' });
		await insertStockEntry(tx, {
			id,
			ingredientId,
			kind: what,
			grams,
			lot: what === 'received' ? lot : '',
			note,
			commandId: id,
			occurredAtMs
		});
		return ok({ entryId: id });
	}
});
