import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { STARTERS } from '../../contracts/starters.ts';
import { nameSchema } from '../../contracts/text.ts';
import { id, type FormulaId, type ProductId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook } from '../db/formula-book.ts';
import { writeStarter } from '../services/write-starter.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/**
 * Begins a formula from one of our plain ones, with a product that is made of it; ingredients of the same name that are
 * in the book already are taken, the others are entered.
 */
export const beginStarter = defineCommand({
	kind: 'begin-starter',
	lane: 'book',
	content: z.object({
		starter: z.enum(STARTERS),
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		name: nameSchema,
		productId: uuidSchema.transform((value) => id<ProductId>(value)),
		productName: nameSchema
	}),
	right: 'change-the-book',
	refusals: ['name-taken', 'name-alike', 'id-used-before'],
	handle: async (tx, command, actor) => {
		const { formulaId, productId, name, productName, nameMeant } = command;
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		if (
			book.formulas.some(({ formula }) => formula.id === formulaId) ||
			book.products.some(({ product }) => product.id === productId)
		)
			return fail({ kind: 'id-used-before' });
		const meant = { before: null, meant: nameMeant };
		const problem =
			nameProblem(
				name,
				book.formulas.map(({ formula }) => formula.name),
				meant
			) ??
			nameProblem(
				productName,
				book.products.map(({ product }) => product.name),
				meant
			);
		if (problem) return fail(problem);
		await writeStarter(tx, book, command, {
			madeBy: actor.id,
			occurredAtMs: command.occurredAtMs
		});
		return ok({ formulaId, productId });
	}
});
