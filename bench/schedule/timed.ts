import { checkPlan, type Plan, type Problem } from '../../src/lib/core/schedule/index.ts';
import type { ScheduleTeam } from '../../src/lib/workers/schedule-team.ts';

/** Figures are told for two cores. */
export const WORKERS = 2;

export interface TimedRun {
	readonly plan: Plan;
	/** By the checker; null where the plan does not hold. */
	readonly cost: number | null;
	/** From asking until the first complete plan was heard of; until the answer where none was. */
	readonly firstMs: number;
	/** From asking until the answer was there. */
	readonly allMs: number;
	readonly moves: number;
}

/** Asks a team for a schedule and judges the answer. */
export async function solveByTeam(
	team: ScheduleTeam,
	problem: Problem,
	{
		seed,
		budgetMs,
		inForce = null
	}: { readonly seed: number; readonly budgetMs: number; readonly inForce?: Plan | null }
): Promise<TimedRun> {
	const began = performance.now();
	let firstMs: number | null = null;
	const outcome = await team.solve({ problem, inForce, seed, budgetMs }, ({ cost }) => {
		if (cost) firstMs ??= performance.now() - began;
	});
	const allMs = performance.now() - began;
	if (outcome.kind !== 'solved') throw new Error(JSON.stringify(outcome));
	const { plan, moves } = outcome.found;
	const { violations, cost } = checkPlan(problem, plan);
	return {
		plan,
		cost: violations.length === 0 ? cost.total : null,
		firstMs: firstMs ?? allMs,
		allMs,
		moves
	};
}

/** Solves until the engines have compiled what they will run: workers that stay are warm too. */
export async function warmUp(team: ScheduleTeam, problem: Problem): Promise<void> {
	for (let seed = 1; seed <= 3; seed += 1)
		await solveByTeam(team, problem, { seed, budgetMs: 700 });
}
