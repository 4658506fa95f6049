import { fail, ok, type Result } from '../result.ts';
import { faultOf, type Fault } from './faults.ts';
import { inOneGo } from './in-one-go.ts';
import type { Plan } from './plan.ts';
import type { Problem } from './problem.ts';
import { compile } from './search/compile.ts';
import { standsOf } from './search/stands-of.ts';
import { MANNER, type Manner } from './search/manner.ts';
import { Search } from './search/search.ts';

/** How far a solver has come. */
export interface Progress {
	/** What the best plan costs; null while it lacks a task. */
	readonly cost: number | null;
	readonly missing: number;
	readonly moves: number;
}

/**
 * An anytime solver: a first plan at once, then better ones for as long as it is asked to go on.
 *
 * Model: components of tasks that move together are put in at their least price against all that stands (dynamic
 * programming over time), and a few at a time are taken out and put back otherwise under annealing; the times of the
 * order found are brought to their optimum at the end. It takes no time itself: the caller says how much of the budget
 * is spent. Whole numbers and a seeded chance only, so that a seed and a number of moves give the same plan on every
 * machine. Every plan it gives is to be judged by `checkPlan`.
 * Range: problems within `LIMITS`. Source: docs/decisions/0022; large-neighbourhood search (Shaw 1998), annealing
 * (Kirkpatrick and others 1983). Failures: a `Fault` of the problem. What finds no place is told as missing.
 * Example: `begin()`, then `run(20, 0)`, `run(20, 0.1)`, ... `finish()`, `plan()`.
 */
export class Solver {
	private readonly searching: Search;
	private isClosed = false;

	private constructor(problem: Problem, seed: number, manner: Manner) {
		this.searching = new Search(compile(problem), seed, manner);
	}

	static of(problem: Problem, seed: number, manner: Manner = MANNER): Result<Solver, Fault> {
		const fault = faultOf(problem);
		return fault ? fail(fault) : ok(new Solver(problem, seed, manner));
	}

	/** Throws where the solver was closed: its memory is another's. */
	private get search(): Search {
		if (this.isClosed) throw new Error('this solver was closed');
		return this.searching;
	}

	/** Makes the first plan; goes on by steps of a few milliseconds, between which it can be left. */
	beginning(): Generator<void, void> {
		return this.search.begin();
	}

	/** Makes the first plan in one go. */
	begin(): void {
		inOneGo(this.beginning());
	}

	/**
	 * Begins from a plan in force instead: what still can stands where it stood, the rest is put in around it. What the
	 * problem pins is kept first.
	 */
	resuming(plan: Plan): Generator<void, void> {
		return this.search.resume(standsOf(this.search.model, plan));
	}

	/** The same in one go. */
	resume(plan: Plan): void {
		inOneGo(this.resuming(plan));
	}

	/** Makes so many moves with a share of the budget (0 to 1) spent. */
	run(moves: number, spent: number): void {
		const temperature = this.search.temperature(spent);
		for (let at = 0; at < moves; at += 1) this.search.move(temperature);
	}

	/**
	 * Brings the best plan to the best times for its order; new times can make another order, so more than once. Goes on
	 * by steps of a few milliseconds, between which it can be left.
	 */
	*finishing(): Generator<void, void> {
		this.search.restore();
		yield;
		for (let turn = 0; turn < 8 && this.search.polish(1000); turn += 1) yield;
	}

	/** The same in one go. */
	finish(): void {
		inOneGo(this.finishing());
	}

	get progress(): Progress {
		const { bestCost, best, model, moves } = this.search;
		const missing = model.tasks - best.length;
		return { cost: missing === 0 ? bestCost : null, missing, moves };
	}

	/** Gives the memory back to who asks next: from then on the solver throws. Who forgets it costs the next some time, no more. */
	close(): void {
		this.isClosed = true;
		this.searching.state.close();
	}

	/** The best plan found so far. */
	plan(): Plan {
		return this.search.plan();
	}
}

/** Moves between two looks at the temperature. */
const SLICE = 10;

/**
 * Solves a problem with a budget of moves, in one go: the same plan for a seed and a budget everywhere.
 * Model, range, source, failures: as `Solver`.
 */
export function solve(
	problem: Problem,
	{ seed, moves }: { readonly seed: number; readonly moves: number },
	manner: Manner = MANNER
): Result<Plan, Fault> {
	const made = Solver.of(problem, seed, manner);
	if (!made.ok) return made;
	const solver = made.value;
	solver.begin();
	for (let done = 0; done < moves; done += SLICE)
		solver.run(Math.min(SLICE, moves - done), done / moves);
	solver.finish();
	const plan = solver.plan();
	solver.close();
	return ok(plan);
}
