import { rateAt, type CardinalCurve } from './cardinal-rate.ts';
import { drifted, type PathStretch } from './temperature-path.ts';

/** The dose is told to this many minutes at the reference temperature. */
export const DOSE_TOLERANCE_MINUTES = 1e-4;
const DEEPEST_HALVING = 24;

/**
 * Gives the dose of a stretch: minutes at the reference temperature that do the same work.
 *
 * Model: integral of r(T(t)) / r(T_ref). At one temperature it is a product; on a drift it is
 * integrated by adaptive Simpson.
 * Precondition: the reference lies inside the curve. Tolerance: `DOSE_TOLERANCE_MINUTES` per stretch.
 * Limit: 24 halvings, where the best estimate so far is kept (a rate that touches 0 has a kink there).
 * Source: rosso-1993 for the rate, newton-cooling for the drift. Failures: none.
 * Example: sourdough 12 h from 24 into 4 degrees at a constant of 150 min has a dose of 121.4 min at 25.
 */
export function doseOfStretch(
	curve: CardinalCurve,
	referenceCelsius: number,
	startCelsius: number,
	stretch: PathStretch
): number {
	const reference = rateAt(curve, referenceCelsius);
	if (!(reference > 0)) throw new RangeError('the reference temperature must lie inside the curve');
	const { minutes, ambientCelsius, timeConstantMinutes } = stretch;
	if (minutes <= 0) return 0;
	if (timeConstantMinutes === Infinity || startCelsius === ambientCelsius)
		return (minutes * rateAt(curve, startCelsius)) / reference;
	const rate = (at: number) =>
		rateAt(curve, drifted(startCelsius, ambientCelsius, timeConstantMinutes, at)) / reference;
	const from = rate(0);
	const middle = rate(minutes / 2);
	const to = rate(minutes);
	const whole = (minutes / 6) * (from + 4 * middle + to);
	return simpson(
		rate,
		0,
		minutes,
		from,
		middle,
		to,
		whole,
		DOSE_TOLERANCE_MINUTES,
		DEEPEST_HALVING
	);
}

/** Adaptive Simpson with Richardson's correction; `whole` is the estimate over the whole stretch. */
function simpson(
	f: (x: number) => number,
	a: number,
	b: number,
	fa: number,
	fm: number,
	fb: number,
	whole: number,
	tolerance: number,
	depth: number
): number {
	const m = (a + b) / 2;
	const fl = f((a + m) / 2);
	const fr = f((m + b) / 2);
	const left = ((m - a) / 6) * (fa + 4 * fl + fm);
	const right = ((b - m) / 6) * (fm + 4 * fr + fb);
	const change = left + right - whole;
	if (depth <= 0 || Math.abs(change) <= 15 * tolerance) return left + right + change / 15;
	return (
		simpson(f, a, m, fa, fl, fm, left, tolerance / 2, depth - 1) +
		simpson(f, m, b, fm, fr, fb, right, tolerance / 2, depth - 1)
	);
}

/** How close the end of a stretch is found, in minutes. */
export const TIME_TOLERANCE_MINUTES = 0.01;
const MOST_STEPS = 80;

/**
 * Gives the minutes in a place after which a wanted dose is reached, or null when the place is too
 * cold (or hot) for it within `longest`.
 *
 * Method: bisection on the dose, which never falls with time. Tolerance: `TIME_TOLERANCE_MINUTES`.
 * Limit: 80 halvings, far below the tolerance for any `longest` in use.
 * Source and failures: as `doseOfStretch`; null instead of a failure.
 * Example: sourdough ripe at 210 min of 25 degrees, drifting from 27 to 21 at 420 min: 201.4 min.
 */
export function minutesForDose(
	curve: CardinalCurve,
	referenceCelsius: number,
	startCelsius: number,
	place: Omit<PathStretch, 'minutes'>,
	dose: number,
	longest: number
): number | null {
	if (dose <= 0) return 0;
	const doseAfter = (minutes: number) =>
		doseOfStretch(curve, referenceCelsius, startCelsius, { ...place, minutes });
	if (doseAfter(longest) < dose) return null;
	let low = 0;
	let high = longest;
	for (let step = 0; step < MOST_STEPS && high - low > TIME_TOLERANCE_MINUTES; step += 1) {
		const middle = (low + high) / 2;
		if (doseAfter(middle) < dose) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/**
 * Gives the minutes to ripe at one temperature; null where nothing ferments.
 * Example: sourdough ripe in 210 min at 25 degrees takes 189.4 min at 27 and 255.4 min at 22.
 */
export function ripeMinutesAt(
	curve: CardinalCurve,
	referenceCelsius: number,
	ripeMinutes: number,
	celsius: number
): number | null {
	const rate = rateAt(curve, celsius);
	return rate > 0 ? (ripeMinutes * rateAt(curve, referenceCelsius)) / rate : null;
}
