import { bringInSchema, type BringIn } from '../../contracts/bring-in.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import {
	resolveAlone,
	resolveFormula,
	type Material,
	type Pantry
} from '../../core/formula/index.ts';
import { fail, ok } from '../../core/result.ts';
import { nameKey } from '../../formats/name-key.ts';
import { loadFormulaBook, lockBook, type FormulaBook } from '../db/formula-book.ts';
import { rememberNames } from '../db/names-matched.ts';
import {
	formulaOf,
	pantryWith,
	preparationOf,
	writeBroughtIn
} from '../services/write-brought-in.ts';
import { defineCommand } from './define.ts';

/**
 * Brings what a file has into the book, all of it new and all of it or nothing. Refused where a name is taken, where something takes from what is not there, or where a formula
 * or a bath could not be made so.
 */
export const bringIn = defineCommand({
	kind: 'bring-in',
	lane: 'book',
	content: bringInSchema,
	right: 'change-the-book',
	refusals: ['name-taken', 'unknown', 'id-used-before', 'formula-impossible'],
	handle: async (tx, command, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		const refusal = misfit(command, book);
		if (refusal) return fail(refusal);
		const pantry = pantryWith(command, book);
		if (!command.matches.every(({ material }) => isIn(pantry, material)))
			return fail({ kind: 'unknown', what: 'ingredient' });
		const impossible = cannotBe(command, book, pantry);
		if (impossible) return fail(impossible);
		await writeBroughtIn(tx, book, command, pantry, {
			madeBy: actor.id,
			occurredAtMs: command.occurredAtMs
		});
		await rememberNames(
			tx,
			new Map(command.matches.map(({ name, material }) => [nameKey(name), material])),
			command.id
		);
		return ok({ firstFormulaId: command.formulas[0]?.formulaId ?? null });
	}
});

/** A name that is taken, or stands in it twice; an id that is somebody else's. */
function misfit(
	command: BringIn,
	book: FormulaBook
): RefusalOf<'name-taken' | 'id-used-before'> | null {
	const kinds = [
		{
			there: book.ingredients.map(({ ingredient }) => ingredient),
			coming: command.ingredients.map(({ ingredientId, name }) => ({ id: ingredientId, name }))
		},
		{
			there: [...book.preparations.values()].map(({ preparation }) => preparation),
			coming: command.preparations.map(({ preparationId, name }) => ({ id: preparationId, name }))
		},
		{
			there: book.formulas.map(({ formula }) => formula),
			coming: command.formulas.map(({ formulaId, name }) => ({ id: formulaId, name }))
		},
		{
			there: book.products.map(({ product }) => product),
			coming: command.products.map(({ productId, name }) => ({ id: productId, name }))
		}
	];
	for (const { there, coming } of kinds) {
		const names = new Set(there.map(({ name }) => nameKey(name)));
		const ids = new Set<string>(there.map(({ id }) => id));
		for (const { id, name } of coming) {
			if (ids.has(id)) return { kind: 'id-used-before' };
			if (names.has(nameKey(name))) return { kind: 'name-taken', name };
			names.add(nameKey(name));
			ids.add(id);
		}
	}
	return null;
}

/** The first thing of it that could not be made. */
function cannotBe(
	command: BringIn,
	book: FormulaBook,
	pantry: Pantry
): RefusalOf<'formula-impossible' | 'unknown'> | null {
	for (const one of command.preparations) {
		const alone = resolveAlone(preparationOf(one), pantry);
		if (!alone.ok) return { kind: 'formula-impossible', formula: one.name, reason: alone.error };
	}
	for (const one of command.formulas) {
		const resolved = resolveFormula(formulaOf(one), pantry);
		if (!resolved.ok)
			return { kind: 'formula-impossible', formula: one.name, reason: resolved.error };
	}
	const formulas = new Set([
		...book.formulas.map(({ formula }) => formula.id),
		...command.formulas.map(({ formulaId }) => formulaId)
	]);
	for (const { extras, doughs } of command.products) {
		if (!extras.every(({ material }) => isIn(pantry, material)))
			return { kind: 'unknown', what: 'ingredient' };
		if (!doughs.every(({ formulaId }) => formulas.has(formulaId)))
			return { kind: 'unknown', what: 'formula' };
	}
	return null;
}

function isIn(pantry: Pantry, material: Material): boolean {
	return material.kind === 'ingredient'
		? pantry.ingredients.has(material.ingredientId)
		: pantry.preparations.has(material.preparationId);
}
