import { partsOf, rateAt, type CardinalCurve, type RateCurve } from './cardinal-rate.ts';
import { integrate, STEP_TOLERANCE, type Integration } from './integrate.ts';
import {
	drifted,
	temperatureIn,
	warmingAt,
	type PathStretch,
	type SelfHeating
} from './temperature-path.ts';

/**
 * Gives the dose of a stretch: minutes at the reference temperature that do the same work.
 *
 * Model: integral of r(T(t)) / r(T_ref). At one temperature it is a product. On a drift T is linear in
 * u = e^(-t / time constant) and the rate is a cubic over a line, so that the integral is closed: it is
 * taken over the part of the stretch in which the dough is inside the curve; the work of several leavenings adds up.
 * A mass that warms itself has no closed form and is followed in steps that have one.
 * Precondition: the reference lies inside the curve. Accuracy: rounding alone, some 1e-9 of the dose; of a
 * mass that warms itself 0.01 min.
 * Source: rosso-1993 for the rate, newton-cooling for the drift. Failures: none; a reference outside the
 * curve is a bug of the caller and throws.
 * Example: sourdough 12 h from 24 into 4 degrees at a constant of 150 min has a dose of 121.4 min at 25.
 */
export function doseOfStretch(
	curve: RateCurve,
	referenceCelsius: number,
	startCelsius: number,
	stretch: PathStretch
): number {
	const reference = rateAt(curve, referenceCelsius);
	if (!(reference > 0)) throw new RangeError('the reference temperature must lie inside the curve');
	const { minutes, ambientCelsius, timeConstantMinutes } = stretch;
	if (minutes <= 0) return 0;
	if (stretch.selfHeating)
		return followWarming(curve, reference, startCelsius, stretch, stretch.selfHeating).dose;
	return workOfDrift(curve, startCelsius, ambientCelsius, timeConstantMinutes, minutes) / reference;
}

/** So many time constants after the start a drift stands at its place; the closed form would run out of digits. */
const STANDS_AFTER = 50;

/** The integral of the rate over a drift in minutes at the optimum, in closed form. */
function workOfDrift(
	curve: RateCurve,
	startCelsius: number,
	ambientCelsius: number,
	timeConstantMinutes: number,
	minutes: number
): number {
	const span = startCelsius - ambientCelsius;
	if (timeConstantMinutes === Infinity || Math.abs(span) < LEAST_SPAN_KELVIN)
		return minutes * rateAt(curve, startCelsius);
	const drifting = STANDS_AFTER * timeConstantMinutes;
	if (minutes > drifting)
		return (
			workOfDrift(curve, startCelsius, ambientCelsius, timeConstantMinutes, drifting) +
			(minutes - drifting) * rateAt(curve, ambientCelsius)
		);
	const lowest = Math.exp(-minutes / timeConstantMinutes);
	let work = 0;
	for (const { curve: one, weight } of partsOf(curve)) {
		// u falls from 1; the dough is inside the curve while T = ambient + span u is.
		const edges = [(one.minimum - ambientCelsius) / span, (one.maximum - ambientCelsius) / span];
		const high = Math.min(1, Math.max(...edges));
		const low = Math.max(lowest, Math.min(...edges));
		if (low < high) work += weight * integralOverU(one, ambientCelsius, span, low, high);
	}
	return timeConstantMinutes * work;
}

/**
 * Gives the temperature and the dose at the end of a stretch, in one go.
 * Model, precondition, accuracy, source and failures: as `doseOfStretch` and `temperatureIn`.
 * Example: sourdough 265 min from 27 towards 21 at a constant of 420 min ends at 24.2.
 */
