import type { BookFile } from '../../contracts/book-file.ts';
import { toMillionth } from './table-numbers.ts';
import { writeTable } from '../table-of-work.ts';
import { INGREDIENT_HEADS, type IngredientColumn } from './ingredients-columns.ts';

/**
 * Writes the ingredients of a book as CSV, one on a line. Prices, scales and places stay behind.
 * Range: any book. Source: rfc-4180. Failures: none. Example: read back they are what they were.
 */
export function writeIngredientsCsv({ ingredients }: Pick<BookFile, 'ingredients'>): string {
	const percent = (share: number) => String(toMillionth(share * 100));
	const orNone = (value: number | null | undefined) =>
		value === null || value === undefined ? '' : String(value);
	const columns = Object.keys(INGREDIENT_HEADS) as IngredientColumn[];
	const rows = ingredients.map((one): Record<IngredientColumn, string> => ({
		name: one.name,
		kind: one.kind,
		flour: percent(one.composition.flour),
		water: percent(one.composition.water),
		fat: percent(one.composition.fat),
		sugar: percent(one.composition.sugar),
		wholegrain: percent(one.composition.wholegrainOfFlour),
		yeast: String(one.yeastFreshEquivalent),
		allergens: one.allergens.join(', '),
		heat: String(one.heatCapacity),
		density: orNone(one.density),
		purity: percent(one.purityShare),
		rollsFrom: orNone(one.rolling?.fromCelsius),
		rollsTo: orNone(one.rolling?.toCelsius),
		melts: orNone(one.rolling?.meltsAtCelsius)
	}));
	return writeTable(
		columns.map((column) => INGREDIENT_HEADS[column][0] ?? column),
		rows.map((row) =>
			Object.fromEntries(
				columns.map((column) => [INGREDIENT_HEADS[column][0] ?? column, row[column]])
			)
		)
	);
}
