import { MINUTE_MS } from '../time/index.ts';
import { begunBatches, mixedByPlan } from './begun-batches.ts';
import type { DayPlan } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';

/** A plan is followed while what was begun began within this of when it told (our default). */
export const FOLLOWED_WITHIN_MINUTES = 15;

/** An input as it is before anything of it was begun. */
export function asPlanned(input: BakeDayInput): BakeDayInput {
	return {
		...input,
		builds: input.builds.map((build) => ({ ...build, begun: null })),
		doughs: input.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({ ...mix, begun: null }))
		}))
	};
}

/**
 * Tells whether a plan is followed by what was begun: each came out of its mixer when the plan said, give or take
 * a quarter of an hour. What runs further off moves all that comes after it, so that the plan holds no more.
 * Range: any plan of the input's date. Source: our default. Failures: none; what the plan does not know is not
 * followed by it.
 * Example: a dough mixed five minutes late leaves the plan as it is, one mixed an hour late does not.
 */
export function isFollowed(plan: DayPlan, input: BakeDayInput): boolean {
	const mixedBy = mixedByPlan(plan);
	return [...begunBatches(input)].every(([batch, begun]) => {
		const plannedMs = mixedBy.get(batch);
		return (
			plannedMs !== undefined &&
			Math.abs(begun.mixedAtMs - plannedMs) <= FOLLOWED_WITHIN_MINUTES * MINUTE_MS
		);
	});
}
