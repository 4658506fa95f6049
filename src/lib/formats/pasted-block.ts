/**
 * Reads a block of cells as it is copied from a table: rows of cells between tabs.
 * Range: any text; cells of numbers, which hold neither tabs nor ends of lines. Source: our default. Failures: none.
 * Example: "12\t8\n6\t" are two rows of two cells.
 */
export function readBlock(text: string): readonly (readonly string[])[] {
	const rows = text.replace(/\r\n?/g, '\n').replace(/\n$/, '').split('\n');
	return rows.map((row) => row.split('\t'));
}
