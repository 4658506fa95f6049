import { z } from 'zod';
import { deliveryContent } from '../../contracts/formula-book.ts';
import { fail, ok } from '../../core/result.ts';
import { insertDelivery, isIngredientKnown } from '../db/ingredients.ts';
import { defineCommand } from './define.ts';

/** Writes down a delivery of a flour with what is known of it; the entry stands as it was written. */
export const addDelivery = defineCommand({
	kind: 'add-delivery',
	lane: 'book',
	content: z.object(deliveryContent),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'name-taken'],
	handle: async (tx, { deliveryId, id: commandId, ...delivery }) => {
		if (!(await isIngredientKnown(tx, delivery.ingredientId)))
			return fail({ kind: 'unknown', what: 'ingredient' });
		const made = await insertDelivery(tx, { ...delivery, id: deliveryId }, commandId);
		return made ? ok({ deliveryId }) : fail({ kind: 'name-taken', name: delivery.lot });
	}
});
