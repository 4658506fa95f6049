import { z } from 'zod';
import { addition } from '../../contracts/formula-book.ts';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { additionOrder } from '../../core/formula/index.ts';
import { id, type FormulaId, type IngredientId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { isFormulaKnown } from '../db/formulas.ts';
import { isIngredientKnown } from '../db/ingredients.ts';
import { putLiquids } from '../db/liquids.ts';
import { defineCommand } from './define.ts';

/** No dough pours so many. */
const MOST_LIQUIDS = 20;

const picked = z.object({
	ingredientId: uuidSchema.transform((value) => id<IngredientId>(value)),
	addition: addition.refine(
		(value) => additionOrder(value) < additionOrder('fold-in'),
		'What is folded or rolled in is not poured at the mixer.'
	)
});

/** Sets which liquids of a dough are warmed or cooled, or leaves it to what follows from their masses. */
export const setLiquids = defineCommand({
	kind: 'set-liquids',
	lane: 'settings',
	content: z.object({
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		/** Empty for what follows by itself. */
		picked: z
			.array(picked)
			.max(MOST_LIQUIDS)
			.refine(
				(all) =>
					new Set(all.map((each) => `${each.ingredientId} ${each.addition}`)).size === all.length,
				'A liquid is named twice.'
			)
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, { formulaId, picked }) => {
		if (!(await isFormulaKnown(tx, formulaId))) return fail({ kind: 'unknown', what: 'formula' });
		for (const { ingredientId } of picked)
			if (!(await isIngredientKnown(tx, ingredientId)))
				return fail({ kind: 'unknown', what: 'ingredient' });
		await putLiquids(tx, formulaId, picked);
		return ok({ formulaId });
	}
});
