import { checkPlan, differenceOf, withPriceOnMoving } from '../../src/lib/core/schedule/index.ts';
import type { ScheduleTeam } from '../../src/lib/workers/schedule-team.ts';
import { changedNight } from './changed-night.ts';
import { generateDay } from './generate-day.ts';
import { problemOf } from './neutral-case.ts';
import { quantile } from './quantile.ts';
import { solveByTeam } from './timed.ts';

const NIGHTS = 20;
/** A night is looked at when its main shift has begun. */
const AT = 230;
const REPLAN_MS = 74;

export interface Replanned {
	readonly nights: number;
	readonly valid: number;
	readonly p95Ms: number;
	/** Of what had not begun, the least and the median share that stayed where it was. */
	readonly leastStayed: number;
	readonly medianStayed: number;
}

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
		p95Ms: quantile(times, 0.95),
		leastStayed: quantile(stayed, 0),
		medianStayed: quantile(stayed, 0.5)
	};
}
