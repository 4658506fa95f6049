/** A reading of a place, on the bakery's clock. */
export interface PlaceReading {
	readonly atMs: number;
	readonly celsius: number;
}

/** A place at one temperature from a moment on, until the next stretch. */
export interface PlaceStretch {
	readonly fromMs: number;
	readonly celsius: number;
}

/** How far a reading may lie from the stretch that stands for it, in kelvins. */
export const TRACE_TOLERANCE_KELVINS = 0.2;
/** No trace has more stretches: each is followed by every dough that stood in it (our default). */
const MOST_STRETCHES = 300;

/**
 * Gives readings of a place as few stretches of one temperature each, so that many doughs follow them fast.
 *
 * Model: a stretch goes on while all its readings lie within twice the tolerance of each other, and stands
 * at the middle of them. Precondition: readings in order of time. Tolerance: 0.2 K at any reading; readings so
 * restless that they would be more than 300 stretches are told by twice as much, as often as it takes.
 * Range: any number of readings. Source: our default. Failures: none.
 * Example: a probe that reads 23.0 to 23.3 all night is one stretch at 23.15.
 */
export function traceOf(readings: readonly PlaceReading[]): readonly PlaceStretch[] {
	let tolerance = TRACE_TOLERANCE_KELVINS;
	let found = stretchesWithin(readings, tolerance);
	while (found.length > MOST_STRETCHES) {
		tolerance *= 2;
		found = stretchesWithin(readings, tolerance);
	}
	return found;
}

function stretchesWithin(
	readings: readonly PlaceReading[],
	tolerance: number
): readonly PlaceStretch[] {
	const found: PlaceStretch[] = [];
	let from: PlaceReading | null = null;
	let least = 0;
	let most = 0;
	for (const reading of readings) {
		if (from) {
			const low = Math.min(least, reading.celsius);
			const high = Math.max(most, reading.celsius);
			if (high - low <= 2 * tolerance) {
				[least, most] = [low, high];
				continue;
			}
			found.push({ fromMs: from.atMs, celsius: (least + most) / 2 });
		}
		from = reading;
		least = most = reading.celsius;
	}
	if (from) found.push({ fromMs: from.atMs, celsius: (least + most) / 2 });
	return found;
}
