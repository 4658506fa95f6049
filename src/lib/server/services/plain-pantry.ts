import { randomUUID } from 'node:crypto';
import { id, type IngredientId } from '../../core/identity.ts';
import type { Tx } from '../db/client.ts';
import type { FormulaBook } from '../db/formula-book.ts';
import { pinsOf } from '../db/formula-book.ts';
import { insertIngredientRevision, nameIngredient } from '../db/ingredients.ts';
import { PLAIN_INGREDIENTS } from '../starters/plain-ingredients.ts';

/** The ingredients of a book, with those that were entered for what begins now. */
export interface PlainPantry {
	readonly byName: ReadonlyMap<string, IngredientId>;
	/** The revision at which each stands. */
	readonly pins: ReadonlyMap<IngredientId, string>;
}

/** Enters those of our plain ingredients that are named and that the book has not; what it has is taken as it is. */
export async function withPlainIngredients(
	tx: Tx,
	book: FormulaBook,
	names: readonly string[],
	by: { readonly madeBy: string; readonly occurredAtMs: number }
): Promise<PlainPantry> {
	const pins = new Map(pinsOf(book).ingredients);
	const byName = new Map(
		book.ingredients.map(({ ingredient }) => [ingredient.name, ingredient.id])
	);
	for (const plain of PLAIN_INGREDIENTS) {
		if (byName.has(plain.name) || !names.includes(plain.name)) continue;
		const ingredient = {
			...plain,
			id: id<IngredientId>(randomUUID()),
			placeId: null,
			retired: false
		};
		await nameIngredient(tx, ingredient);
		const of = { number: 1, weighingScaleId: null, ...by };
		pins.set(ingredient.id, await insertIngredientRevision(tx, ingredient, of));
		byName.set(plain.name, ingredient.id);
	}
	return { byName, pins };
}
