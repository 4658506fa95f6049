/** What is done to a laminated dough: the fat is locked in as one or two layers, then it is folded. */
export const TURNS = ['lock-in-1', 'lock-in-2', 'half', 'single', 'double'] as const;
export type Turn = (typeof TURNS)[number];

/** By how much each turn multiplies the layers of fat; a lock-in sets them. */
const LAYERS: Record<Turn, number> = {
	'lock-in-1': 1,
	'lock-in-2': 2,
	half: 2,
	single: 3,
	double: 4
};

export interface Layers {
	readonly fat: number;
	/** As books count: dough that meets dough at a fold becomes one layer, so there is one more of them than of fat. */
	readonly dough: number;
	/** As many count at the bench: the layers of dough and fat that were locked in, times the folds. */
	readonly atTheBench: number;
}

/**
 * Gives the layers after a chain of turns; null when nothing was locked in.
 *
 * Model: fat layers = those of the lock-in x the product of the folds. Turns before the lock-in do not
 * count, and a second lock-in begins anew. At the bench the layers of the lock-in (dough, fat, dough) are multiplied as they
 * are, whether or not dough meets dough.
 * Range: any chain. Source: domain arithmetic (lamination). Failures: none.
 * Example: one layer locked in, a single and a double fold: 12 layers of fat, 13 of dough; 36 at the bench.
 */
export function layersAfter(turns: readonly Turn[]): Layers | null {
	let fat: number | null = null;
	let atTheBench = 0;
	for (const turn of turns) {
		if (turn === 'lock-in-1' || turn === 'lock-in-2') {
			fat = LAYERS[turn];
			atTheBench = 2 * fat + 1;
		} else if (fat !== null) {
			fat *= LAYERS[turn];
			atTheBench *= LAYERS[turn];
		}
	}
	return fat === null ? null : { fat, dough: fat + 1, atTheBench };
}
