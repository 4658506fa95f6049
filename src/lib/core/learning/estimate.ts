/** One raw observation of a quantity that is learned, in the quantity's own unit. */
export interface Observation {
	readonly id: string;
	readonly value: number;
	/** How far an honest reading of it lies from the truth, as a standard deviation. */
	readonly spread: number;
}

/** What is believed before anything was observed: the default and how far it may be off. */
export interface Prior {
	readonly mean: number;
	readonly spread: number;
}

/** What is believed after some observations. */
export interface Estimate {
	readonly mean: number;
	readonly spread: number;
	/** Eight times in ten the truth lies within. */
	readonly band: { readonly low: number; readonly high: number };
	/** Observations that count. */
	readonly used: readonly string[];
	/** Observations that more likely are wild than honest; they weigh next to nothing. */
	readonly leftOut: readonly string[];
}

/** How often a reading is wild, and how many times wider wild readings lie (our defaults). */
const WILD_SHARE = 0.05;
const WILD_WIDTH = 12;
/**
 * The belief is looked for over this many spreads of the prior to each side, and of each reading that lies beyond, first
 * coarsely, then finely.
 */
const REACH = 6;
const COARSE_POINTS = 97;
const FINE_POINTS = 241;
/** What is less likely than the likeliest by this factor of e is left out of the fine grid. */
const LEAST_LOG = 22;

/**
 * Gives what is learned from a prior and raw observations, taken one at a time.
 *
 * Model: the quantity is normal around the prior; an honest reading is normal around the quantity, one in
 * twenty is wild and lies twelve times as wide. The belief is carried exactly on a grid, so that one wild
 * reading moves it next to nothing, whenever it comes. A reading that more likely was wild is named as left
 * out. The order of the observations changes nothing.
 * Range: spreads above 0, any number of observations. Tolerance: a hundredth of the prior's spread.
 * Source: our default. Failures: none; without observations the prior is given back.
 * Example: a prior of 9.6 ± 2.5 and six readings of 11 ± 1 give 10.8 ± 0.4.
 */
export function estimate(prior: Prior, observations: readonly Observation[]): Estimate {
	const { readings, weights, total, at, step, mean, spread } = believed(prior, observations);
	const wild = (weighed: Weighed) => {
		let sum = 0;
		for (let index = 0; index < FINE_POINTS; index += 1)
			sum += (weights[index] ?? 0) * weighed.wildness(at(index));
		return sum / total;
	};
	const leftOut = readings.filter((reading) => wild(reading) > 0.5).map((reading) => reading.id);
	return {
		mean,
		spread,
		band: {
			low: quantile(weights, total, at, step, 0.1),
			high: quantile(weights, total, at, step, 0.9)
		},
		used: observations
			.map((observation) => observation.id)
			.filter((observation) => !leftOut.includes(observation)),
		leftOut
	};
}

/** Gives the mean and the spread of `estimate` alone, in a fraction of its time. */
export function centreOf(prior: Prior, observations: readonly Observation[]): Prior {
	const { mean, spread } = believed(prior, observations);
	return { mean, spread };
}

/** The belief on its fine grid. */
function believed(prior: Prior, observations: readonly Observation[]) {
	const readings = observations.map(weighed);
	const priorAt = Math.log(prior.spread);
	const logAt = (value: number) => {
		let log = -0.5 * ((value - prior.mean) / prior.spread) ** 2 - priorAt;
		for (const reading of readings) log += reading.log(value);
		return log;
	};
	const { from, to } = whereItLies(prior, observations, logAt);
	const step = (to - from) / (FINE_POINTS - 1);
	const at = (index: number) => from + index * step;
	const weights = new Float64Array(FINE_POINTS);
	let highest = -Infinity;
	for (let index = 0; index < FINE_POINTS; index += 1) {
		const log = logAt(at(index));
		weights[index] = log;
		if (log > highest) highest = log;
	}
	let [total, first] = [0, 0];
	for (let index = 0; index < FINE_POINTS; index += 1) {
		const weight = Math.exp((weights[index] ?? 0) - highest);
		weights[index] = weight;
		total += weight;
		first += weight * at(index);
	}
	const mean = first / total;
	let second = 0;
	for (let index = 0; index < FINE_POINTS; index += 1)
		second += (weights[index] ?? 0) * (at(index) - mean) ** 2;
	return { readings, weights, total, at, step, mean, spread: Math.sqrt(second / total) };
}

/** The span outside which the belief is next to nothing, found on a coarse grid. */
function whereItLies(
	prior: Prior,
	observations: readonly Observation[],
	logAt: (value: number) => number
): { readonly from: number; readonly to: number } {
	const reach = REACH * prior.spread;
	const step = (2 * reach) / (COARSE_POINTS - 1);
	const places = Array.from(
		{ length: COARSE_POINTS },
		(_, index) => prior.mean + (index - (COARSE_POINTS - 1) / 2) * step
	);
	// Honest readings may lie where the prior never looked: several that agree there are to win.
	for (const { value, spread } of observations)
		if (Math.abs(value - prior.mean) > reach)
			for (let off = -REACH; off <= REACH; off += 1) places.push(value + off * spread);
	if (places.length > COARSE_POINTS) places.sort((a, b) => a - b);
	const logs = places.map(logAt);
	const highest = logs.reduce((most, log) => Math.max(most, log), -Infinity);
	const likely = (log: number) => log > highest - LEAST_LOG;
	const first = logs.findIndex(likely);
	const last = logs.findLastIndex(likely);
	return {
		from: places[Math.max(0, first - 1)] ?? prior.mean - reach,
		to: places[Math.min(places.length - 1, last + 1)] ?? prior.mean + reach
	};
}

/** A reading with what does not change while the quantity is tried out. */
interface Weighed {
	readonly id: string;
	/** Its log-likelihood when the quantity has a value: honest, or wild. */
	readonly log: (quantity: number) => number;
	/** How likely it is then that it is wild. */
	readonly wildness: (quantity: number) => number;
}

function weighed({ id, value, spread }: Observation): Weighed {
	const wide = spread * WILD_WIDTH;
	const honestAt = Math.log(1 - WILD_SHARE) - Math.log(spread);
	const wildAt = Math.log(WILD_SHARE) - Math.log(wide);
	const honest = (off: number) => honestAt - (off * off) / (2 * spread * spread);
	const wild = (off: number) => wildAt - (off * off) / (2 * wide * wide);
	const log = (quantity: number) => {
		const off = value - quantity;
		const a = honest(off);
		const b = wild(off);
		return a > b ? a + Math.log1p(Math.exp(b - a)) : b + Math.log1p(Math.exp(a - b));
	};
	return {
		id,
		log,
		wildness: (quantity) => Math.exp(wild(value - quantity) - log(quantity))
	};
}

function quantile(
	weights: Float64Array,
	total: number,
	at: (index: number) => number,
	step: number,
	share: number
): number {
	let below = 0;
	for (const [index, weight] of weights.entries()) {
		if (below + weight >= share * total)
			return at(index) - step / 2 + (step * (share * total - below)) / weight;
		below += weight;
	}
	return at(weights.length - 1);
}
