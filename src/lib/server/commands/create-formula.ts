import { z } from 'zod';
import { nameSchema } from '../../contracts/formula-book.ts';
import {
	FIRST_DOUGH_STEPS,
	FIRST_LINES,
	USUAL_DOUGH_CELSIUS,
	USUAL_DOUGH_LOSS_SHARE,
	USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
	type FormulaLine
} from '../../core/formula/index.ts';
import { id, type FormulaId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook, pinsOf } from '../db/formula-book.ts';
import { insertFormulaRevision, nameFormula } from '../db/formulas.ts';
import { defineCommand, EVERYONE } from './define.ts';

/** Begins a formula: a name, and a plain dough from the first flour, water and salt of the book. */
export const createFormula = defineCommand({
	kind: 'create-formula',
	lane: 'book',
	content: z.object({
		formulaId: z.uuid().transform((value) => id<FormulaId>(value)),
		name: nameSchema
	}),
	permitted: EVERYONE,
	refusals: ['name-taken', 'unknown'],
	handle: async (tx, { formulaId, name, occurredAtMs }, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		if (book.formulas.some(({ formula }) => formula.name === name || formula.id === formulaId))
			return fail({ kind: 'name-taken', name });
		const lines: FormulaLine[] = [];
		for (const { kind, percentOfFlour } of FIRST_LINES) {
			const found = book.ingredients.find(
				({ ingredient }) => ingredient.kind === kind && !ingredient.retired
			);
			if (!found) return fail({ kind: 'unknown', what: 'ingredient' });
			const material = { kind: 'ingredient', ingredientId: found.ingredient.id } as const;
			lines.push({ material, percentOfFlour, addition: 'start' });
		}
		await nameFormula(tx, formulaId, name);
		await insertFormulaRevision(
			tx,
			{
				formula: {
					id: formulaId,
					name,
					lines,
					doughLoss: { share: USUAL_DOUGH_LOSS_SHARE },
					deliveries: []
				},
				targetCelsius: USUAL_DOUGH_CELSIUS,
				frictionKilojoulesPerKilogram: USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
				mostDoughGrams: null,
				steps: FIRST_DOUGH_STEPS
			},
			{ number: 1, cause: 'edited', madeBy: actor.id, occurredAtMs },
			pinsOf(book)
		);
		return ok({ formulaId });
	}
});
