import {
	BOOK_FORMAT,
	BOOK_VERSION,
	withoutPlaces,
	type BookFile,
	type FileMaterial
} from '../../contracts/book-file.ts';
import type { Material } from '../../core/formula/index.ts';
import type { FormulaBook } from '../db/formula-book.ts';

/** The formulas of a book that go into a file: one of them, all that are not retired, or whatever there ever was. */
export type WhatOfBook = { readonly formulaId: string } | 'all' | 'retired too';

/**
 * A book as another bakery can read it: what is named, everything that goes into it, and the products that are made of it. Ids, prices, scales, vessels and places stay behind;
 * what is retired goes along only where something takes from it.
 */
export function bookAsFile(book: FormulaBook, what: WhatOfBook = 'all'): BookFile {
	const keeps = (retired: boolean) => what === 'retired too' || !retired;
	const formulas = book.formulas.filter(({ formula, retired }) =>
		typeof what === 'object' ? formula.id === what.formulaId : keeps(retired)
	);
	const going = new Set<string>(formulas.map(({ formula }) => formula.id));
	const products = book.products.filter(
		({ product, retired }) =>
			keeps(retired) && product.doughs.every(({ formulaId }) => going.has(formulaId))
	);
	const taken = takenBy(book, [
		...formulas.flatMap(({ formula }) => formula.lines.map(({ material }) => material)),
		...products.flatMap(({ product }) => product.extras.map(({ material }) => material)),
		...(typeof what === 'object' ? [] : allOf(book, keeps))
	]);
	const named = (material: Material): FileMaterial =>
		material.kind === 'ingredient'
			? { of: book.pantry.ingredients.get(material.ingredientId)?.name ?? '', is: 'ingredient' }
			: {
					of: book.pantry.preparations.get(material.preparationId)?.name ?? '',
					is: 'preparation'
				};
	const formulaName = (formulaId: string) =>
		book.formulas.find(({ formula }) => formula.id === formulaId)?.formula.name ?? '';
	return {
		format: BOOK_FORMAT,
		version: BOOK_VERSION,
		ingredients: book.ingredients
			.filter(({ ingredient }) => taken.has(ingredient.id))
			.map(({ ingredient: one }) => ({
				name: one.name,
				kind: one.kind,
				composition: one.composition,
				yeastFreshEquivalent: one.yeastFreshEquivalent,
				allergens: [...one.allergens],
				heatCapacity: one.heatCapacity.kilojoulesPerKilogramKelvin,
				density: one.density?.kilogramsPerLitre ?? null,
				purityShare: one.purity.share,
				rolling: one.rolling
			})),
		preparations: [...book.preparations.values()]
			.filter(({ preparation }) => taken.has(preparation.id))
			.map(({ preparation: one, steps }) => ({
				name: one.name,
				kind: one.kind,
				buildLossShare: one.buildLoss.share,
				takeBackGrams: one.takeBackGrams,
				bath: one.bath ?? null,
				lines: one.lines.map(({ material, parts }) => ({ ...named(material), parts })),
				steps: steps.map(withoutPlaces)
			})),
		formulas: formulas.map(({ formula: one, targetCelsius, mostDoughGrams, steps }) => ({
			name: one.name,
			doughLossShare: one.doughLoss.share,
			targetCelsius,
			mostDoughGrams,
			lines: one.lines.map(({ material, percentOfFlour, addition }) => ({
				...named(material),
				percentOfFlour,
				addition
			})),
			steps: steps.map(withoutPlaces)
		})),
		products: products.map(({ product: one, steps, ...settings }) => ({
			name: one.name,
			doughs: one.doughs.map(({ formulaId, scaledWeight }) => ({
				formula: formulaName(formulaId),
				scaledGrams: scaledWeight.grams
			})),
			extras: one.extras.map(({ use, material, amount, forPieces }) => ({
				use,
				...named(material),
				grams: amount.grams,
				forPieces
			})),
			bakedGrams: settings.bakedGrams,
			bakeLossShare: settings.bakeLossShare,
			sparesShare: settings.sparesShare,
			shape: settings.shape,
			score: settings.score,
			scoreMm: settings.scoreMm,
			footprint: settings.footprint,
			heightCm: settings.heightCm,
			piecesPerDeck: settings.piecesPerDeck,
			sheet: settings.sheet,
			spacingCm: settings.spacingCm,
			steps: steps.map(withoutPlaces)
		}))
	};
}

/** Everything that is kept, whether or not something takes from it. */
function allOf(book: FormulaBook, keeps: (retired: boolean) => boolean): readonly Material[] {
	return [
		...book.ingredients
			.filter(({ ingredient }) => keeps(ingredient.retired))
			.map(({ ingredient }): Material => ({ kind: 'ingredient', ingredientId: ingredient.id })),
		...[...book.preparations.values()]
			.filter(({ retired }) => keeps(retired))
			.map(({ preparation }): Material => ({
				kind: 'preparation',
				preparationId: preparation.id
			}))
	];
}

/** The ids of everything that goes into something. */
function takenBy(book: FormulaBook, materials: readonly Material[]): ReadonlySet<string> {
	const taken = new Set<string>();
	const take = (material: Material) => {
		const id = material.kind === 'ingredient' ? material.ingredientId : material.preparationId;
		if (taken.has(id)) return;
		taken.add(id);
		if (material.kind === 'preparation')
			for (const line of book.pantry.preparations.get(material.preparationId)?.lines ?? [])
				take(line.material);
	};
	for (const material of materials) take(material);
	return taken;
}
