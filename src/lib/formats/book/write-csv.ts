import type { BookFile } from '../../contracts/book-file.ts';
import { nameKey } from '../name-key.ts';
import { writeTable, type TableRow } from '../table-of-work.ts';
import { COLUMNS, type Column } from './csv-columns.ts';
import { stagesOf } from './stages-of.ts';

/**
 * Writes the formulas of a book as CSV: a line for each ingredient of each stage. Steps, temperatures and products stay behind.
 * Range: any book. Source: rfc-4180. Failures: none. Example: read back it has the same formulas, lines and stages.
 */
export function writeBookCsv({ formulas, preparations }: BookFile): string {
	const byName = new Map(preparations.map((one) => [nameKey(one.name), one]));
	const row = (cells: Partial<Record<Column, string>>): TableRow =>
		Object.fromEntries(WRITTEN.map((column) => [COLUMNS[column][0], cells[column] ?? ''] as const));
	const rows = formulas.flatMap(({ name: formula, lines, targetCelsius }): TableRow[] => {
		const stages = stagesOf(
			lines.flatMap(({ is, of }) => (is === 'preparation' ? [of] : [])),
			byName
		);
		return [
			...stages.flatMap(({ name, kind, lines: of }) =>
				of.map((line) =>
					row({
						formula,
						stage: name,
						stageKind: kind,
						ingredient: line.of,
						percent: String(line.parts)
					})
				)
			),
			...lines.map((line, at) =>
				row({
					formula,
					...(at === 0 ? { target: String(targetCelsius) } : {}),
					ingredient: line.of,
					percent: String(line.percentOfFlour),
					when: line.addition
				})
			)
		];
	});
	return writeTable(
		WRITTEN.map((column) => COLUMNS[column][0]),
		rows
	);
}

const WRITTEN: readonly Column[] = [
	'formula',
	'stage',
	'stageKind',
	'ingredient',
	'percent',
	'when',
	'target'
];
