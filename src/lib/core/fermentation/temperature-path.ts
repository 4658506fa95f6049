import { rateAt, type RateCurve } from './cardinal-rate.ts';
import { integrate, STEP_TOLERANCE } from './integrate.ts';

/**
 * The temperature of a dough over time, as stretches in places. In each stretch it moves from where it
 * is towards the temperature of the place by Newton's law, and warms itself where it is a large mass.
 */
export interface PathStretch {
	readonly minutes: number;
	readonly ambientCelsius: number;
	/** Infinity holds the dough where it is. */
	readonly timeConstantMinutes: number;
	/** Left out where the mass is small enough to give its heat away. */
	readonly selfHeating?: SelfHeating;
}

/** The heat of a fermenting mass: so much at the optimum of its curve, scaled by its rate. */
export interface SelfHeating {
	readonly kelvinsPerHour: number;
	readonly curve: RateCurve;
}

/** Nothing of dough follows its place faster than this: a bun in a blast of cold takes ten minutes (our default). */
export const LEAST_TIME_CONSTANT_MINUTES = 2;

/** Warms itself at the optimum, in a full 12 kg tub (our default, learned). */
export const SELF_HEATING_KELVINS_PER_HOUR = 0.4;

/**
 * Gives the temperature after `minutes` in a place.
 * Model: Newton's law of cooling, T = T_place + (T_start - T_place) e^(-t / time constant).
 * Range: minutes of 0 or more, a time constant above 0. Source: newton-cooling. Failures: none.
 * Example: 27 degrees into a room of 21 with a constant of 420 min is 24.2 after 265 min.
 */
export function drifted(
	startCelsius: number,
	ambientCelsius: number,
	timeConstantMinutes: number,
	minutes: number
): number {
	if (timeConstantMinutes === Infinity) return startCelsius;
	return (
		ambientCelsius + (startCelsius - ambientCelsius) * Math.exp(-minutes / timeConstantMinutes)
	);
}

/**
 * Gives how fast a dough's temperature changes in a stretch, in kelvins a minute.
 * Model: towards the place by Newton's law, and up by its own heat. Source: newton-cooling, rosso-1993.
 * Example: at 27 in a place of 21 with a constant of 420 min it falls by 0.014 a minute.
 */
export function warmingAt(celsius: number, stretch: Omit<PathStretch, 'minutes'>): number {
	const { ambientCelsius, timeConstantMinutes, selfHeating } = stretch;
	const towards =
		timeConstantMinutes === Infinity ? 0 : (ambientCelsius - celsius) / timeConstantMinutes;
	const own = selfHeating
		? (selfHeating.kelvinsPerHour / 60) * rateAt(selfHeating.curve, celsius)
		: 0;
	return towards + own;
}

/** The temperature after `minutes` of a stretch, whichever its length. */
export function temperatureIn(
	startCelsius: number,
	stretch: Omit<PathStretch, 'minutes'>,
	minutes: number
): number {
	if (!stretch.selfHeating)
		return drifted(startCelsius, stretch.ambientCelsius, stretch.timeConstantMinutes, minutes);
	const { state } = integrate({
		derivative: ([celsius = startCelsius]) => [warmingAt(celsius, stretch)],
		start: [startCelsius],
		minutes: Math.max(0, minutes),
		tolerance: STEP_TOLERANCE
	});
	return state[0] ?? startCelsius;
}

/** The temperature after `minutes` on a path of stretches; past the end it stays as it was there. */
export function temperatureOnPath(
	startCelsius: number,
	path: readonly PathStretch[],
	minutes: number
): number {
	let celsius = startCelsius;
	let left = minutes;
	for (const stretch of path) {
		const here = Math.min(left, stretch.minutes);
		celsius = temperatureIn(celsius, stretch, here);
		left -= here;
		if (left <= 0) return celsius;
	}
	return celsius;
}
