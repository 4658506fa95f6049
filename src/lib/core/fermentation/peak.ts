import { ripeMinutesAt } from './dose.ts';
import type { CardinalCurve } from './cardinal-rate.ts';

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
	curve: CardinalCurve,
	known: KnownPeak,
	growth: number,
	celsius: number
): number | null {
	const sameTemperature = (known.minutes * Math.log(growth)) / Math.log(known.growth);
	return ripeMinutesAt(curve, known.celsius, sameTemperature, celsius);
}
