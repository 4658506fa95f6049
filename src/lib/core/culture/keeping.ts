import { LIFT, peakAfterFeed, ripeMinutesAt, type FedBuild } from '../fermentation/index.ts';
import type { RipenessClock } from '../formula/index.ts';

/** What a feed is made of, in parts by weight. */
export interface FeedRatio {
	/** Ripe culture that seeds it. */
	readonly seed: number;
	readonly flour: number;
	readonly water: number;
}

/** A feed in grams. */
export interface Feed {
	readonly seedGrams: number;
	readonly flourGrams: number;
	readonly waterGrams: number;
}

/**
 * How many times its seed a fed culture weighs.
 * Range: seed above 0. Source: definition. Failures: none. Example: 1:4:4 grows nine times.
 */
export function growthOf({ seed, flour, water }: FeedRatio): number {
	return (seed + flour + water) / seed;
}

/**
 * Gives a feed that comes to so much.
 * Range: 0 or more grams. Source: definition. Failures: none.
 * Example: 900 g at 1:4:4 are 100 g of seed, 400 of flour and 400 of water.
 */
export function feedOf(ratio: FeedRatio, grams: number): Feed {
	const all = ratio.seed + ratio.flour + ratio.water;
	return {
		seedGrams: (grams * ratio.seed) / all,
		flourGrams: (grams * ratio.flour) / all,
		waterGrams: (grams * ratio.water) / all
	};
}

/** What a fed culture weighs. */
export function weightOf({ seedGrams, flourGrams, waterGrams }: Feed): number {
	return seedGrams + flourGrams + waterGrams;
}

/**
 * Gives the water in a culture for its flour, in percent, once it was fed so often that only the feeds count.
 * Range: flour above 0. Source: definition. Failures: none. Example: 1:5:4 tends to 80 %.
 */
export function hydrationAfterFeeds({ flour, water }: FeedRatio): number {
	return (100 * water) / flour;
}

/**
 * Gives the clock of a culture after a feed, from the clock of its ordinary one.
 *
 * Model: `peakAfterFeed`: growth to the same end, and the pace of its stiffness; early and late keep their shares.
 * Range: a hydration of the seed of 0 or more; a feed that brings flour. Source: domain (amount of leaven). Failures: a
 * feed that does not grow, or an ordinary one that does not, keeps the ordinary clock.
 * Example: ripe after 240 min at 1:1:1, at 1:5:5 it is after 240 ln 11 / ln 3.
 */
export function clockAfterFeed(
	clock: RipenessClock,
	ordinary: FeedRatio,
	feed: Feed,
	seedHydrationPercent: number
): RipenessClock {
	const { seedGrams: seed, flourGrams: flour, waterGrams: water } = feed;
	const known = asBuild(ordinary, seedHydrationPercent);
	const other = asBuild({ seed, flour, water }, seedHydrationPercent);
	const celsius = clock.referenceCelsius;
	// Stiffness and growth alone are asked of it, both at the reference: whichever curve it is, it is there on both sides.
	const minutes = peakAfterFeed(
		LIFT.sourdough,
		{ build: known, celsius, minutes: clock.ripeMinutes },
		other,
		celsius
	);
	const times = minutes === null ? 1 : minutes / clock.ripeMinutes;
	return {
		...clock,
		underMinutes: clock.underMinutes * times,
		ripeMinutes: clock.ripeMinutes * times,
		overMinutes: clock.overMinutes * times
	};
}

/** A feed as what sets its pace; one without seed does not grow by it. */
function asBuild({ seed, flour, water }: FeedRatio, seedHydrationPercent: number): FedBuild {
	const seedFlour = seed / (1 + seedHydrationPercent / 100);
	const allFlour = seedFlour + flour;
	return {
		growth: seedFlour > 0 ? allFlour / seedFlour : 1,
		hydrationPercent: allFlour > 0 ? (100 * (water + seed - seedFlour)) / allFlour : 100,
		saltPercent: 0
	};
}

/**
 * Gives how long an ordinary feed takes until it is ripe, held at a temperature.
 * Model: `ripeMinutesAt` by the curve of a culture. Range: any temperature. Source: rosso-1993. Failures: null where it
 * does not ferment. Example: ripe in 600 min at 21, it is in about 440 at 24.
 */
export function readyMinutesAt(
	clock: Pick<RipenessClock, 'referenceCelsius' | 'ripeMinutes'>,
	celsius: number
): number | null {
	return ripeMinutesAt(LIFT.sourdough, clock.referenceCelsius, clock.ripeMinutes, celsius);
}
