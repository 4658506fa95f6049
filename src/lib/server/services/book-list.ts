import type { BookList } from '../../contracts/views.ts';
import { resolveFormula, stagesInOrder } from '../../core/formula/index.ts';
import type { IngredientId, PreparationId } from '../../core/identity.ts';
import type { FormulaBook } from '../db/formula-book.ts';

/** Everything in the book by name, as the list beside the rooms of the book shows it. */
export function bookList(book: FormulaBook): BookList {
	const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name, 'en');
	return {
		formulas: book.formulas
			.map(({ formula, retired }) => ({
				id: formula.id,
				name: formula.name,
				retired,
				note:
					book.products
						.filter((product) =>
							product.product.doughs.some((dough) => dough.formulaId === formula.id)
						)
						.map(({ product }) => product.name)
						.join(', ') || 'no product yet'
			}))
			.sort(byName),
		preparations: [...book.preparations.values()]
			.map(({ preparation, retired }) => ({
				id: preparation.id,
				name: preparation.name,
				kind: preparation.kind,
				note: '',
				retired
			}))
			.sort(byName),
		products: book.products
			.map(({ product, retired }) => ({
				id: product.id,
				name: product.name,
				note: product.doughs
					.map(
						(dough) =>
							book.formulas.find(({ formula }) => formula.id === dough.formulaId)?.formula.name ??
							''
					)
					.join(' + '),
				retired
			}))
			.sort(byName),
		ingredients: book.ingredients
			.map(({ ingredient }) => ({
				id: ingredient.id,
				name: ingredient.name,
				kind: ingredient.kind,
				note: '',
				retired: ingredient.retired
			}))
			.sort(byName)
	};
}

/** The names of everything that takes from a build, by the build. */
export function usersOfBuilds(
	book: FormulaBook
): ReadonlyMap<PreparationId, readonly { readonly id: string; readonly name: string }[]> {
	const users = new Map<PreparationId, { id: string; name: string }[]>();
	const add = (key: PreparationId, user: { id: string; name: string }) => {
		const there = users.get(key) ?? [];
		if (!there.some((known) => known.id === user.id)) users.set(key, [...there, user]);
	};
	for (const { formula, retired } of book.formulas) {
		const resolved = resolveFormula(formula, book.pantry);
		if (!resolved.ok || retired) continue;
		for (const { preparation } of stagesInOrder(resolved.value.final))
			if (preparation) add(preparation.id, formula);
	}
	for (const { product, retired } of book.products)
		for (const { material } of product.extras)
			if (material.kind === 'preparation' && !retired) add(material.preparationId, product);
	return users;
}

/** The names of everything that an ingredient goes into. */
export function usersOfIngredient(
	book: FormulaBook,
	ingredientId: IngredientId
): readonly string[] {
	const has = (
		lines: readonly { readonly material: { kind: string; ingredientId?: IngredientId } }[]
	) => lines.some(({ material }) => material.ingredientId === ingredientId);
	return [
		...book.formulas
			.filter(({ formula }) => has(formula.lines))
			.map((revision) => revision.formula.name),
		...[...book.preparations.values()]
			.filter(({ preparation }) => has(preparation.lines))
			.map((preparation) => preparation.preparation.name),
		...book.products
			.filter(({ product }) => has(product.extras))
			.map((product) => product.product.name)
	];
}
