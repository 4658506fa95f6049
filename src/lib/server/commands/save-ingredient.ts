import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import { ingredientContent } from '../../contracts/formula-book.ts';
import type { Ingredient } from '../../core/formula/index.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook } from '../db/formula-book.ts';
import { nameIngredient } from '../db/ingredients.ts';
import { loadEntries } from '../db/entries.ts';
import { placesOf, scalesOf } from '../db/of-entries.ts';
import { changedBook, newerRevision, writeChange } from './book-change.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/**
 * Saves an ingredient as a new revision; everything that takes from it follows with a revision of its own, so
 * that what was made keeps what it was made of. Refused when someone changed it meanwhile, or when a formula
 * that has it could not be made any more (its flour would no longer come to 100).
 */
export const saveIngredient = defineCommand({
	kind: 'save-ingredient',
	lane: 'book',
	content: z.object(ingredientContent),
	right: 'change-the-book',
	refusals: ['name-taken', 'name-alike', 'unknown', 'newer-revision', 'formula-impossible'],
	handle: async (tx, command, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		const key = command.ingredientId;
		const there = book.ingredients.find(({ ingredient }) => ingredient.id === key);
		const others = book.ingredients.filter(({ ingredient }) => ingredient.id !== key);
		const problem = nameProblem(
			command.name,
			others.map(({ ingredient }) => ingredient.name),
			{ before: there?.ingredient.name ?? null, meant: command.nameMeant }
		);
		if (problem) return fail(problem);
		if (!there && command.expectedVersion > 0) return fail({ kind: 'unknown', what: 'ingredient' });
		const newer = newerRevision(
			there && { ...there, editedNumber: there.number },
			command.expectedVersion,
			there?.ingredient.name ?? ''
		);
		if (newer) return fail(newer);
		const scales = scalesOf(await loadEntries(tx, 'newest', ['scale']));
		const scaleId = scales.find(({ name }) => name === command.weighedOn)?.id ?? null;
		if (command.weighedOn !== null && scaleId === null)
			return fail({ kind: 'unknown', what: 'scale' });
		if (
			command.placeId !== null &&
			!placesOf(await loadEntries(tx, 'newest', ['place'])).has(command.placeId)
		)
			return fail({ kind: 'unknown', what: 'place' });
		const ingredient: Ingredient = {
			id: key,
			name: command.name,
			kind: command.ingredientKind,
			composition: command.composition,
			yeastFreshEquivalent: command.yeastFreshEquivalent,
			allergens: [...new Set(command.allergens)],
			heatCapacity: { kilojoulesPerKilogramKelvin: command.heatCapacity },
			density: command.density === null ? null : { kilogramsPerLitre: command.density },
			purity: { share: command.purityShare },
			rolling: command.rolling,
			pricePerKilogram: command.pricePerKilogram,
			weighedOn: command.weighedOn,
			placeId: command.placeId,
			retired: there?.ingredient.retired ?? false
		};
		// Where it stands is a fact of the house and no revision of what it is.
		if (there && isDeepStrictEqual({ ...there.ingredient, placeId: command.placeId }, ingredient)) {
			await nameIngredient(tx, ingredient);
			return ok({ version: command.expectedVersion });
		}
		const change = {
			ingredient: { ingredient, weighingScaleId: scaleId },
			preparations: [],
			formula: null
		};
		const after = changedBook(book, change);
		if (!after.ok) return after;
		await writeChange(tx, book, change, after.value, {
			actor,
			occurredAtMs: command.occurredAtMs
		});
		return ok({ version: command.expectedVersion + 1 });
	}
});
