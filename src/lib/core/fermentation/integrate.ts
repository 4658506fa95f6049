import { DENSE, ERROR, NODES, WEIGHTS } from './dormand-prince.ts';
import { spendWork } from '../work.ts';

/**
 * How a state changes, per minute. Where the law itself changes at a threshold (a compressor that runs at its
 * most), `regime` says by which branch; within a step it is always the same, so that no kink lies inside.
 */
export type Derivative = (
	state: readonly number[],
	minutes: number,
	regime: number
) => readonly number[];

export interface Integration {
	readonly state: readonly number[];
	/** Where it ended: at the end asked for, or where a part of the state reached its value. */
	readonly minutes: number;
	readonly stopped: boolean;
	readonly steps: number;
}

export interface IntegrationInput {
	readonly derivative: Derivative;
	/** By which branch of the law a state changes; one that has no thresholds needs none. */
	readonly regimeOf?: (state: readonly number[]) => number;
	readonly start: readonly number[];
	readonly minutes: number;
	/** Most error of a step, in the units of each part of the state (kelvins, minutes of dose). */
	readonly tolerance: number;
	/** Ends where this part of the state, which must never fall, reaches the value. */
	readonly stopAt?: { readonly part: number; readonly value: number };
	/** Moments at which the state is wanted, in order, with who takes it. */
	readonly samples?: {
		readonly at: readonly number[];
		readonly take: (minutes: number, state: readonly number[]) => void;
	};
}

/** What is followed asks for more steps than a model that fits it would. */
export class BeyondModel extends RangeError {
	constructor() {
		super('the model asks for more steps than it may');
	}
}

/** The error of a whole run is a few times that of a step (measured: below 5 times). */
export const STEP_TOLERANCE = 1e-4;
const LONGEST_STEP_MINUTES = 120;
const SHORTEST_STEP_MINUTES = 1e-6;
const MOST_STEPS = 100_000;

/** How closely the moment is found at which a threshold is passed, in minutes. */
const SWITCH_MINUTES = 1e-7;
/** A threshold that is passed and passed back within a step is looked for at so many places. */
const LOOKS_ALONG_A_STEP = 4;

/**
 * Follows a state over time where no closed form is known.
 *
 * Method: Runge-Kutta of order 5 with an error of order 4 beside it; the step is as long as the tolerance
 * allows, and ends where the law passes from one branch to another. Between steps the state is the pair's own
 * continuous extension. Precondition: a derivative that is finite everywhere and smooth within a regime.
 * Tolerance: as given, per step; the moment of a threshold to 1e-7 min. Limit: 100 000 steps, beyond which it
 * throws, for then the model is wrong. Source: dormand-prince-1980, hairer-1993. Failures: none.
 * Example: a dough at 27 in a place of 21 with a constant of 420 min is 24.2 after 265 min.
 */
export function integrate(input: IntegrationInput): Integration {
	const { derivative, minutes: end, tolerance, stopAt, samples } = input;
	const { regimeOf } = input;
	let state: readonly number[] = [...input.start];
	let at = 0;
	let step = Math.min(5, end);
	let regime = regimeOf?.(state) ?? 0;
	let slope = derivative(state, 0, regime);
	let wanted = 0;
	const takeUpTo = (to: number, along: (moment: number) => readonly number[]) => {
		if (!samples) return;
		for (; wanted < samples.at.length && (samples.at[wanted] ?? 0) <= to + 1e-9; wanted += 1) {
			const moment = samples.at[wanted] ?? 0;
			samples.take(moment, along(moment));
		}
	};
	if (stopAt && (state[stopAt.part] ?? 0) >= stopAt.value)
		return { state, minutes: 0, stopped: true, steps: 0 };
	for (let steps = 0; steps < MOST_STEPS; steps += 1) {
		spendWork(state.length);
		if (at >= end - 1e-9) {
			const last = state;
			takeUpTo(at, () => last);
			return { state, minutes: end, stopped: false, steps };
		}
		step = Math.min(step, end - at, LONGEST_STEP_MINUTES);
		const tried = tryStep(derivative, regime, state, slope, at, step);
		const share = tried.error / tolerance;
		if (share > 1 && step > SHORTEST_STEP_MINUTES) {
			step *= Math.max(0.2, 0.9 * share ** -0.2);
			continue;
		}
		const from = at;
		const along = (moment: number) => tried.along(Math.min(1, (moment - from) / step));
		const switched = regimeOf ? switchWithin(regimeOf, regime, tried.along, step) : null;
		const until = switched === null ? from + step : from + switched * step;
		const reached = switched === null ? tried.state : tried.along(switched);
		if (stopAt && (reached[stopAt.part] ?? 0) >= stopAt.value) {
			const moment = crossing(along, from, until, stopAt);
			takeUpTo(moment, along);
			return { state: along(moment), minutes: moment, stopped: true, steps: steps + 1 };
		}
		takeUpTo(until, along);
		at = until;
		state = reached;
		if (switched === null) slope = tried.slope;
		else {
			regime = regimeOf?.(state) ?? 0;
			slope = derivative(state, at, regime);
		}
		step *= Math.min(5, 0.9 * Math.max(share, 1e-6) ** -0.2);
	}
	throw new BeyondModel();
}

