import { followRetarder, LIFT, type Retarder } from '../fermentation/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { estimate } from './estimate.ts';

/** A night of a cold room: what was put into it, and what its own probe read. */
export interface ColdNight {
	readonly id: string;
	/** In order of time; nothing of it was taken out before the last reading. */
	readonly loads: readonly {
		readonly inAtMs: number;
		readonly kilograms: number;
		readonly celsius: number;
		readonly timeConstantMinutes: number;
	}[];
	/** In order of time; those before the first load tell how it stands empty. */
	readonly readings: readonly { readonly atMs: number; readonly celsius: number }[];
	readonly roomCelsius: number;
}

export type PullDownFailure =
	| { readonly kind: 'too-few-readings'; readonly readings: number; readonly least: number }
	/** What was put in never asked its compressor for what it can do: nothing is told of that. */
	| { readonly kind: 'never-at-its-most' };

/** Fewer readings than this after a load tell nothing (our default). */
const LEAST_READINGS = 6;
/** Its power is looked for between a quarter and four times what its entry says (our default). */
const REACH = Math.log(4);
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Found to within a hundredth. */
const CLOSE = 0.01;
/** Air swings by about so much as a compressor comes and goes (our default, a standard deviation in kelvins). */
const SWING_KELVINS = 0.7;
/** A night that tells the power no better than this tells nothing (a standard deviation of its logarithm). */
const WORST_SPREAD = 0.5;
/** No night tells it better than this: doors are opened, loads are not weighed (our default). */
const LEAST_SPREAD = 0.12;

/**
 * Gives how many times the power of its entry a cold room's compressor has, as one night reveals it.
 *
 * Model: `followRetarder` with another power, nearest to the readings by least squares, found by golden section on its logarithm; how the empty room stood off its
 * setting is taken off all readings. Range: a room with a known compressor; loads that nothing was taken out of. Source: newton-cooling, our default for the spreads.
 * Failures: `too-few-readings`; `never-at-its-most` where the readings would be the same with more power or less.
 * Example: air made by a compressor of 450 W, read against an entry of 600 W, gives 0.75.
 */
export function pullDownRevealed(
	retarder: Retarder,
	{ loads, readings, roomCelsius }: Omit<ColdNight, 'id'>
): Result<{ readonly share: number; readonly spread: number }, PullDownFailure> {
	const firstMs = loads[0]?.inAtMs ?? Infinity;
	const before = readings.filter(({ atMs }) => atMs <= firstMs);
	const after = readings.filter(({ atMs }) => atMs > firstMs);
	if (after.length < LEAST_READINGS)
		return fail({ kind: 'too-few-readings', readings: after.length, least: LEAST_READINGS });
	const offset =
		before.length === 0
			? 0
			: before.reduce((sum, { celsius }) => sum + celsius, 0) / before.length - retarder.setCelsius;
	const cold = loads.map(({ inAtMs, kilograms, celsius, timeConstantMinutes }) => ({
		inAtMinutes: (inAtMs - firstMs) / 60_000,
		kilograms,
		startCelsius: celsius,
		timeConstantMinutes,
		// What it ferments meanwhile is no matter here.
		curve: LIFT.sourdough,
		referenceCelsius: 25
	}));
	const moments = after.map(({ atMs }) => (atMs - firstMs) / 60_000);
	const followed = (logShare: number) =>
		followRetarder(
			{ ...retarder, compressorWatts: retarder.compressorWatts * Math.exp(logShare) },
			cold,
			roomCelsius,
			moments
		);
	const missed = (logShare: number) =>
		followed(logShare).reduce(
			(sum, { airCelsius: air }, index) =>
				sum + (air - ((after[index]?.celsius ?? air) - offset)) ** 2,
			0
		);
	const found = leastBetween(missed, -REACH, REACH);
	// How much the air would have been another with a tenth more power or less, while it ran as hard as it can: below that it gives what is
	// needed, and how it holds its setting is no matter of its power.
	const [less, more] = [followed(found - 0.1), followed(found + 0.1)];
	const told = followed(found).reduce((sum, { fullPower }, index) => {
		if (!fullPower) return sum;
		return sum + (((less[index]?.airCelsius ?? 0) - (more[index]?.airCelsius ?? 0)) / 0.2) ** 2;
	}, 0);
	const spread = SWING_KELVINS / Math.sqrt(told);
	if (!(spread < WORST_SPREAD)) return fail({ kind: 'never-at-its-most' });
	return ok({ share: Math.exp(found), spread: Math.max(LEAST_SPREAD, spread) });
}

/** Where a function with one valley is least, by golden section. */
function leastBetween(of: (at: number) => number, low: number, high: number): number {
	let [from, to] = [low, high];
	let [a, b] = [to - GOLDEN * (to - from), from + GOLDEN * (to - from)];
	let [atA, atB] = [of(a), of(b)];
	while (to - from > CLOSE) {
		if (atA < atB) {
			[to, b, atB] = [b, a, atA];
			a = to - GOLDEN * (to - from);
			atA = of(a);
		} else {
			[from, a, atA] = [a, b, atB];
			b = from + GOLDEN * (to - from);
			atB = of(b);
		}
	}
	return (from + to) / 2;
}

/** What is believed of a cold room's power, beside its entry. */
export interface LearnedPullDown {
	/** How many times the watts of its entry. */
	readonly share: number;
	readonly band: { readonly low: number; readonly high: number };
	readonly used: number;
	readonly leftOut: readonly string[];
}

/** How far an entry may be off: a door that leaks, a coil that is iced up (our default, of its logarithm). */
const PRIOR = { mean: 0, spread: 0.35 };

/**
 * Gives how hard a cold room really pulls, from its nights.
 *
 * Model: each night by `pullDownRevealed`, believed by its logarithm with wild nights left out (`estimate`). Range: any number of nights. Source: our default.
 * Failures: none; with no night that tells anything it is 1.
 * Example: three nights at three quarters of its entry: about 0.77.
 */
export function learnedPullDown(retarder: Retarder, nights: readonly ColdNight[]): LearnedPullDown {
	const told = nights.flatMap((night) => {
		const found = pullDownRevealed(retarder, night);
		return found.ok
			? [{ id: night.id, value: Math.log(found.value.share), spread: found.value.spread }]
			: [];
	});
	const { mean, band, used, leftOut } = estimate(PRIOR, told);
	return {
		share: used.length > 0 ? Math.exp(mean) : 1,
		band: { low: Math.exp(band.low), high: Math.exp(band.high) },
		used: used.length,
		leftOut
	};
}
