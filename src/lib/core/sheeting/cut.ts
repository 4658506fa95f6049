import type { Mass } from '../units/index.ts';

/**
 * How pieces are cut from a sheet. Along is the way the sheet is rolled out, across is its width.
 * Triangles stand in rows, base and tip by turns, so that a row ends in half a triangle on either side;
 * slices are cut from a sheet that was rolled up across.
 */
export type SheetCut =
	| {
			readonly kind: 'triangles';
			readonly baseCm: number;
			readonly heightCm: number;
			/** The two halves at the ends of a row are pressed together to one more piece. */
			readonly halvesJoined: boolean;
	  }
	| { readonly kind: 'rectangles'; readonly alongCm: number; readonly acrossCm: number }
	| { readonly kind: 'strips'; readonly widthCm: number; readonly lengthCm: number }
	| { readonly kind: 'rounds'; readonly diameterCm: number }
	| { readonly kind: 'slices'; readonly thicknessCm: number; readonly rolledCm: number };

export const CUT_KINDS = ['triangles', 'rectangles', 'strips', 'rounds', 'slices'] as const;
export type CutKind = (typeof CUT_KINDS)[number];

/** What becomes of what is cut off. */
export const TRIM_GOES = ['thrown-away', 'next-dough', 'other-pieces'] as const;
export type TrimGoes = (typeof TRIM_GOES)[number];

/** How a product is rolled out and cut. */
export interface SheetOfProduct {
	readonly cut: SheetCut;
	/** Cut off all around before anything is cut from it. */
	readonly edgeCm: number;
	/** No sheet is wider or longer: what the rollers and the table take. */
	readonly mostWidthCm: number;
	readonly mostLengthCm: number;
	/** Weight of the rolled dough; null while no piece of it was weighed. */
	readonly gramsPerCubicCm: number | null;
	/** The filling is spread over the whole sheet before it is cut. */
	readonly filledFirst: boolean;
	readonly trimGoes: TrimGoes;
}

/** What a cubic centimetre of rolled dough weighs until a piece was weighed, in g (our default). */
export const USUAL_SHEET_GRAMS_PER_CUBIC_CM = 1.1;

/** The area of one piece, in square centimetres. Range: sides above 0. Source: plane geometry. */
export function areaOfPiece(cut: SheetCut): number {
	switch (cut.kind) {
		case 'triangles':
			return (cut.baseCm * cut.heightCm) / 2;
		case 'rectangles':
			return cut.alongCm * cut.acrossCm;
		case 'strips':
			return cut.widthCm * cut.lengthCm;
		case 'rounds':
			return (Math.PI * cut.diameterCm ** 2) / 4;
		case 'slices':
			return cut.thicknessCm * cut.rolledCm;
	}
}

/** What a cubic centimetre of a sheet is taken to weigh, in g. */
export function sheetDensity({ gramsPerCubicCm }: SheetOfProduct): number {
	return gramsPerCubicCm ?? USUAL_SHEET_GRAMS_PER_CUBIC_CM;
}

/**
 * Gives how thick a piece of a weight is, in mm.
 * Model: weight = area x thickness x density. Range: weights above 0. Source: definition. Failures: none.
 * Example: 77 g cut as a triangle of 10 x 28 cm at 1.1 g/cm3 are 5.0 mm.
 */
export function thicknessOf(piece: Mass, sheet: SheetOfProduct): number {
	return (piece.grams / (areaOfPiece(sheet.cut) * sheetDensity(sheet))) * 10;
}

/** What a piece weighs that is rolled to a thickness in mm; the other way of `thicknessOf`. */
export function weightAt(thicknessMm: number, sheet: SheetOfProduct): Mass {
	return { grams: areaOfPiece(sheet.cut) * (thicknessMm / 10) * sheetDensity(sheet) };
}

/** What a cubic centimetre weighs where a piece of a measured thickness was weighed, in g. */
export function densityOfWeighed(weighed: Mass, thicknessMm: number, cut: SheetCut): number {
	return weighed.grams / (areaOfPiece(cut) * (thicknessMm / 10));
}
