/** A place of the grid. */
export interface Spot {
	readonly row: number;
	readonly column: number;
}

/** A block of the grid between two of its corners. */
export interface Block {
	readonly from: Spot;
	readonly to: Spot;
}

/** The block between two corners, whichever of them comes first. */
export function blockBetween(a: Spot, b: Spot): Block {
	return {
		from: { row: Math.min(a.row, b.row), column: Math.min(a.column, b.column) },
		to: { row: Math.max(a.row, b.row), column: Math.max(a.column, b.column) }
	};
}

export function isIn(block: Block, { row, column }: Spot): boolean {
	return (
		row >= block.from.row &&
		row <= block.to.row &&
		column >= block.from.column &&
		column <= block.to.column
	);
}

/** Every spot of a block, row by row. */
export function spotsOf({ from, to }: Block): readonly Spot[] {
	const rows = Array.from({ length: to.row - from.row + 1 }, (_, at) => from.row + at);
	const columns = Array.from({ length: to.column - from.column + 1 }, (_, at) => from.column + at);
	return rows.flatMap((row) => columns.map((column) => ({ row, column })));
}

export function isOne({ from, to }: Block): boolean {
	return from.row === to.row && from.column === to.column;
}

/** Steps of the arrows, and of Enter. */
const MOVES: Readonly<Record<string, Spot>> = {
	ArrowUp: { row: -1, column: 0 },
	ArrowDown: { row: 1, column: 0 },
	Enter: { row: 1, column: 0 },
	ArrowLeft: { row: 0, column: -1 },
	ArrowRight: { row: 0, column: 1 }
};

/** Where a key leads from a spot; null for a key that leads nowhere. */
export function stepFrom({ row, column }: Spot, key: string): Spot | null {
	const by = Object.hasOwn(MOVES, key) ? MOVES[key] : undefined;
	return by ? { row: row + by.row, column: column + by.column } : null;
}

/** The cells of a pasted block with the spots they go to, from a corner on; null where it reaches beyond the grid. */
export function laidFrom(
	corner: Spot,
	cells: readonly (readonly string[])[],
	size: { readonly rows: number; readonly columns: number }
): readonly (Spot & { readonly text: string })[] | null {
	const laid = cells.flatMap((texts, row) =>
		texts.map((text, column) => ({ row: corner.row + row, column: corner.column + column, text }))
	);
	return laid.every(({ row, column }) => row < size.rows && column < size.columns) ? laid : null;
}
