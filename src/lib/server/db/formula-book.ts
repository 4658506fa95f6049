import { sql } from 'kysely';
import { MOST_CAUSTIC_SHARE, type Pantry } from '../../core/formula/index.ts';
import type { PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { loadFormulas, type FormulaRevision, type PinnedFormula } from './formulas.ts';
import { loadIngredientRows, type IngredientRow } from './ingredients.ts';
import type { Pins } from './materials.ts';
import { loadPreparations, type PreparationRevision } from './preparations.ts';
import { loadProducts, type ProductRevision } from './products.ts';

/** The newest revision of everything the bakery makes. */
export interface FormulaBook {
	readonly formulas: readonly FormulaRevision[];
	readonly preparations: ReadonlyMap<PreparationId, PreparationRevision>;
	readonly products: readonly ProductRevision[];
	readonly ingredients: readonly IngredientRow[];
	readonly pantry: Pantry;
}

export async function loadFormulaBook(db: Db | Tx): Promise<FormulaBook> {
	const [ingredients, preparations, formulas, products, bakery] = await Promise.all([
		loadIngredientRows(db),
		loadPreparations(db),
		loadFormulas(db),
		loadProducts(db),
		db.selectFrom('bakery').select('caustic_most_share').executeTakeFirst()
	]);
	return {
		formulas,
		preparations,
		products,
		ingredients,
		pantry: {
			causticMost: { share: bakery?.caustic_most_share ?? MOST_CAUSTIC_SHARE },
			ingredients: new Map(ingredients.map(({ ingredient }) => [ingredient.id, ingredient])),
			preparations: new Map([...preparations].map(([key, one]) => [key, one.preparation]))
		}
	};
}

/** Revisions of the book are numbered one after another; two bakers queue here. */
export async function lockBook(tx: Tx): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext('formula book'))`.execute(tx);
}

/** The revisions at which the book stands. */
export function pinsOf(book: FormulaBook): Pins {
	return {
		ingredients: new Map(
			book.ingredients.map((ingredient) => [ingredient.ingredient.id, ingredient.revisionId])
		),
		preparations: new Map([...book.preparations].map(([key, one]) => [key, one.revisionId]))
	};
}

/** What a formula took from when its revision was saved. */
export function pantryOf(pinned: PinnedFormula, causticMost: Pantry['causticMost']): Pantry {
	return {
		causticMost,
		ingredients: new Map(
			[...pinned.ingredients].reverse().map((ingredient) => [ingredient.id, ingredient])
		),
		// Those named by the formula itself stand in front: they count where a recipe is there twice.
		preparations: new Map(
			[...pinned.preparations].reverse().map((preparation) => [preparation.id, preparation])
		)
	};
}
