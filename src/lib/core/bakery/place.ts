import type { EntryProblem } from './problem.ts';

/** What dough waits in, and what ingredients stand in. */
export interface PlaceContent {
	readonly placeKind: 'room' | 'proofer' | 'cold';
	/** The room all stand in, and the bins; every other place is `other`. */
	readonly role: 'bakehouse' | 'flour' | 'other';
	/** What it is set to, or taken to be at until it is read. */
	readonly celsius: number;
	readonly humidityPercent: number | null;
	/** How many trays or tubs it has room for; null where it never runs out. */
	readonly holds: number | null;
	/** The oven that it is: one just above room heat serves as a prover; null for a room or a cabinet. */
	readonly ovenId: string | null;
	/** What it is to heat, where warm dough warms it; null where it is not known. */
	readonly cold: {
		readonly compressorWatts: number;
		readonly airKilojoulesPerKelvin: number;
		readonly wallsWattsPerKelvin: number;
	} | null;
}

/** Warmer than this yeast suffers, and an oven is no prover (our default). */
export const MOST_PROVER_CELSIUS = 40;

export function placeProblems({
	placeKind,
	celsius,
	holds,
	ovenId
}: PlaceContent): readonly EntryProblem[] {
	if (ovenId === null) return [];
	const problems: EntryProblem[] = [];
	if (placeKind !== 'proofer') problems.push({ kind: 'oven-is-no-room', field: 'placeKind' });
	if (celsius > MOST_PROVER_CELSIUS)
		problems.push({ kind: 'too-hot-to-prove', field: 'celsius', most: MOST_PROVER_CELSIUS });
	if (holds === null) problems.push({ kind: 'oven-without-room', field: 'holds' });
	return problems;
}
