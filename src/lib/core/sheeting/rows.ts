import type { SheetCut } from './cut.ts';

/** How the pieces of a cut lie on a sheet: what rows of them take along and across. */
export interface RowPattern {
	/** How far so many rows reach across, in cm. */
	readonly acrossCm: (rows: number) => number;
	/** How far so many pieces in a row reach along, in cm. */
	readonly alongCm: (inRow: number, rows: number) => number;
	/** How many pieces so many rows of so many are. */
	readonly pieces: (inRow: number, rows: number) => number;
	/** Every second row lies half a piece further along. */
	readonly staggered: boolean;
}

const grid = (alongCm: number, acrossCm: number): RowPattern => ({
	acrossCm: (rows) => rows * acrossCm,
	alongCm: (inRow) => inRow * alongCm,
	pieces: (inRow, rows) => inRow * rows,
	staggered: false
});

/**
 * Gives the ways the pieces of a cut can lie in rows. Rounds lie one beside the other or in the gaps of the row before.
 * Source: plane geometry (triangles of a row share their sides; circles in the gaps are sqrt(3)/2 apart).
 */
export function patternsOf(cut: SheetCut): readonly RowPattern[] {
	switch (cut.kind) {
		case 'triangles': {
			// Of n halves of a base along the row all but the first begin a triangle; the two halves at its ends make one more.
			const joined = cut.halvesJoined ? 1 : 0;
			return [
				{
					acrossCm: (rows) => rows * cut.heightCm,
					alongCm: (inRow) => ((inRow - joined + 1) * cut.baseCm) / 2,
					pieces: (inRow, rows) => inRow * rows,
					staggered: false
				}
			];
		}
		case 'rectangles':
			return [grid(cut.alongCm, cut.acrossCm)];
		case 'strips':
			return [grid(cut.widthCm, cut.lengthCm)];
		case 'slices':
			return [grid(cut.thicknessCm, cut.rolledCm)];
		case 'rounds': {
			const d = cut.diameterCm;
			return [
				grid(d, d),
				{
					acrossCm: (rows) => d + ((rows - 1) * d * Math.sqrt(3)) / 2,
					alongCm: (inRow, rows) => (rows > 1 ? inRow + 0.5 : inRow) * d,
					pieces: (inRow, rows) => inRow * rows,
					staggered: true
				}
			];
		}
	}
}

/** The fewest pieces a row can be made of: a row of triangles whose halves are joined has one whole one at least. */
export function leastInRow(cut: SheetCut): number {
	return cut.kind === 'triangles' && cut.halvesJoined ? 2 : 1;
}
