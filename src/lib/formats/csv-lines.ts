import { parse } from 'csv-parse/browser/esm/sync';
import { fail, ok, type Result } from '../core/result.ts';

/** A line of a table with where it stands in its file, the first being 1. */
export interface CsvLine {
	readonly line: number;
	readonly cells: readonly string[];
}

/**
 * Reads a table line by line.
 *
 * Model: commas, semicolons or tabs, whichever the first line has most of; lines may be of any length, empty ones are left out. Range: RFC 4180; at the most so many lines are read.
 * Source: rfc-4180. Failures: `not-a-table` with the line whose quote does not end.
 * Example: "a;b" is two cells.
 */
export function csvLines(
	text: string,
	most = Infinity
): Result<readonly CsvLine[], { readonly kind: 'not-a-table'; readonly line: number }> {
	const [first = ''] = text.split('\n', 1);
	const count = (mark: string) => first.split(mark).length;
	const delimiter = [',', ';', '\t'].sort((a, b) => count(b) - count(a))[0] as string;
	try {
		const records = parse(text, {
			bom: true,
			delimiter,
			relax_column_count: true,
			skip_empty_lines: true,
			trim: true,
			info: true,
			...(Number.isFinite(most) ? { to: most } : {})
		}) as unknown as { info: { lines: number }; record: string[] }[];
		return ok(records.map(({ info, record }) => ({ line: info.lines, cells: record })));
	} catch (error) {
		return fail({ kind: 'not-a-table', line: (error as { lines?: number }).lines ?? 1 });
	}
}
