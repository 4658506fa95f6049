import type { EntryProblem } from './problem.ts';

export interface ScaleContent {
	readonly capacityGrams: number;
	readonly divisionGrams: number;
}

export interface DividerContent {
	readonly heads: number;
	readonly leastPieceGrams: number;
	readonly mostPieceGrams: number;
}

export interface SheeterContent {
	readonly widthCm: number;
	/** How long a sheet its tables take. */
	readonly lengthCm: number;
	readonly thinnestMillimetres: number;
	readonly thickestMillimetres: number;
}

/** What dough and pieces stand in, and what those stand on. */
export const VESSEL_USES = ['basket', 'tin', 'board', 'tray', 'tub', 'pot', 'rack'] as const;
export type VesselUse = (typeof VESSEL_USES)[number];

export interface VesselContent {
	readonly use: VesselUse;
	readonly owned: number;
	/** Its room to the rim; null where that does not matter. */
	readonly millilitres: number | null;
	/** How many pieces, or trays on a rack, stand in one; null for one piece in each. */
	readonly holds: number | null;
}

export interface BenchContent {
	readonly lengthCm: number;
	readonly widthCm: number;
	/** How many can work at it at once. */
	readonly hands: number;
}

/** Elbow room of one pair of hands at a bench, in cm (our default). */
const ELBOW_CM = 50;

/** How many can stand around a bench at all: along both its sides and at both its ends; one at the smallest. */
function roomForHands({ lengthCm, widthCm }: BenchContent): number {
	const along = (side: number) => Math.floor(side / ELBOW_CM);
	return Math.max(1, 2 * along(lengthCm) + 2 * along(widthCm));
}

export function benchProblems(content: BenchContent): readonly EntryProblem[] {
	const most = roomForHands(content);
	return content.hands > most ? [{ kind: 'too-many-hands', field: 'hands', most }] : [];
}

/** What a cubic centimetre of dough weighs before it ferments, in g (our default). */
const DOUGH_GRAMS_PER_CUBIC_CM = 1.1;

/** How thick a sheet is rolled out last, in mm (our default). */
export const LAST_SHEET_MILLIMETRES = 4;

/**
 * How much dough one sheet is, rolled out as wide as the rollers and as long as the tables, in g.
 *
 * Model: a plain block of dough, at the last thickness or as thin as the sheeter goes. Range: any size. Source: our
 * default. Failures: none.
 * Example: 50 x 180 cm at 4 mm are 3.96 kg.
 */
export function sheetGrams(sheeter: SheeterContent): number {
	const millimetres = Math.max(LAST_SHEET_MILLIMETRES, sheeter.thinnestMillimetres);
	return sheeter.widthCm * sheeter.lengthCm * (millimetres / 10) * DOUGH_GRAMS_PER_CUBIC_CM;
}

export function scaleProblems({
	capacityGrams,
	divisionGrams
}: ScaleContent): readonly EntryProblem[] {
	return divisionGrams > capacityGrams
		? [{ kind: 'division-beyond-capacity', field: 'divisionGrams' }]
		: [];
}

export function dividerProblems(content: DividerContent): readonly EntryProblem[] {
	return content.leastPieceGrams > content.mostPieceGrams
		? [{ kind: 'least-above-most', field: 'leastPieceGrams' }]
		: [];
}

export function sheeterProblems(content: SheeterContent): readonly EntryProblem[] {
	return content.thinnestMillimetres > content.thickestMillimetres
		? [{ kind: 'least-above-most', field: 'thinnestMillimetres' }]
		: [];
}