export function followStretch(
	curve: RateCurve,
	referenceCelsius: number,
	startCelsius: number,
	stretch: PathStretch,
	also: RateCurve | null = null
): Followed {
	if (!stretch.selfHeating || stretch.minutes <= 0)
		return {
			celsius: temperatureIn(startCelsius, stretch, stretch.minutes),
			dose: doseOfStretch(curve, referenceCelsius, startCelsius, stretch),
			also: also ? doseOfStretch(also, referenceCelsius, startCelsius, stretch) : 0
		};
	const reference = rateAt(curve, referenceCelsius);
	if (!(reference > 0)) throw new RangeError('the reference temperature must lie inside the curve');
	const second = also ? { curve: also, reference: rateAt(also, referenceCelsius) } : null;
	return followWarming(curve, reference, startCelsius, stretch, stretch.selfHeating, second);
}

/** Where a stretch ends; `also` is the dose by a second curve, where one was asked for. */
export interface Followed {
	readonly celsius: number;
	readonly dose: number;
	readonly also: number;
}

/** One step and two half steps may lie so far apart before the stretch is followed step by step. */
const STEP_KELVINS = 1e-3;
const STEP_DOSE_MINUTES = 5e-3;
/** In longer stretches both would look at a mass that stands as its place does already, and agree on an error. */
const MOST_TIME_CONSTANTS = 3;

/**
 * Follows a mass that warms itself. Over a short stretch its own heat hardly changes, so that the stretch is a
 * drift towards a place as much warmer, in closed form; where two halves of it say otherwise it is followed
 * step by step. Tolerance: 0.01 min of dose and 0.002 K over a stretch of hours, by the benchmark's fine
 * reference.
 */
function followWarming(
	curve: RateCurve,
	reference: number,
	startCelsius: number,
	stretch: PathStretch,
	own: SelfHeating,
	second: { readonly curve: RateCurve; readonly reference: number } | null = null
): Followed {
	const { ambientCelsius, timeConstantMinutes } = stretch;
	const heat = (celsius: number) => (own.kelvinsPerHour / 60) * rateAt(own.curve, celsius);
	const step = (from: number, length: number): Followed => {
		const towards = (perMinute: number, time: number) =>
			timeConstantMinutes === Infinity
				? from + perMinute * time
				: drifted(
						from,
						ambientCelsius + perMinute * timeConstantMinutes,
						timeConstantMinutes,
						time
					);
		const middle = towards(heat(from), length / 2);
		const perMinute = heat(middle);
		const workOf = (by: RateCurve) =>
			timeConstantMinutes === Infinity
				? length * rateAt(by, middle)
				: workOfDrift(
						by,
						from,
						ambientCelsius + perMinute * timeConstantMinutes,
						timeConstantMinutes,
						length
					);
		return {
			celsius: towards(perMinute, length),
			dose: workOf(curve) / reference,
			also: second ? workOf(second.curve) / second.reference : 0
		};
	};
	const { minutes } = stretch;
	const whole = step(startCelsius, minutes);
	const first = step(startCelsius, minutes / 2);
	const last = step(first.celsius, minutes / 2);
	const dose = first.dose + last.dose;
	// The error of a step goes with the square of its length: a third of what the halves changed is still left.
	const nearer = (halves: number, whole: number) => halves + (halves - whole) / 3;
	if (
		minutes <= MOST_TIME_CONSTANTS * timeConstantMinutes &&
		Math.abs(last.celsius - whole.celsius) < STEP_KELVINS &&
		Math.abs(dose - whole.dose) < STEP_DOSE_MINUTES
	)
		return {
			celsius: nearer(last.celsius, whole.celsius),
			dose: nearer(dose, whole.dose),
			also: nearer(first.also + last.also, whole.also)
		};
	const { state } = integrate({
		derivative: ([celsius = startCelsius]) => [
			warmingAt(celsius, stretch),
			rateAt(curve, celsius) / reference,
			second ? rateAt(second.curve, celsius) / second.reference : 0
		],
		start: [startCelsius, 0, 0],
		minutes,
		tolerance: STEP_TOLERANCE
	});
	return { celsius: state[0] ?? startCelsius, dose: state[1] ?? 0, also: state[2] ?? 0 };
}

