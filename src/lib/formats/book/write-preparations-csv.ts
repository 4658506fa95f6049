import type { BookFile } from '../../contracts/book-file.ts';
import { writeTable } from '../table-of-work.ts';
import { PREPARATION_HEADS, type PreparationColumn } from './preparations-columns.ts';
import { toMillionth } from './table-numbers.ts';

/**
 * Writes the preparations of a book as CSV: a line for each thing that goes into one. Steps stay behind.
 * Range: any book. Source: rfc-4180. Failures: none. Example: read back they have the same lines and figures.
 */
export function writePreparationsCsv({ preparations }: Pick<BookFile, 'preparations'>): string {
	const columns = Object.keys(PREPARATION_HEADS) as PreparationColumn[];
	const orNone = (value: number | null | undefined) =>
		value === null || value === undefined ? '' : String(value);
	const rows = preparations.flatMap((one) =>
		one.lines.map(({ of, parts }, at): Partial<Record<PreparationColumn, string>> => ({
			preparation: one.name,
			of,
			parts: String(parts),
			// What is said of the whole stands on its first line.
			...(at === 0
				? {
						kind: one.kind,
						lost: String(toMillionth(one.buildLossShare * 100)),
						keptBack: String(one.takeBackGrams),
						dip: orNone(one.bath?.dipSeconds),
						renew: orNone(one.bath?.renewAfterMinutes)
					}
				: {})
		}))
	);
	return writeTable(
		columns.map((column) => PREPARATION_HEADS[column][0] ?? column),
		rows.map((row) =>
			Object.fromEntries(
				columns.map((column) => [PREPARATION_HEADS[column][0] ?? column, row[column] ?? ''])
			)
		)
	);
}
