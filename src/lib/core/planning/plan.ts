import { fail, ok, type Result } from '../result.ts';
import {
	checkPlan,
	Solver,
	type Cost,
	type Fault,
	type Plan,
	type Violation
} from '../schedule/index.ts';
import { asAgreed, changesTheDay } from './agreed.ts';
import { describePlan, type DayPlan } from './day-plan.ts';
import { expandDay, OVENS, type ExpandedDay } from './expand.ts';
import type { Grid } from './grid.ts';
import type { BakeDayInput } from './input.ts';
import { groupOf } from './night-problem.ts';
import { AS_IT_IS, type Conditions, type Placement } from './placement.ts';

export interface JudgedPlan {
	readonly expanded: ExpandedDay;
	/** What forbids it. */
	readonly violations: readonly Violation[];
	readonly plan: DayPlan;
	/** In all and by goal. */
	readonly cost: Cost;
}

/**
 * Judges a placement that was made elsewhere against the input as it stands here, by the separate checker, and tells it.
 *
 * A task that is told to have no place is no violation: it is told as not planned, and its drop does not hold.
 * Range: any placement of the type. Source: `checkPlan`. Failures: none; findings are the result.
 */
export function judgePlacement(input: BakeDayInput, placement: Placement): JudgedPlan {
	const expanded = expandDay(input, {
		...AS_IT_IS,
		done: placement.done,
		relaxed: placement.relaxed,
		wishes: placement.wishes.filter(changesTheDay)
	});
	const onGrid = placementOn(placement, expanded.grid);
	const { violations, cost } = checkPlan(expanded.problem, onGrid.plan);
	const unplaced = new Set(placement.plan.missing);
	return {
		expanded,
		violations: violations.filter(
			(violation) => violation.kind !== 'task-missing' || !unplaced.has(violation.task)
		),
		plan: describePlan(asAgreed(input, placement.wishes), onGrid, expanded),
		cost
	};
}

/** The problem that a placement was made for, with its wishes, and the plan on the grid of that problem. */
export function problemOf(
	input: BakeDayInput,
	placement: Placement
): { readonly expanded: ExpandedDay; readonly plan: Plan } {
	const { done, wishes, relaxed } = placement;
	const expanded = expandDay(input, { ...AS_IT_IS, done, wishes, relaxed });
	return { expanded, plan: placementOn(placement, expanded.grid).plan };
}

/** A placement told on another grid: the same times. */
export function placementOn(placement: Placement, grid: Grid): Placement {
	const by = grid.nearest(placement.zeroMs);
	if (by === 0) return placement;
	const { plan } = placement;
	return {
		...placement,
		zeroMs: grid.zeroMs,
		plan: {
			...plan,
			placed: plan.placed.map((one) => ({ ...one, start: one.start + by, end: one.end + by })),
			loads: plan.loads.map((one) => ({ ...one, start: one.start + by, end: one.end + by }))
		}
	};
}

/** What has to be relaxed so that everything finds a place: the batches of what found none. */
export function alsoRelaxed(
	expanded: ExpandedDay,
	plan: Plan,
	relaxed: readonly string[]
): readonly string[] {
	const missing = new Set(plan.missing);
	const groups = expanded.tasks
		.filter(({ id }) => missing.has(id))
		.map(({ batch }) => groupOf(batch));
	// What has more room already and still finds no place may want for hands at the ovens.
	const ovens = groups.some((group) => relaxed.includes(group)) ? [OVENS] : [];
	return [...new Set([...relaxed, ...groups, ...ovens])].sort();
}

/** How often more may be relaxed before everything is. */
export const RELAXING_ROUNDS = 3;

/**
 * Plans a day with a budget of moves, in one go: the same plan for a seed and a budget everywhere. Where something finds no
 * place, the windows and hands of its batch are relaxed, and that is told as a caution.
 *
 * Range: any input of the contract. Source: `Solver`. Failures: a fault of the problem.
 * Example: an input without doughs gives an empty placement.
 */
export function planDay(
	input: BakeDayInput,
	{ seed, moves }: { readonly seed: number; readonly moves: number },
	conditions: Conditions = AS_IT_IS
): Result<Placement, Fault> {
	let { relaxed } = conditions;
	let before: Plan | null = null;
	for (let round = 0; ; round += 1) {
		const expanded = expandDay(input, { ...conditions, relaxed });
		const made = Solver.of(expanded.problem, seed);
		if (!made.ok) return fail(made.error);
		const solver = made.value;
		if (before) solver.resume(before);
		else solver.begin();
		for (let done = 0; done < moves; done += SLICE)
			solver.run(Math.min(SLICE, moves - done), done / moves);
		solver.finish();
		const plan = solver.plan();
		solver.close();
		const { done, wishes } = conditions;
		const placement = { zeroMs: expanded.grid.zeroMs, plan, relaxed, done, wishes };
		if (plan.missing.length === 0 || round === RELAXING_ROUNDS) return ok(placement);
		relaxed = alsoRelaxed(expanded, plan, relaxed);
		before = plan;
	}
}

/** Moves between two looks at the temperature. */
const SLICE = 10;
