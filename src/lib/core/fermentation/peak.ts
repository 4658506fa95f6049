import { ripeMinutesAt } from './dose.ts';
import type { RateCurve } from './cardinal-rate.ts';

/** A build whose peak is known: its growth (flour after the feed over flour in the seed) and time. */
export interface KnownPeak {
	readonly growth: number;
	readonly celsius: number;
	readonly minutes: number;
}

/**
 * Gives when a culture or long pre-ferment peaks after another feed at another temperature.
 *
 * Model: growth to the same end takes time in proportion to ln(flour after / flour in the seed); the
 * rate follows the leavening's curve. Stiffness is not counted.
 * Range: growth above 1. Source: domain arithmetic; rosso-1993. Failures: null where nothing ferments.
 * Example: 1:4.5:4.5 at 24 peaks after 466.1 min when 1:5:5 at 21 takes 600.
 */
export function peakMinutes(
	curve: RateCurve,
	known: KnownPeak,
	growth: number,
	celsius: number
): number | null {
	const sameTemperature = (known.minutes * Math.log(growth)) / Math.log(known.growth);
	return ripeMinutesAt(curve, known.celsius, sameTemperature, celsius);
}

/** How a build is fed, as far as it sets its pace. */
export interface FedBuild {
	/** Flour after the feed over flour in the seed. */
	readonly growth: number;
	readonly hydrationPercent: number;
	/** Salt in percent of its flour. */
	readonly saltPercent: number;
}

/** A build of half the water of a liquid one takes a quarter longer; a percent of salt a tenth (our defaults). */
const STIFFNESS = 0.5;
const SALT_PER_PERCENT = 0.1;

/**
 * Gives how many times as long a build takes as a liquid one without salt would.
 * Range: hydration and salt of 0 or more; wetter than 100 % is as quick as that. Source: our defaults. Failures: none.
 * Example: at 50 % water it takes 1.25 times as long, with 2 % of salt 1.2 times that.
 */
export function slownessOf({ hydrationPercent, saltPercent }: FedBuild): number {
	const dry = Math.max(0, 100 - hydrationPercent) / 100;
	return (1 + STIFFNESS * dry) * (1 + SALT_PER_PERCENT * saltPercent);
}

/**
 * Gives when a build peaks once it is fed otherwise, from a peak that is known of it.
 * Model: `peakMinutes`, and the pace of its stiffness and its salt. Range: growth above 1. Source: domain arithmetic;
 * rosso-1993; our defaults for stiffness and salt. Failures: null where nothing ferments or grows.
 * Example: a liquid build seeded at a tenth instead of a fifth takes ln 10 / ln 5 times as long.
 */
export function peakAfterFeed(
	curve: RateCurve,
	known: { readonly build: FedBuild; readonly celsius: number; readonly minutes: number },
	other: FedBuild,
	celsius: number
): number | null {
	if (!(known.build.growth > 1 && other.growth > 1)) return null;
	const plain = peakMinutes(
		curve,
		{ growth: known.build.growth, celsius: known.celsius, minutes: known.minutes },
		other.growth,
		celsius
	);
	return plain === null ? null : (plain * slownessOf(other)) / slownessOf(known.build);
}