/** Temperature and dose side by side, where the dough warms itself. */
function follow(
	curve: RateCurve,
	reference: number,
	startCelsius: number,
	place: Omit<PathStretch, 'minutes'>,
	minutes: number,
	dose?: number
): Integration {
	return integrate({
		derivative: ([celsius = startCelsius]) => [
			warmingAt(celsius, place),
			rateAt(curve, celsius) / reference
		],
		start: [startCelsius, 0],
		minutes,
		tolerance: STEP_TOLERANCE,
		...(dose === undefined ? {} : { stopAt: { part: 1, value: dose } })
	});
}

/** A drift of less than this is held to be one temperature (the rate changes by less than 1e-10). */
const LEAST_SPAN_KELVIN = 1e-9;

/** The integral of r(ambient + span u) / u from `low` to `high`, with all of it inside the curve. */
function integralOverU(
	{ minimum, optimum, maximum }: CardinalCurve,
	ambient: number,
	span: number,
	low: number,
	high: number
): number {
	const width = optimum - minimum;
	// r = (T - max)(T - min)^2 / (c0 + c1 T)
	const c1 = width * (width + 2 * (optimum - maximum));
	const c0 = -width * (width * optimum + (optimum - maximum) * (optimum + minimum));
	// The cubic by the line: q2 T^2 + q1 T + q0 and a rest over the line.
	const n2 = -(maximum + 2 * minimum);
	const n1 = minimum * minimum + 2 * maximum * minimum;
	const n0 = -maximum * minimum * minimum;
	const q2 = 1 / c1;
	const q1 = (n2 - q2 * c0) / c1;
	const q0 = (n1 - q1 * c0) / c1;
	const rest = n0 - q0 * c0;
	const logarithm = Math.log(high / low);
	const first = high - low;
	const whole =
		(q2 * ambient * ambient + q1 * ambient + q0) * logarithm +
		(2 * q2 * ambient + q1) * span * first +
		(q2 * span * span * (high + low) * first) / 2;
	// 1 / ((e + f u) u); where the place stands at the pole of the line, e is 0.
	const e = c0 + c1 * ambient;
	const f = c1 * span;
	const over =
		Math.abs(e) < 1e-9 * Math.abs(f * high)
			? first / (f * high * low)
			: (logarithm - Math.log((e + f * high) / (e + f * low))) / e;
	return whole + rest * over;
}

/** How close the end of a stretch is found, in minutes. */
export const TIME_TOLERANCE_MINUTES = 0.01;
const MOST_STEPS = 80;

/**
 * Gives the minutes in a place after which a wanted dose is reached, or null when the place is too
 * cold (or hot) for it within `longest`.
 *
 * Method: bisection on the dose, which never falls with time; a mass that warms itself is followed until
 * it gets there. Tolerance: `TIME_TOLERANCE_MINUTES`.
 * Limit: 80 halvings, far below the tolerance for any `longest` in use.
 * Source and failures: as `doseOfStretch`; null instead of a failure.
 * Example: sourdough ripe at 210 min of 25 degrees, drifting from 27 to 21 at 420 min: 201.4 min.
 */
export function minutesForDose(
	curve: RateCurve,
	referenceCelsius: number,
	startCelsius: number,
	place: Omit<PathStretch, 'minutes'>,
	dose: number,
	longest: number
): number | null {
	if (dose <= 0) return 0;
	if (place.selfHeating) {
		const reference = rateAt(curve, referenceCelsius);
		const found = follow(curve, reference, startCelsius, place, longest, dose);
		return found.stopped ? found.minutes : null;
	}
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
	curve: RateCurve,
	referenceCelsius: number,
	ripeMinutes: number,
	celsius: number
): number | null {
	const rate = rateAt(curve, celsius);
	return rate > 0 ? (ripeMinutes * rateAt(curve, referenceCelsius)) / rate : null;
}
