import { estimate } from './estimate.ts';

/** How long something took that hands or an oven did, beside what its book says. */
export interface TimedWork {
	readonly id: string;
	readonly bookMinutes: number;
	readonly realMinutes: number;
}

/** How many times the book's minutes it takes. */
export interface LearnedShare {
	readonly share: number;
	readonly band: { readonly low: number; readonly high: number };
	readonly used: number;
	readonly leftOut: readonly string[];
}

/** How far work may be off the minutes of its book, and one night off another, as shares (our default). */
const PRIOR = { mean: 1, spread: 0.2 };
const NIGHT_SPREAD = 0.15;

/**
 * Gives how many times the book's minutes some work takes, learned from the taps on it.
 *
 * Model: each time says real / book minutes; a normal prior at 1, wild ones left out (`estimate`): who forgot to tap is no slow hand. Range: book and real minutes
 * above 0. Source: our default. Failures: none; with nothing timed it is 1 with the spread of the prior.
 * Example: shaped three times in 1.3 times its minutes: 1.25 times.
 */
export function learnedShare(times: readonly TimedWork[]): LearnedShare {
	const { mean, band, used, leftOut } = estimate(
		PRIOR,
		times.map(({ id, bookMinutes, realMinutes }) => ({
			id,
			value: realMinutes / bookMinutes,
			spread: NIGHT_SPREAD
		}))
	);
	return { share: used.length > 0 ? mean : PRIOR.mean, band, used: used.length, leftOut };
}

/** What a stone was at a loading, against its programme. */
export interface StoneAtLoading {
	readonly id: string;
	/** How much hotter than its programme says, in degrees. */
	readonly offKelvins: number;
}

/** A stone is near what it is set to; one reading is not another (our defaults, in degrees). */
const STONE_PRIOR = { mean: 0, spread: 15 };
const STONE_SPREAD = 6;

/**
 * Gives how much more time an oven wants between loads, learned from its stone at loading.
 *
 * Model: what its stone lacks on average at loading is made up at the rate at which it heats; a stone that is hot enough asks for nothing. Range: readings of one
 * oven; its minutes for 10 degrees. Source: our default. Failures: none; with nothing read it is 0 minutes.
 * Example: 20 degrees short at every load, 2 minutes for 10 degrees: 4 more minutes.
 */
export function learnedRecovery(
	readings: readonly StoneAtLoading[],
	heatMinutesPerTenKelvin: number
): { readonly minutes: number; readonly offKelvins: number; readonly used: number } {
	const { mean, used } = estimate(
		STONE_PRIOR,
		readings.map(({ id, offKelvins }) => ({ id, value: offKelvins, spread: STONE_SPREAD }))
	);
	const offKelvins = used.length > 0 ? mean : 0;
	return {
		minutes: (Math.max(0, -offKelvins) / 10) * heatMinutesPerTenKelvin,
		offKelvins,
		used: used.length
	};
}

/** What some pieces lost in the oven. */
export interface LossOfBake {
	readonly id: string;
	readonly lossShare: number;
}

/** How far a product may be off the loss of its book, and one weighing off another, as shares (our defaults). */
const LOSS_PRIOR_SPREAD = 0.02;
const LOSS_SPREAD = 0.01;

/**
 * Gives what a product loses in the oven, learned from what was weighed of it.
 * Range: shares of 0 to 1. Source: our default. Failures: none; with nothing weighed it is the book's.
 * Example: the book says 12 %; weighed at 14 % three times: 13.9 %.
 */
export function learnedLoss(
	bookShare: number,
	losses: readonly LossOfBake[]
): { readonly lossShare: number; readonly used: number } {
	const { mean, used } = estimate(
		{ mean: bookShare, spread: LOSS_PRIOR_SPREAD },
		losses.map(({ id, lossShare }) => ({ id, value: lossShare, spread: LOSS_SPREAD }))
	);
	return { lossShare: used.length > 0 ? mean : bookShare, used: used.length };
}

/** What water a mix took, of what its formula says. */
export interface WaterOfMix {
	readonly id: string;
	readonly share: number;
}

/** How far a flour may be off its formula's water, and one mix by feel off another, as shares (our defaults). */
const WATER_PRIOR_SPREAD = 0.02;
const WATER_SPREAD = 0.008;

/**
 * Gives what water a dough really takes, of what its formula says, learned from what was weighed into it.
 * Range: shares above 0. Source: our default. Failures: none; with nothing weighed it is 1.
 * Example: three mixes held back by 2 % of their water: 0.98.
 */
export function learnedWater(mixes: readonly WaterOfMix[]): LearnedShare {
	const { mean, band, used, leftOut } = estimate(
		{ mean: 1, spread: WATER_PRIOR_SPREAD },
		mixes.map(({ id, share }) => ({ id, value: share, spread: WATER_SPREAD }))
	);
	return { share: used.length > 0 ? mean : 1, band, used: used.length, leftOut };
}
