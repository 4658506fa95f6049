/** How a state changes, per minute. */
export type Derivative = (state: readonly number[], minutes: number) => readonly number[];

export interface Integration {
	readonly state: readonly number[];
	/** Where it ended: at the end asked for, or where a part of the state reached its value. */
	readonly minutes: number;
	readonly stopped: boolean;
	readonly steps: number;
}

export interface IntegrationInput {
	readonly derivative: Derivative;
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

/** The error of a whole run is a few times that of a step (measured: below 5 times). */
export const STEP_TOLERANCE = 1e-4;
const LONGEST_STEP_MINUTES = 120;
const SHORTEST_STEP_MINUTES = 1e-6;
const MOST_STEPS = 100_000;

// The pair of fifth and fourth order of dormand-prince-1980.
const NODES = [0, 1 / 5, 3 / 10, 4 / 5, 8 / 9, 1, 1];
const WEIGHTS: readonly (readonly number[])[] = [
	[],
	[1 / 5],
	[3 / 40, 9 / 40],
	[44 / 45, -56 / 15, 32 / 9],
	[19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
	[9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
	[35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84]
];
const ERROR = [71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40];

/**
 * Follows a state over time where no closed form is known.
 *
 * Method: Runge-Kutta of order 5 with an error of order 4 beside it; the step is as long as the tolerance
 * allows. Between steps the state is a cubic through both ends and their slopes.
 * Precondition: a derivative that is finite everywhere; kinks only cost shorter steps. Tolerance: as given,
 * per step. Limit: 100 000 steps, beyond which it throws, for then the model is wrong.
 * Source: dormand-prince-1980. Failures: none.
 * Example: a dough at 27 in a place of 21 with a constant of 420 min is 24.2 after 265 min.
 */
export function integrate(input: IntegrationInput): Integration {
	const { derivative, minutes: end, tolerance, stopAt, samples } = input;
	let state = [...input.start];
	let at = 0;
	let step = Math.min(5, end);
	let slope = [...derivative(state, 0)];
	let wanted = 0;
	const takeUpTo = (from: number, to: number, before: readonly number[], slopes: Slopes) => {
		if (!samples) return;
		for (; wanted < samples.at.length && (samples.at[wanted] ?? 0) <= to + 1e-9; wanted += 1) {
			const moment = samples.at[wanted] ?? 0;
			samples.take(moment, between(before, slopes, from, to, moment));
		}
	};
	if (stopAt && (state[stopAt.part] ?? 0) >= stopAt.value)
		return { state, minutes: 0, stopped: true, steps: 0 };
	for (let steps = 0; steps < MOST_STEPS; steps += 1) {
		if (at >= end - 1e-9) {
			takeUpTo(at, end, state, { before: slope, after: slope, to: state });
			return { state, minutes: end, stopped: false, steps };
		}
		step = Math.min(step, end - at, LONGEST_STEP_MINUTES);
		const tried = tryStep(derivative, state, slope, at, step);
		const share = tried.error / tolerance;
		if (share > 1 && step > SHORTEST_STEP_MINUTES) {
			step *= Math.max(0.2, 0.9 * share ** -0.2);
			continue;
		}
		const slopes: Slopes = { before: slope, after: tried.slope, to: tried.state };
		if (stopAt && (tried.state[stopAt.part] ?? 0) >= stopAt.value) {
			const moment = crossing(state, slopes, at, at + step, stopAt);
			takeUpTo(at, moment, state, slopes);
			const stopped = between(state, slopes, at, at + step, moment);
			return { state: stopped, minutes: moment, stopped: true, steps: steps + 1 };
		}
		takeUpTo(at, at + step, state, slopes);
		at += step;
		state = tried.state;
		slope = tried.slope;
		step *= Math.min(5, 0.9 * Math.max(share, 1e-6) ** -0.2);
	}
	throw new RangeError('the model asks for more steps than it may');
}

interface Slopes {
	readonly before: readonly number[];
	readonly after: readonly number[];
	readonly to: readonly number[];
}

function tryStep(
	derivative: Derivative,
	state: readonly number[],
	slope: readonly number[],
	at: number,
	step: number
): { readonly state: number[]; readonly slope: number[]; readonly error: number } {
	const slopes: (readonly number[])[] = [slope];
	let reached = [...state];
	for (let stage = 1; stage < NODES.length; stage += 1) {
		const weights = WEIGHTS[stage] ?? [];
		reached = state.map((value, part) => {
			let sum = 0;
			for (const [index, weight] of weights.entries()) sum += weight * (slopes[index]?.[part] ?? 0);
			return value + step * sum;
		});
		slopes.push(derivative(reached, at + (NODES[stage] ?? 1) * step));
	}
	let error = 0;
	for (let part = 0; part < state.length; part += 1) {
		let sum = 0;
		for (const [index, weight] of ERROR.entries()) sum += weight * (slopes[index]?.[part] ?? 0);
		error = Math.max(error, Math.abs(step * sum));
	}
	return { state: reached, slope: [...(slopes.at(-1) ?? slope)], error };
}

/** The cubic through both ends of a step and their slopes. */
function between(
	before: readonly number[],
	{ before: first, after: last, to }: Slopes,
	from: number,
	until: number,
	moment: number
): readonly number[] {
	const length = until - from;
	if (length <= 0) return before;
	const u = (moment - from) / length;
	return before.map((value, part) => {
		const end = to[part] ?? value;
		const rise = end - value;
		const m0 = (first[part] ?? 0) * length;
		const m1 = (last[part] ?? 0) * length;
		return value + u * (m0 + u * (3 * rise - 2 * m0 - m1 + u * (m0 + m1 - 2 * rise)));
	});
}

/** The moment at which a part of the state reaches a value within a step, by halving. */
function crossing(
	before: readonly number[],
	slopes: Slopes,
	from: number,
	until: number,
	{ part, value }: { readonly part: number; readonly value: number }
): number {
	let [low, high] = [from, until];
	for (let halving = 0; halving < 60 && high - low > 1e-6; halving += 1) {
		const middle = (low + high) / 2;
		if ((between(before, slopes, from, until, middle)[part] ?? 0) < value) low = middle;
		else high = middle;
	}
	return high;
}
