/** Gives the next number from 0 up to 1. */
export type Chance = () => number;

/**
 * A stream of chance that is the same on every run for a seed (mulberry32), for made-up data and for tests.
 * Range: any whole seed. Source: arithmetic. Failures: none.
 */
export function chanceFrom(seed: number): Chance {
	let state = seed;
	return () => {
		state = (state + 0x6d2b79f5) | 0;
		let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
	};
}

/** A number from the normal distribution of mean 0 and spread 1 (Box and Muller). */
export function normalFrom(chance: Chance): number {
	return Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
}
