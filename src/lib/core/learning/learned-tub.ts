import { ownWarming, timeConstantRevealed, timeConstantSpread } from '../fermentation/index.ts';
import type { WaitPlace, WaitStep } from '../formula/index.ts';
import { THERMOMETER_KELVINS } from '../heat/index.ts';
import { placeOf } from '../ripening/index.ts';
import { estimate } from './estimate.ts';
import type { CheckedDough, Learned, MeasuredMix, MovedDough } from './observed.ts';

/** How fast a tub takes the temperature of its place, in minutes. */
export type LearnedTub = Learned<{
	readonly fromCelsius: number;
	readonly toCelsius: number;
	readonly ambientCelsius: number;
	readonly minutes: number;
}> & { readonly place: WaitPlace };

/** How far the time constant of the book may be off, as a standard deviation of its logarithm (our default). */
const PRIOR_SPREAD = 0.4;
/** No pair of readings tells a constant better than this: tubs stand here and there (our default). */
const LEAST_SPREAD = 0.1;

/** What the checks of a formula's doughs were measured against: the mix before, and moves between. */
export interface TubHistory {
	/** Newest first. */
	readonly checks: readonly CheckedDough[];
	readonly mixed: readonly Pick<MeasuredMix, 'batchId' | 'doughCelsius' | 'occurredAtMs'>[];
	readonly moves: readonly MovedDough[];
}

/**
 * Gives the time constant of a dough's tub in one place, learned from pairs of temperatures.
 *
 * Model: each check against the reading before it, in one place, the dough's own warming taken off; a constant
 * is a ratio of times and is believed by its logarithm. Range: checks newest first. Source: newton-cooling,
 * our default for the prior. Failures: null for a wait without a leg there, or one that holds its temperature.
 * Example: from 27 to 24.2 in 265 min in a room of 21 is near 420 min for a dough that does not warm itself.
 */
export function learnedTub(
	step: WaitStep,
	place: WaitPlace,
	{ checks, mixed, moves }: TubHistory
): LearnedTub | null {
	const leg = step.legs.find((leg) => leg.place === place);
	if (!leg || !Number.isFinite(leg.timeConstantMinutes)) return null;
	const observations = checks.flatMap((check) => {
		if (check.place !== place) return [];
		const before = pointBefore(check, checks, mixed);
		if (!before || movedBetween(moves, check, before.atMs)) return [];
		const minutes = (check.occurredAtMs - before.atMs) / 60_000;
		const { selfHeating } = placeOf(step, leg);
		const own = selfHeating ? ownWarming(selfHeating, before.celsius, check.celsius, minutes) : 0;
		const later = check.celsius - own;
		const found = timeConstantRevealed(before.celsius, later, check.ambientCelsius, minutes);
		if (!found.ok) return [];
		const thermometer = THERMOMETER_KELVINS[check.instrument];
		const spread = timeConstantSpread(before.celsius, later, check.ambientCelsius, thermometer);
		return [
			{
				id: check.id,
				value: found.value,
				spread: Math.max(LEAST_SPREAD, spread),
				fromCelsius: before.celsius,
				toCelsius: check.celsius,
				ambientCelsius: check.ambientCelsius,
				minutes,
				ignored: check.ignored,
				occurredAtMs: check.occurredAtMs
			}
		];
	});
	// A constant is a ratio of times: it is believed by its logarithm.
	const belief = estimate(
		{ mean: Math.log(leg.timeConstantMinutes), spread: PRIOR_SPREAD },
		observations
			.filter((observation) => !observation.ignored)
			.map((observation) => ({
				id: observation.id,
				value: Math.log(observation.value),
				spread: observation.spread
			}))
	);
	return {
		place,
		mean: belief.used.length > 0 ? Math.exp(belief.mean) : leg.timeConstantMinutes,
		band: { low: Math.exp(belief.band.low), high: Math.exp(belief.band.high) },
		book: leg.timeConstantMinutes,
		used: belief.used.length,
		observations: observations.map(({ spread: _, ...one }) => ({
			...one,
			leftOut: belief.leftOut.includes(one.id)
		}))
	};
}

function pointBefore(
	check: CheckedDough,
	checks: readonly CheckedDough[],
	mixed: TubHistory['mixed']
): { readonly celsius: number; readonly atMs: number } | null {
	const points = [
		...checks
			.filter((dough) => dough.batchId === check.batchId)
			.map((check) => ({ celsius: check.celsius, atMs: check.occurredAtMs })),
		...mixed
			.filter((pick) => pick.batchId === check.batchId)
			.map((pick) => ({ celsius: pick.doughCelsius, atMs: pick.occurredAtMs }))
	].filter((sample) => sample.atMs < check.occurredAtMs);
	return points.sort((a, b) => b.atMs - a.atMs)[0] ?? null;
}

function movedBetween(moves: readonly MovedDough[], check: CheckedDough, fromMs: number): boolean {
	return moves.some(
		(move) =>
			move.batchId === check.batchId &&
			move.occurredAtMs > fromMs &&
			move.occurredAtMs < check.occurredAtMs
	);
}
