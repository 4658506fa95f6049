import { sql } from 'kysely';
import {
	MOST_CAUSTIC_SHARE,
	stepsInPlaces,
	type Pantry,
	type Place,
	type Step
} from '../../core/formula/index.ts';
import type { PlaceId, PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { loadFormulas, type FormulaRevision, type PinnedFormula } from './formulas.ts';
import { loadIngredientRows, type IngredientRow } from './ingredients.ts';
import type { Pins } from './materials.ts';
import { loadEntries, type On } from './entries.ts';
import { placesOf } from './of-entries.ts';
import { loadPreparations, type PreparationRevision } from './preparations.ts';
import { loadProducts, type ProductRevision } from './products.ts';

/** The newest revision of everything the bakery makes. */
export interface FormulaBook {
	readonly formulas: readonly FormulaRevision[];
	readonly preparations: ReadonlyMap<PreparationId, PreparationRevision>;
	readonly products: readonly ProductRevision[];
	readonly ingredients: readonly IngredientRow[];
	readonly pantry: Pantry;
	/** Where its steps and ingredients stand. */
	readonly places: ReadonlyMap<PlaceId, Place>;
}

export async function loadFormulaBook(
	db: Db | Tx,
	on: On = 'newest',
	loaded = loadEntries(db, on, ['place'])
): Promise<FormulaBook> {
	const [ingredients, preparations, formulas, products, entries, bakery] = await Promise.all([
		loadIngredientRows(db),
		loadPreparations(db),
		loadFormulas(db),
		loadProducts(db),
		loaded,
		db.selectFrom('bakery').select('caustic_most_share').executeTakeFirst()
	]);
	const places = placesOf(entries);
	return {
		formulas: formulas.map((each) => inPlaces(each, places)),
		preparations: eachInPlaces(preparations, places),
		products: products.map((each) => inPlaces(each, places)),
		ingredients,
		places,
		pantry: {
			causticMost: { share: bakery?.caustic_most_share ?? MOST_CAUSTIC_SHARE },
			ingredients: new Map(ingredients.map(({ ingredient }) => [ingredient.id, ingredient])),
			preparations: new Map([...preparations].map(([key, one]) => [key, one.preparation]))
		}
	};
}

interface WithSteps {
	readonly steps: readonly Step[];
}

/** With every step in its place as that is now. */
function inPlaces<T extends WithSteps>(each: T, places: FormulaBook['places']): T {
	return { ...each, steps: stepsInPlaces(each.steps, places) };
}

/** The same for several, by their keys. */
export function eachInPlaces<K, T extends WithSteps>(
	all: ReadonlyMap<K, T>,
	places: FormulaBook['places']
): ReadonlyMap<K, T> {
	return new Map([...all].map(([key, each]) => [key, inPlaces(each, places)]));
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
