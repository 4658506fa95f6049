import { SCORED, type ResultEntry, type Scored } from './result-entry.ts';

/** What pieces weigh out of the oven, and what they lost in it. */
export interface BakedWeight {
	readonly grams: number;
	/** Of what they were scaled at. */
	readonly lossShare: number;
}

/**
 * What one piece weighs as baked, and its bake loss, over everything that was weighed of it.
 * Range: a positive scaled weight. Source: definition. Failures: null where nothing was weighed.
 * Example: 10 pieces scaled at 900 g weigh 7 920 g: 792 g each, a loss of 12 %.
 */
export function bakedOf(results: readonly ResultEntry[], scaledGrams: number): BakedWeight | null {
	let pieces = 0;
	let all = 0;
	for (const { told } of results)
		if (told.kind === 'weighed') {
			pieces += told.pieces;
			all += told.bakedGrams;
		}
	if (pieces === 0 || scaledGrams <= 0) return null;
	const grams = all / pieces;
	return { grams, lossShare: 1 - grams / scaledGrams };
}

/** The newest score of each that is scored; null where none was given. Range: any results. Source: definition. Failures: none. */
export function scoreOf(results: readonly ResultEntry[]): Readonly<Record<Scored, number | null>> {
	const newest = { crust: null, crumb: null, taste: null } as Record<Scored, number | null>;
	for (const { told } of [...results].sort((a, b) => a.atMs - b.atMs))
		if (told.kind === 'scored')
			for (const one of SCORED) newest[one] = told.scores[one] ?? newest[one];
	return newest;
}