interface TriedStep {
	readonly state: readonly number[];
	readonly slope: readonly number[];
	readonly error: number;
	/** The state at a share of the step. */
	readonly along: (share: number) => readonly number[];
}

function tryStep(
	derivative: Derivative,
	regime: number,
	state: readonly number[],
	slope: readonly number[],
	at: number,
	step: number
): TriedStep {
	const slopes: (readonly number[])[] = [slope];
	let reached: readonly number[] = state;
	for (let stage = 1; stage < NODES.length; stage += 1) {
		const weights = WEIGHTS[stage] ?? [];
		reached = state.map((value, part) => value + step * weighted(weights, slopes, part));
		slopes.push(derivative(reached, at + (NODES[stage] ?? 1) * step, regime));
	}
	let error = 0;
	for (let part = 0; part < state.length; part += 1)
		error = Math.max(error, Math.abs(step * weighted(ERROR, slopes, part)));
	const last = slopes.at(-1) ?? slope;
	const along = (share: number) =>
		state.map((value, part) => {
			const rise = (reached[part] ?? value) - value;
			const lead = step * (slope[part] ?? 0) - rise;
			const tail = rise - step * (last[part] ?? 0) - lead;
			const bow = step * weighted(DENSE, slopes, part);
			const rest = 1 - share;
			return value + share * (rise + rest * (lead + share * (tail + rest * bow)));
		});
	return { state: reached, slope: last, error, along };
}

function weighted(
	weights: readonly number[],
	slopes: readonly (readonly number[])[],
	part: number
): number {
	let sum = 0;
	for (let index = 0; index < weights.length; index += 1)
		sum += (weights[index] ?? 0) * (slopes[index]?.[part] ?? 0);
	return sum;
}

/** The share of a step at which it passes into another regime, just past the threshold; null where it does not. */
function switchWithin(
	regimeOf: (state: readonly number[]) => number,
	regime: number,
	along: (share: number) => readonly number[],
	step: number
): number | null {
	let before = 0;
	for (let look = 1; look <= LOOKS_ALONG_A_STEP; look += 1) {
		const here = look / LOOKS_ALONG_A_STEP;
		if (regimeOf(along(here)) === regime) {
			before = here;
			continue;
		}
		let [low, high] = [before, here];
		while ((high - low) * step > SWITCH_MINUTES) {
			const middle = (low + high) / 2;
			if (regimeOf(along(middle)) === regime) low = middle;
			else high = middle;
		}
		return high;
	}
	return null;
}

/** The moment at which a part of the state reaches a value within a step, by halving. */
function crossing(
	along: (moment: number) => readonly number[],
	from: number,
	until: number,
	{ part, value }: { readonly part: number; readonly value: number }
): number {
	let [low, high] = [from, until];
	for (let halving = 0; halving < 60 && high - low > 1e-6; halving += 1) {
		const middle = (low + high) / 2;
		if ((along(middle)[part] ?? 0) < value) low = middle;
		else high = middle;
	}
	return high;
}
