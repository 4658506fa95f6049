import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { nameSchema } from '../../contracts/text.ts';
import {
	FIRST_DOUGH_STEPS,
	FIRST_LINES,
	USUAL_DOUGH_CELSIUS,
	USUAL_DOUGH_LOSS_SHARE,
	USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
	type FormulaLine,
	type IngredientKind
} from '../../core/formula/index.ts';
import { id, type FormulaId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook, pinsOf } from '../db/formula-book.ts';
import { insertFormulaRevision, nameFormula } from '../db/formulas.ts';
import { withPlainIngredients } from '../services/plain-pantry.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/** What a book without an ingredient of a kind begins with. */
const PLAIN_OF: Partial<Record<IngredientKind, string>> = {
	flour: 'Bread flour',
	water: 'Water',
	salt: 'Salt'
};

/** Begins a formula: a name, and a plain dough from the first flour, water and salt of the book. */
export const createFormula = defineCommand({
	kind: 'create-formula',
	lane: 'book',
	content: z.object({
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		name: nameSchema
	}),
	right: 'change-the-book',
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
		const by = { madeBy: actor.id, occurredAtMs };
		const first = FIRST_LINES.map(({ kind, percentOfFlour }) => ({
			percentOfFlour,
			kind,
			there: book.ingredients.find(
				({ ingredient }) => ingredient.kind === kind && !ingredient.retired
			)?.ingredient.id
		}));
		const missing = first.flatMap(({ there, kind }) => (there ? [] : (PLAIN_OF[kind] ?? [])));
		const pantry = await withPlainIngredients(tx, book, missing, by);
		for (const { there, kind, percentOfFlour } of first) {
			const ingredientId = there ?? pantry.byName.get(PLAIN_OF[kind] ?? '');
			if (!ingredientId) return fail({ kind: 'unknown', what: 'ingredient' });
			lines.push({
				material: { kind: 'ingredient', ingredientId },
				percentOfFlour,
				addition: 'start'
			});
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
			{ number: 1, cause: 'edited', ...by },
			{ ingredients: pantry.pins, preparations: pinsOf(book).preparations }
		);
		return ok({ formulaId });
	}
});
