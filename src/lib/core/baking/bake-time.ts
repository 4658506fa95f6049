import { fail, ok, type Result } from '../result.ts';
import type { Duration } from '../units/index.ts';
import type { Mass } from '../units/index.ts';

/** A bake that is known to be right. */
export interface KnownBake {
	readonly piece: Mass;
	readonly time: Duration;
}

/** A piece too far from the one that is known, with what is not. */
export type BakeTimeFailure = {
	readonly kind: 'outside-the-known';
	readonly least: Mass;
	readonly most: Mass;
};

/** Bake time goes with weight to this power, for one shape (our default). */
export const BAKE_EXPONENT = 0.45;
/** So far from the known weight it is offered, as a share of it (our default). */
export const BAKE_REACH = 0.4;

/**
 * Gives how long a piece of another weight bakes in the same oven and shape.
 *
 * Model: time goes with weight to the power of 0.45. It holds for pieces of one shape: a stick of half the length and
 * the same thickness keeps its time. Range: weights above 0, within 40 % of the known one. Source: domain (ovens);
 * our default. Failures: `outside-the-known` with the weights it is offered for.
 * Example: where 900 g bake in 42 min, 1 250 g take 48.7; for 520 g nothing is offered.
 */
export function bakeTimeOf(
	{ piece, time }: KnownBake,
	other: Mass
): Result<Duration, BakeTimeFailure> {
	const least = piece.grams * (1 - BAKE_REACH);
	const most = piece.grams * (1 + BAKE_REACH);
	// A weight right at the edge is inside, whatever the last digit of the product says.
	if (!(other.grams >= least * (1 - 1e-9) && other.grams <= most * (1 + 1e-9)))
		return fail({ kind: 'outside-the-known', least: { grams: least }, most: { grams: most } });
	return ok({ minutes: time.minutes * (other.grams / piece.grams) ** BAKE_EXPONENT });
}
