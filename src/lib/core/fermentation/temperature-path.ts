/**
 * The temperature of a dough over time, as stretches in places. In each stretch it moves from where it
 * is towards the temperature of the place by Newton's law.
 */
export interface PathStretch {
	readonly minutes: number;
	readonly ambientCelsius: number;
	/** Infinity holds the dough where it is. */
	readonly timeConstantMinutes: number;
}

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
		celsius = drifted(celsius, stretch.ambientCelsius, stretch.timeConstantMinutes, here);
		left -= here;
		if (left <= 0) return celsius;
	}
	return celsius;
}
