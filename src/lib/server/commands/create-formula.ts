import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { nameSchema } from '../../contracts/text.ts';
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
import { nameProblem } from './name-problem.ts';

/** Begins a formula: a name, and a plain dough from the first flour, water and salt of the book. */
export const createFormula = defineCommand({
	kind: 'create-formula',
	lane: 'book',
	content: z.object({
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		name: nameSchema
	}),
	permitted: EVERYONE,
	refusals: ['name-taken', 'name-alike', 'unknown', 'id-used-before'],
	handle: async (tx, { formulaId, name, occurredAtMs, nameMeant }, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		if (book.formulas.some(({ formula }) => formula.id === formulaId))
			return fail({ kind: 'id-used-before' });
		const names = book.formulas.map(({ formula }) => formula.name);
		const problem = nameProblem(name, names, { before: null, meant: nameMeant });
		if (problem) return fail(problem);
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
