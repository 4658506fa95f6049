import type { JudgedPlan } from '../contracts/schedule-protocol.ts';
import { checkPlan, Solver, type Fault, type Plan, type Problem } from '../core/schedule/index.ts';

/** What solving needs of its surroundings: a clock, and a pause in which messages are let in. */
export interface Surroundings {
	readonly now: () => number;
	readonly pause: () => Promise<void>;
	/** False once nobody wants the answer any more. */
	readonly wanted: () => boolean;
}

export interface Asked {
	readonly problem: Problem;
	readonly inForce: Plan | null;
	readonly seed: number;
	readonly budgetMs: number;
	/** Ends sooner, after this time, where something is still missing; null or left out to go on. */
	readonly missingUntilMs?: number | null;
	/** From how many beginnings a first plan is tried, each for a while, before the best is gone on with. */
	readonly beginnings?: number;
}

export type Answer =
	| { readonly kind: 'solved'; readonly found: JudgedPlan }
	| { readonly kind: 'faulty'; readonly fault: Fault }
	| { readonly kind: 'unwanted' };

/** A slice of work after which messages are let in: well within the 20 ms in which a cancel is to be heard. */
const SLICE_MS = 6;

/** The part of the time that all beginnings but one take together. */
const BEGINNINGS_SHARE = 0.4;

/** Moves between two looks at the clock. */
const MOVES = 2;

/** Not sooner than this is a better plan told again, in milliseconds: telling it takes time from the search. */
const TELL_EVERY_MS = 250;

/**
 * Solves a problem within a time on the clock, in slices between which it can be stopped; the same for the worker, the
 * server and tests. Each plan is judged by the checker before it is told; a plan with a violation other than a
 * missing task is a bug, and throws.
 */
export async function solveInSlices(
	asked: Asked,
	surroundings: Surroundings,
	onBetter: (found: JudgedPlan) => void
): Promise<Answer> {
	const made: Solver[] = [];
	try {
		return await solveWith(made, asked, surroundings, onBetter);
	} finally {
		for (const solver of made) solver.close();
	}
}

/** Keeps the solvers that it makes in a list, for whoever asked to close. */
async function solveWith(
	solvers: Solver[],
	{ problem, inForce, seed, budgetMs, missingUntilMs = null, beginnings = 1 }: Asked,
	{ now, pause, wanted }: Surroundings,
	onBetter: (found: JudgedPlan) => void
): Promise<Answer> {
	const began = now();
	let slice = began;
	const breathe = async () => {
		if (now() - slice < SLICE_MS) return true;
		await pause();
		slice = now();
		return wanted();
	};
	let told = Infinity;
	let toldAt = began;
	const tell = (solver: Solver) => {
		told = shortOf(solver);
		onBetter(judged(problem, solver));
		toldAt = now();
	};
	// The last polish takes its time too.
	const searching = 0.97 * budgetMs;
	const tries = inForce ? 1 : Math.max(1, beginnings);
	let best: Solver | null = null;
	for (let turn = 1; turn <= tries; turn += 1) {
		const made = Solver.of(problem, seed + (turn - 1) * SEEDS_APART);
		if (!made.ok) return { kind: 'faulty', fault: made.error };
		const solver = made.value;
		solvers.push(solver);
		if (!(await breathe())) return { kind: 'unwanted' };
		for (const _ of inForce ? solver.resuming(inForce) : solver.beginning()) {
			// The first complete plan is told at once, also when another first plan is still being tried.
			if (told === Infinity && solver.progress.missing === 0) tell(solver);
			if (!(await breathe())) return { kind: 'unwanted' };
		}
		if (told === Infinity) tell(solver);
		const until = turn < tries ? (searching * BEGINNINGS_SHARE * turn) / (tries - 1) : 0;
		while (now() - began < until) {
			solver.run(MOVES, (now() - began) / searching);
			if (!(await breathe())) return { kind: 'unwanted' };
		}
		if (best === null || shortOf(solver) < shortOf(best)) best = solver;
	}
	const solver = best as Solver;
	for (let spent = (now() - began) / searching; spent < 1; spent = (now() - began) / searching) {
		if (missingUntilMs !== null && solver.progress.missing > 0 && now() - began > missingUntilMs)
			break;
		solver.run(MOVES, spent);
		if (!(await breathe())) return { kind: 'unwanted' };
		if (shortOf(solver) >= told || now() - toldAt < TELL_EVERY_MS) continue;
		tell(solver);
		// Telling takes as long as a slice.
		if (!(await breathe())) return { kind: 'unwanted' };
	}
	for (const _ of solver.finishing()) if (!(await breathe())) return { kind: 'unwanted' };
	return { kind: 'solved', found: judged(problem, solver) };
}

/** Seeds of several beginnings, far enough from one another for those of other requests. */
const SEEDS_APART = 7919;

/** What a better plan has less of: missing tasks first, then cost. */
function shortOf({ progress }: Solver): number {
	return progress.missing * 1e9 + (progress.cost ?? 0);
}

function judged(problem: Problem, solver: Solver): JudgedPlan {
	const plan = solver.plan();
	const { violations, cost } = checkPlan(problem, plan);
	const wrong = violations.find(({ kind }) => kind !== 'task-missing');
	if (wrong) throw new Error(`the search made a plan that does not hold: ${JSON.stringify(wrong)}`);
	return {
		plan,
		cost: plan.missing.length === 0 ? cost : null,
		moves: solver.progress.moves
	};
}
