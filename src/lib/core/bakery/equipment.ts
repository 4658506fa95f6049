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
