import { randomUUID } from 'node:crypto';
import type { FormulaBook } from '../../src/lib/server/db/formula-book.ts';

/** Formulas of the book under other names, as a file from afar would bring them, with what one of its names means here. */
export function broughtIn(book: FormulaBook): readonly Readonly<Record<string, unknown>>[] {
	const [known] = book.ingredients;
	return book.formulas.slice(0, 6).map(({ formula, targetCelsius, mostDoughGrams, steps }, at) => ({
		kind: 'bring-in',
		ingredients: [],
		preparations: [],
		formulas: [
			{
				formulaId: randomUUID(),
				name: `${formula.name} from afar ${at}`,
				doughLossShare: formula.doughLoss.share,
				targetCelsius,
				mostDoughGrams,
				lines: formula.lines,
				steps
			}
		],
		products: [],
		matches: [
			{
				name: `their name ${at}`,
				material: { kind: 'ingredient', ingredientId: known?.ingredient.id }
			}
		]
	}));
}
