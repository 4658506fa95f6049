import { z } from 'zod';
import { productContent } from '../../contracts/formula-book.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import { resolveAlone } from '../../core/formula/index.ts';
import { fail, ok } from '../../core/result.ts';
import type { Tx } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook, lockBook, pinsOf, type FormulaBook } from '../db/formula-book.ts';
import { insertProductRevision, nameProduct } from '../db/products.ts';
import { newerRevision } from './book-change.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

const content = z.object(productContent);
type ProductContent = z.output<typeof content>;

/** Saves a product as a new revision; what was baked keeps the revision it was pinned to. */
export const saveProduct = defineCommand({
	kind: 'save-product',
	lane: 'book',
	content,
	right: 'change-the-book',
	refusals: ['name-taken', 'name-alike', 'unknown', 'newer-revision', 'formula-impossible'],
	handle: async (tx, command, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		const there = book.products.find(({ product }) => product.id === command.productId);
		const others = book.products.filter(({ product }) => product.id !== command.productId);
		const problem = nameProblem(
			command.name,
			others.map(({ product }) => product.name),
			{ before: there?.product.name ?? null, meant: command.nameMeant }
		);
		if (problem) return fail(problem);
		if (!there && command.expectedRevision > 0) return fail({ kind: 'unknown', what: 'product' });
		const newer = newerRevision(there, command.expectedRevision, there?.product.name ?? '');
		if (newer) return fail(newer);
		const refusal = (await unknownPart(tx, command, book)) ?? impossibleExtra(command, book);
		if (refusal) return fail(refusal);
		if (there?.product.name !== command.name)
			await nameProduct(tx, command.productId, command.name);
		const revision = (there?.number ?? 0) + 1;
		await insertProductRevision(
			tx,
			{
				...command,
				product: {
					id: command.productId,
					name: command.name,
					doughs: command.doughs.map((dough) => ({
						formulaId: dough.formulaId,
						scaledWeight: { grams: dough.scaledGrams }
					})),
					extras: command.extras.map((extra) => ({
						use: extra.use,
						material: extra.material,
						amount: { grams: extra.grams },
						forPieces: extra.forPieces
					})),
					sheet: command.sheet,
					spares: { share: command.sparesShare }
				}
			},
			{ number: revision, cause: 'edited', madeBy: actor.id, occurredAtMs: command.occurredAtMs },
			pinsOf(book)
		);
		return ok({ revision });
	}
});

async function unknownPart(
	tx: Tx,
	command: ProductContent,
	book: FormulaBook
): Promise<RefusalOf<'unknown'> | null> {
	const formulas = new Set(book.formulas.map(({ formula }) => formula.id));
	if (!command.doughs.every((dough) => formulas.has(dough.formulaId)))
		return { kind: 'unknown', what: 'formula' };
	for (const { material } of command.extras) {
		if (material.kind === 'ingredient' && !book.pantry.ingredients.has(material.ingredientId))
			return { kind: 'unknown', what: 'ingredient' };
		if (material.kind === 'preparation' && !book.pantry.preparations.has(material.preparationId))
			return { kind: 'unknown', what: 'build' };
	}
	const entries = await loadEntries(tx, 'newest', ['divider', 'vessel']);
	// What is retired goes on where it is, and is chosen for nothing new.
	for (const [what, entryId] of [
		['divider', command.dividerId],
		['vessel', command.vesselId]
	] as const)
		if (entryId !== null && !entries.all(what).some((entry) => entry.id === entryId))
			return { kind: 'unknown', what };
	return null;
}

/** A filling that could not be made would leave the product without it. */
function impossibleExtra(
	command: ProductContent,
	book: FormulaBook
): RefusalOf<'formula-impossible'> | null {
	for (const { material } of command.extras) {
		const preparation =
			material.kind === 'preparation'
				? book.pantry.preparations.get(material.preparationId)
				: undefined;
		const alone = preparation ? resolveAlone(preparation, book.pantry) : null;
		if (preparation && alone && !alone.ok)
			return { kind: 'formula-impossible', formula: preparation.name, reason: alone.error };
	}
	return null;
}
