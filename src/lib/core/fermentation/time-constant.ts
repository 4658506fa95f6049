import { fail, ok, type Result } from '../result.ts';
import { rateAt } from './cardinal-rate.ts';
import type { SelfHeating } from './temperature-path.ts';

export type TimeConstantFailure =
	/** The dough was too near its place to tell how fast it goes there. */
	| { readonly kind: 'too-near-the-place'; readonly kelvins: number; readonly least: number }
	/** It went away from its place, or past it: a reading or the place is wrong. */
	| { readonly kind: 'not-towards-the-place' };

/** A thermometer is off by tenths; from less than this nothing is learned (our default). */
export const LEAST_DRIFT_SPAN_KELVINS = 1.5;

/**
 * Gives the time constant that two temperatures of a dough in one place reveal, in minutes.
 *
 * Model: Newton's law, t / ln((T1 - T_place) / (T2 - T_place)); what the mass warmed itself by is taken off
 * by the caller (`ownWarming`). Range: a dough 1.5 K or more from its place at first, minutes above 0.
 * Source: newton-cooling. Failures: `too-near-the-place`, `not-towards-the-place`.
 * Example: from 27 to 24.2 in 265 min in a place of 21 degrees is a constant of 420 min.
 */
export function timeConstantRevealed(
	firstCelsius: number,
	laterCelsius: number,
	placeCelsius: number,
	minutes: number
): Result<number, TimeConstantFailure> {
	const span = firstCelsius - placeCelsius;
	if (Math.abs(span) < LEAST_DRIFT_SPAN_KELVINS)
		return fail({
			kind: 'too-near-the-place',
			kelvins: Math.abs(span),
			least: LEAST_DRIFT_SPAN_KELVINS
		});
	const left = (laterCelsius - placeCelsius) / span;
	if (!(left > 0 && left < 1) || !(minutes > 0)) return fail({ kind: 'not-towards-the-place' });
	return ok(-minutes / Math.log(left));
}

/**
 * Gives by how much a mass warmed itself between two temperatures, in kelvins.
 * Model: its heat at the mean of both; good to a tenth for some hours of bulk. Source: rosso-1993.
 * Failures: none. Example: a sourdough tub held at its optimum for two hours warms itself by 0.8.
 */
export function ownWarming(
	{ kelvinsPerHour, curve }: SelfHeating,
	firstCelsius: number,
	laterCelsius: number,
	minutes: number
): number {
	return (kelvinsPerHour * rateAt(curve, (firstCelsius + laterCelsius) / 2) * minutes) / 60;
}

/**
 * Gives how far a revealed constant may be off, as a standard deviation of its logarithm.
 * Model: both thermometers off by `kelvins`, carried through the logarithm of the shares that are left.
 * Range: what `timeConstantRevealed` gives a value for. Source: our default. Failures: none.
 * Example: 27 to 24.2 towards 21 with thermometers good to 0.3 is told to about 17 %.
 */
export function timeConstantSpread(
	firstCelsius: number,
	laterCelsius: number,
	placeCelsius: number,
	kelvins: number
): number {
	const first = firstCelsius - placeCelsius;
	const later = laterCelsius - placeCelsius;
	return Math.hypot(kelvins / first, kelvins / later) / Math.abs(Math.log(later / first));
}
