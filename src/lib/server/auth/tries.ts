import { RateLimit } from '../edge/rate.ts';

/**
 * How often somebody may try to come in. What is counted is the place that tries, with the name it tries: a stranger who
 * guesses at a baker's name stands in nobody's way but the stranger's own.
 */
export class Tries {
	readonly #ofPlace = new RateLimit(30);
	readonly #ofNameAtPlace = new RateLimit(6);

	/** Takes one try; gives the seconds to wait where none is left, null where it may be tried. */
	take(place: string, name: string, nowMs: number): number | null {
		return (
			this.#ofPlace.take(place, nowMs) ??
			this.#ofNameAtPlace.take(`${place} ${name.toLowerCase()}`, nowMs)
		);
	}
}
