import type { BookFile } from '../../contracts/book-file.ts';
import { toMillionth } from './table-numbers.ts';
import { writeTable } from '../table-of-work.ts';
import { PRODUCT_HEADS, type ProductColumn } from './products-columns.ts';

/**
 * Writes the products of a book as CSV: a line for each dough of each, and for what goes on, in and around it. Steps, ground
 * and sheets stay behind.
 * Range: any book. Source: rfc-4180. Failures: none. Example: read back they have the same parts and figures.
 */
export function writeProductsCsv({ products }: Pick<BookFile, 'products'>): string {
	const columns = Object.keys(PRODUCT_HEADS) as ProductColumn[];
	const rows = products.flatMap((one): Partial<Record<ProductColumn, string>>[] => [
		...one.doughs.map(({ formula, scaledGrams }, at) => ({
			product: one.name,
			part: 'dough',
			of: formula,
			grams: String(scaledGrams),
			// What is said of the whole stands on its first line.
			...(at === 0
				? {
						lost: String(toMillionth(one.bakeLossShare * 100)),
						spares: String(toMillionth(one.sparesShare * 100)),
						label: one.bakedGrams === null ? '' : String(one.bakedGrams),
						shape: one.shape
					}
				: {})
		})),
		...one.extras.map(({ use, of, grams, forPieces }) => ({
			product: one.name,
			part: use,
			of,
			grams: String(grams),
			forPieces: String(forPieces)
		}))
	]);
	return writeTable(
		columns.map((column) => PRODUCT_HEADS[column][0] ?? column),
		rows.map((row) =>
			Object.fromEntries(
				columns.map((column) => [PRODUCT_HEADS[column][0] ?? column, row[column] ?? ''])
			)
		)
	);
}
