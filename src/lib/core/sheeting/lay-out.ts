import { fail, ok, type Result } from '../result.ts';
import type { Mass } from '../units/index.ts';
import { sheetDensity, thicknessOf, type SheetOfProduct } from './cut.ts';
import { leastInRow, patternsOf, type RowPattern } from './rows.ts';

/** A flat piece of dough or fat. */
export interface FlatSize {
	readonly lengthCm: number;
	readonly widthCm: number;
	readonly thicknessMm: number;
}

/** The sheets that a count of pieces is cut from; they are alike. */
export interface SheetLayout {
	readonly sheets: number;
	readonly rows: number;
	readonly inRow: number;
	readonly staggered: boolean;
	/** Pieces of one sheet. */
	readonly each: number;
	/** Pieces of all sheets, and how many of them nobody asked for. */
	readonly pieces: number;
	readonly over: number;
	readonly size: FlatSize;
	readonly piece: Mass;
	/** One sheet with what is cut off it. */
	readonly sheet: Mass;
	/** What is cut off one sheet. */
	readonly trim: Mass;
}

export type SheetFailure =
	/** One piece with its edges is wider, or longer, than any sheet may be. */
	| {
			readonly kind: 'piece-beyond-sheet';
			readonly way: 'across' | 'along';
			readonly needsCm: number;
			readonly mostCm: number;
	  }
	| { readonly kind: 'too-many-sheets'; readonly sheets: number; readonly most: number };

/** More sheets than a night rolls out: a size that was mistyped, most likely (our default). */
export const MOST_SHEETS = 400;

/** Lengths that differ by less are the same: no rule is read finer. */
const EPSILON_CM = 1e-6;

interface Arrangement {
	readonly pattern: RowPattern;
	readonly rows: number;
	readonly inRow: number;
	readonly area: number;
}

/**
 * Gives the sheets to roll for so many pieces: as few as the rollers and the table allow, all alike, and of those the
 * rows that take the least dough.
 *
 * Model: sheet = rows of the cut and an edge all around; its weight = length x width x thickness x density, where a piece
 * of its weight has that thickness too, so pieces x piece + trim = sheet. Pieces over are in whole rows.
 * Range: at least 1 piece, sides above 0. Source: domain arithmetic (lamination and make-up), plane geometry.
 * Failures: as `SheetFailure`.
 * Example: 84 strips of 2 x 30 cm with an edge of 1 cm, on sheets of at most 62 x 90 cm, are one sheet of 86 x 62 cm in
 * two rows of 42.
 */
export function layOut(
	sheet: SheetOfProduct,
	piece: Mass,
	pieces: number
): Result<SheetLayout, SheetFailure> {
	const room = {
		across: sheet.mostWidthCm - 2 * sheet.edgeCm + EPSILON_CM,
		along: sheet.mostLengthCm - 2 * sheet.edgeCm + EPSILON_CM
	};
	const beyond = beyondSheet(sheet, room);
	if (beyond) return fail(beyond);
	const mostEach = Math.max(
		...arrangements(sheet, room, null).map(({ pattern, rows, inRow }) =>
			pattern.pieces(inRow, rows)
		)
	);
	const sheets = Math.ceil(pieces / mostEach);
	if (sheets > MOST_SHEETS) return fail({ kind: 'too-many-sheets', sheets, most: MOST_SHEETS });
	const wanted = Math.ceil(pieces / sheets);
	const [best] = arrangements(sheet, room, wanted).sort(
		(a, b) => a.area - b.area || b.rows - a.rows
	);
	if (!best) return fail({ kind: 'too-many-sheets', sheets, most: MOST_SHEETS });
	return ok(sheetsOf(sheet, piece, { pieces, sheets }, best));
}

function beyondSheet(
	{ cut, edgeCm, mostWidthCm, mostLengthCm }: SheetOfProduct,
	room: { readonly across: number; readonly along: number }
): SheetFailure | null {
	const [pattern] = patternsOf(cut);
	const across = pattern?.acrossCm(1) ?? 0;
	const along = pattern?.alongCm(leastInRow(cut), 1) ?? 0;
	if (across > room.across)
		return {
			kind: 'piece-beyond-sheet',
			way: 'across',
			needsCm: across + 2 * edgeCm,
			mostCm: mostWidthCm
		};
	if (along > room.along)
		return {
			kind: 'piece-beyond-sheet',
			way: 'along',
			needsCm: along + 2 * edgeCm,
			mostCm: mostLengthCm
		};
	return null;
}

/** Every number of rows that fits, each with as many in a row as fit, or as a wanted count of pieces asks for. */
function arrangements(
	{ cut, edgeCm }: SheetOfProduct,
	room: { readonly across: number; readonly along: number },
	wanted: number | null
): Arrangement[] {
	const found: Arrangement[] = [];
	for (const pattern of patternsOf(cut))
		for (let rows = 1; pattern.acrossCm(rows) <= room.across; rows += 1) {
			const fit = mostInRow(pattern, rows, room.along);
			const inRow =
				wanted === null
					? fit
					: Math.max(leastInRow(cut), Math.ceil(wanted / pattern.pieces(1, rows)));
			if (inRow > fit || inRow < 1) continue;
			const area =
				(pattern.alongCm(inRow, rows) + 2 * edgeCm) * (pattern.acrossCm(rows) + 2 * edgeCm);
			found.push({ pattern, rows, inRow, area });
			if (wanted !== null && rows >= wanted) break;
		}
	return found;
}

/** How many fit in a row: lengths are straight lines in the count. */
function mostInRow(pattern: RowPattern, rows: number, along: number): number {
	const one = pattern.alongCm(1, rows);
	const step = pattern.alongCm(2, rows) - one;
	return one > along && pattern.alongCm(2, rows) > along ? 0 : 1 + Math.floor((along - one) / step);
}

function sheetsOf(
	sheet: SheetOfProduct,
	piece: Mass,
	{ pieces, sheets }: { readonly pieces: number; readonly sheets: number },
	{ pattern, rows, inRow, area }: Arrangement
): SheetLayout {
	const each = pattern.pieces(inRow, rows);
	const thicknessMm = thicknessOf(piece, sheet);
	const weight = area * (thicknessMm / 10) * sheetDensity(sheet);
	return {
		sheets,
		rows,
		inRow,
		staggered: pattern.staggered && rows > 1,
		each,
		pieces: each * sheets,
		over: each * sheets - pieces,
		size: {
			lengthCm: pattern.alongCm(inRow, rows) + 2 * sheet.edgeCm,
			widthCm: pattern.acrossCm(rows) + 2 * sheet.edgeCm,
			thicknessMm
		},
		piece,
		sheet: { grams: weight },
		trim: { grams: weight - each * piece.grams }
	};
}

/**
 * Gives how much rolled dough the sheets for so many pieces take, as a multiple of what the pieces weigh: 1 where nothing
 * is rolled out, or where the sheet cannot be laid out.
 * Range: pieces of 0 or more. Source: `layOut`. Failures: none.
 * Example: 84 pieces of 60 g from one sheet of 5.42 kg take 1.075 times their weight.
 */
export function sheetShare(sheet: SheetOfProduct | null, pieces: number): number {
	if (!sheet || pieces <= 0) return 1;
	const laid = layOut(sheet, { grams: 1 }, pieces);
	return laid.ok ? (laid.value.sheets * laid.value.sheet.grams) / pieces : 1;
}
