import { fail, ok, type Result } from '../result.ts';
import type { Mass } from './mass.ts';

/** A scale of the bakery: what it can carry and the smallest step it shows. */
export interface WeighingScale {
	readonly name: string;
	readonly capacity: Mass;
	readonly division: Mass;
}

export interface Weighing {
	readonly scale: WeighingScale;
	/** What the scale will show: a whole number of its divisions. */
	readonly weighed: Mass;
	/** Weighed minus wanted. */
	readonly residue: Mass;
	/** In how many goes: 1 for what the scale carries at once. */
	readonly goes: number;
	/** True when rounding moved the ingredient by more than 1 % of itself. */
	readonly coarse: boolean;
}

export type WeighingFailure = { readonly kind: 'no-scales' };

/** Rounding that moves a line by more than this share of itself is flagged (our default). */
export const COARSE_ROUNDING_SHARE = 0.01;

/**
 * Gives the scale that weighs `wanted` and the figure it will show.
 *
 * The finest scale that carries the mass weighs it; above every capacity the largest scale
 * weighs it in several goes, still in its own divisions.
 * Range: any finite mass of 0 g or more.
 * Source: our default.
 * Failure: `no-scales` when the bakery has none.
 * Example: 512.34 g with scales 0.1 g to 500 g and 1 g to 6 kg is weighed as 512 g on the second.
 */
export function roundToScale(
	wanted: Mass,
	scales: readonly WeighingScale[]
): Result<Weighing, WeighingFailure> {
	const byDivision = [...scales].sort((a, b) => a.division.grams - b.division.grams);
	const byCapacity = [...scales].sort((a, b) => b.capacity.grams - a.capacity.grams);
	const scale = byDivision.find((scale) => wanted.grams <= scale.capacity.grams) ?? byCapacity[0];
	if (!scale) return fail({ kind: 'no-scales' });
	return ok(weighOn(scale, wanted, Math.round(wanted.grams / scale.division.grams)));
}

/** The same weighing with a given number of divisions, used when rounding must not lose dough. */
export function weighOn(scale: WeighingScale, wanted: Mass, divisions: number): Weighing {
	const weighed = cleanDecimals(divisions * scale.division.grams);
	const residue = cleanDecimals(weighed - wanted.grams);
	return {
		scale,
		weighed: { grams: weighed },
		residue: { grams: residue },
		goes: Math.max(1, Math.ceil(weighed / scale.capacity.grams)),
		coarse: Math.abs(residue) > COARSE_ROUNDING_SHARE * wanted.grams
	};
}

/** How many decimals in grams a division needs to be written: 0.1 g needs one, 20 g none. */
export function decimalsOfDivision(division: Mass): number {
	for (let decimals = 0; decimals < 6; decimals += 1) {
		const scaled = division.grams * 10 ** decimals;
		if (Math.abs(scaled - Math.round(scaled)) < 1e-9) return decimals;
	}
	return 6;
}

/** Removes the binary dust of a product such as 3 x 0.1. */
function cleanDecimals(value: number): number {
	return Math.round(value * 1e6) / 1e6;
}
