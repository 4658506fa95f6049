import { Worker } from 'node:worker_threads';
import type { ScheduleReply, ScheduleRequest } from '../../src/lib/contracts/schedule-protocol.ts';
import { checkPlan, type Plan, type Problem } from '../../src/lib/core/schedule/index.ts';
import { ScheduleTeam, type ScheduleWorker } from '../../src/lib/workers/schedule-team.ts';

/** As many as the planning page has: it is told for two cores. */
const WORKERS = 2;

/** A team of schedule workers in threads of Node.js. */
export function nodeTeam(): ScheduleTeam {
	return new ScheduleTeam(nodeWorker, WORKERS);
}

function nodeWorker(): ScheduleWorker {
	const thread = new Worker(new URL('./node-worker.mjs', import.meta.url));
	const worker: ScheduleWorker = {
		postMessage: (message: ScheduleRequest) => thread.postMessage(message),
		onmessage: null,
		onerror: null,
		terminate: () => void thread.terminate()
	};
	thread.on('message', (data: ScheduleReply) => worker.onmessage?.({ data }));
	thread.on('error', (error) => worker.onerror?.({ message: String(error) }));
	return worker;
}

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
