import { checkPlan, Solver, type Plan, type Problem } from '../../src/lib/core/schedule/index.ts';

export interface TimedRun {
	readonly plan: Plan;
	/** By the checker; null where the plan does not hold. */
	readonly cost: number | null;
	/** To the first complete plan; to the end of the first attempts where none of them was complete. */
	readonly firstMs: number;
	readonly moves: number;
}

/** Moves between two looks at the clock. */
const SLICE = 10;

/** Solves a problem within a time on the wall, as the worker does, from reading the problem to the last polish. */
export function solveWithin(problem: Problem, seed: number, ms: number): TimedRun {
	const began = performance.now();
	const made = Solver.of(problem, seed);
	if (!made.ok) throw new Error(`the problem has a fault: ${JSON.stringify(made.error)}`);
	const solver = made.value;
	let firstMs = Infinity;
	for (const _ of solver.beginning())
		if (firstMs === Infinity && solver.progress.cost !== null) firstMs = performance.now() - began;
	if (firstMs === Infinity) firstMs = performance.now() - began;
	// The last polish takes its time too.
	const budget = ms * 0.97;
	for (let spent = 0; spent < 1; spent = (performance.now() - began) / budget)
		solver.run(SLICE, spent);
	solver.finish();
	const plan = solver.plan();
	const { violations, cost } = checkPlan(problem, plan);
	return {
		plan,
		cost: violations.length === 0 ? cost.total : null,
		firstMs,
		moves: solver.progress.moves
	};
}

/** Runs the solver until the engine has compiled what it will run: a worker that stays is warm too. */
export function warmUp(problem: Problem): void {
	for (let seed = 1; seed <= 3; seed += 1) solveWithin(problem, seed, 700);
}
