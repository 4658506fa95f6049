import type { ProductDetailView } from '../../../contracts/book-views.ts';
import type { Pantry } from '../../../core/formula/index.ts';
import { id, type DropId } from '../../../core/identity.ts';
import {
	productionOf,
	type BakeryProduct,
	type DayProduction
} from '../../../core/production/index.ts';

export function pantryOf(view: ProductDetailView): Pantry {
	return {
		causticMost: view.causticMost,
		ingredients: new Map(view.ingredients.map((ingredient) => [ingredient.id, ingredient])),
		preparations: new Map(view.preparations.map((preparation) => [preparation.id, preparation]))
	};
}

/**
 * A product scaled as one: all of its doughs, their builds, and what goes on and in the piece, for some
 * pieces and nothing else. Null when the bakery has no scale.
 */
export function scaledProduct(
	view: ProductDetailView,
	product: BakeryProduct,
	pieces: number
): DayProduction | null {
	const most = view.mixerMostGrams > 0 ? view.mixerMostGrams : Infinity;
	const result = productionOf({
		demands: [{ dropId: id<DropId>('here'), dueMs: 0, productId: product.id, pieces }],
		products: [product],
		formulas: view.formulas.map((formula) => ({
			formula,
			limits: [{ least: { grams: 0 }, most: { grams: most } }]
		})),
		pantry: pantryOf(view),
		scales: view.scales,
		made: { mixes: [], preparations: [] }
	});
	return result.ok ? result.value : null;
}
