import type { BatchId, IngredientId } from '../identity.ts';
import type { DayProduction } from './day.ts';
import type { WeighUpLine } from './weigh-up.ts';

/**
 * Gives what goes into one batch that was begun, by ingredient: what is weighed for it, and for a mix what its pieces take
 * beside their dough.
 *
 * Model: the weights of its lines; the extras of a product in proportion to its pieces in this mix. What it takes of a
 * preparation was weighed when that was begun. Range: a day's production. Source: definition. Failures: none; a batch that
 * is not of the day uses nothing.
 * Example: a mix of 11.3 kg of flour for 40 of the 60 buns has two thirds of their egg wash.
 */
export function usesOfBatch(
	{ doughs, builds, extras }: Pick<DayProduction, 'doughs' | 'builds' | 'extras'>,
	batchId: BatchId
): ReadonlyMap<IngredientId, number> {
	const uses = new Map<IngredientId, number>();
	const add = (ingredientId: IngredientId, grams: number) =>
		void uses.set(ingredientId, (uses.get(ingredientId) ?? 0) + grams);
	const weigh = (lines: readonly WeighUpLine[]) => {
		for (const { material, weighing } of lines)
			if (material.kind === 'ingredient') add(material.ingredientId, weighing.weighed.grams);
	};
	for (const { lines, made } of builds) if (made === batchId) weigh(lines);
	for (const { mixes, products } of doughs)
		for (const mix of mixes) {
			if (mix.made !== batchId) continue;
			weigh(mix.lines);
			const carried = new Set(
				products
					.filter(({ product }) => product.role === 'carries')
					.map(({ product }) => product.id)
			);
			for (const { productId, pieces } of mix.portions)
				for (const extra of extras)
					if (
						carried.has(productId) &&
						extra.productId === productId &&
						extra.material.kind === 'ingredient' &&
						extra.pieces > 0
					)
						add(extra.material.ingredientId, (extra.amount.grams * pieces) / extra.pieces);
		}
	return uses;
}
