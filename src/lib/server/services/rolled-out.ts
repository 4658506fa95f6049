import type { Material } from '../../core/formula/index.ts';
import { proofTooWarm, rolledInOf, turnsOf, type SheetAsked } from '../../core/sheeting/index.ts';
import type { BakeryDay } from './day-production.ts';

/** What is rolled out and cut from sheets for a date, by its orders and their spares. */
export function rolledOutOf({ book, production }: BakeryDay): readonly SheetAsked[] {
	const nameOf = (material: Material) =>
		material.kind === 'ingredient'
			? (book.pantry.ingredients.get(material.ingredientId)?.name ?? '')
			: (book.pantry.preparations.get(material.preparationId)?.name ?? '');
	return book.products.flatMap(({ product, steps }) => {
		const { sheet } = product;
		const first = product.doughs[0]?.formulaId;
		const dough = production.doughs.find(({ resolved }) => resolved.formula.id === first);
		const pieces = dough?.products.find((one) => one.product.id === product.id)?.pieces ?? 0;
		if (!sheet || !dough || pieces === 0) return [];
		const rolledIn = rolledInOf(dough.resolved.final);
		return [
			{
				name: product.name,
				pieces,
				sheet,
				doughs: product.doughs.map(({ formulaId, scaledWeight }) => ({
					name: book.formulas.find(({ formula }) => formula.id === formulaId)?.formula.name ?? '',
					scaled: scaledWeight
				})),
				fillings: product.extras
					.filter(({ use }) => use === 'filling')
					.map(({ material, amount, forPieces }) => ({
						name: nameOf(material),
						scaled: { grams: amount.grams / forPieces }
					})),
				turns: turnsOf(book.formulas.find(({ formula }) => formula.id === first)?.steps ?? []),
				rolledIn,
				proofTooWarmCelsius: proofTooWarm(steps, rolledIn?.rolling ?? null)
			}
		];
	});
}
