import { stringify } from 'csv-stringify/sync';

/** One line of a plan as a table: every cell a text, as it is read. */
export type TableRow = Readonly<Record<string, string>>;

/**
 * Writes a table as CSV, with its columns in the order given.
 *
 * Model: commas, CRLF, and a mark of its encoding, so that a spreadsheet reads names as they are; a cell that a
 * spreadsheet would take for a formula is marked as text. Range: any texts. Source: rfc-4180. Failures: none.
 * Example: a product named =1+1 is written as '=1+1.
 */
export function writeTable(columns: readonly string[], rows: readonly TableRow[]): string {
	return stringify([...rows], {
		columns: [...columns],
		header: true,
		bom: true,
		record_delimiter: 'windows',
		escape_formulas: true
	});
}
