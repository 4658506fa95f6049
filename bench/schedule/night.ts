import { performance } from 'node:perf_hooks';
import {
	checkPlan,
	conflictOf,
	differenceOf,
	Solver,
	withPriceOnMoving,
	type Problem
} from '../../src/lib/core/schedule/index.ts';
import { changedNight } from './changed-night.ts';
import { generateDay } from './generate-day.ts';
import { problemOf } from './neutral-case.ts';
import type { ScheduleTeam } from '../../src/lib/workers/schedule-team.ts';
import { solveByTeam } from './team.ts';

const NIGHTS = 20;
/** A night is looked at when its main shift has begun. */
const AT = 230;
const REPLAN_MS = 80;

export interface Replanned {
	readonly nights: number;
	readonly valid: number;
	readonly p95Ms: number;
	/** Of what had not begun, the least and the median share that stayed where it was. */
	readonly leastStayed: number;
	readonly medianStayed: number;
}

const at = (values: readonly number[], share: number): number =>
	[...values].sort((a, b) => a - b)[
		Math.min(values.length - 1, Math.floor(values.length * share))
	] ?? NaN;

/** Re-plans medium nights after one dough turned out quicker than the plan had it. */
export async function replanNights(team: ScheduleTeam): Promise<Replanned> {
	const [times, stayed]: [number[], number[]] = [[], []];
	let valid = 0;
	for (let day = 1; times.length < NIGHTS && day < 3 * NIGHTS; day += 1) {
		const problem = problemOf(generateDay('medium', day));
		const { plan: before } = await solveByTeam(team, problem, { seed: day, budgetMs: 500 });
		const changed = changedNight(problem, before, AT);
		if (!changed || before.missing.length > 0) continue;
		const priced = withPriceOnMoving(changed, before, { price: 6, tier: 0 });
		const { plan: after, allMs } = await solveByTeam(team, priced, {
			seed: 1,
			budgetMs: REPLAN_MS,
			inForce: before
		});
		times.push(allMs);
		const { kept } = differenceOf(before, after);
		const free = changed.tasks.filter(({ pin }) => pin === null).length;
		stayed.push((kept - (changed.tasks.length - free)) / free);
		if (checkPlan(changed, after).violations.length === 0) valid += 1;
	}
	return {
		nights: times.length,
		valid,
		p95Ms: at(times, 0.95),
		leastStayed: at(stayed, 0),
		medianStayed: at(stayed, 0.5)
	};
}

/** A deadline before anything can be ready, explained: how long it takes, and what is told. */
export function explainConflict(): { readonly medianMs: number; readonly told: string } {
	const problem = problemOf(generateDay('medium', 1));
	const impossible: Problem = {
		...problem,
		tasks: problem.tasks.map((task) => (task.id.startsWith('pack') ? { ...task, latest: 3 } : task))
	};
	const times: number[] = [];
	let told = '';
	for (let run = 0; run < 20; run += 1) {
		const began = performance.now();
		const conflict = conflictOf(impossible, [], { seed: 1, moves: 50 });
		times.push(performance.now() - began);
		if (!conflict.ok) throw new Error(JSON.stringify(conflict.error));
		const { value } = conflict;
		told = value.kind === 'circle' ? `a circle of ${value.links.length} links` : value.kind;
	}
	return { medianMs: at(times, 0.5), told };
}

/** The heap after a hundred and after a thousand solves of a small day, in MB. */
export function solveAThousandTimes(collect: () => void): readonly [number, number] {
	const problem = problemOf(generateDay('small', 1));
	const held: number[] = [];
	for (let run = 1; run <= 1000; run += 1) {
		const made = Solver.of(problem, run);
		if (!made.ok) throw new Error(JSON.stringify(made.error));
		made.value.begin();
		made.value.run(20, 0.5);
		made.value.plan();
		if (run !== 100 && run !== 1000) continue;
		collect();
		held.push(process.memoryUsage().heapUsed / 1e6);
	}
	return [held[0] ?? NaN, held[1] ?? NaN];
}
