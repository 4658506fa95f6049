import type { FoundPlan } from '../contracts/plan-protocol.ts';

/** Fewer things without a place come first, then what it costs. */
export function isBetter(one: FoundPlan, other: FoundPlan): boolean {
	const missing = one.placement.plan.missing.length - other.placement.plan.missing.length;
	if (missing !== 0) return missing < 0;
	return (one.cost?.total ?? 0) < (other.cost?.total ?? 0);
}

/** Nothing is late, nothing is missing, nothing had to be given more room. */
export function holds({ plan }: Pick<FoundPlan, 'plan'>): boolean {
	return (
		plan.cautions.length === 0 &&
		plan.unplaced.length === 0 &&
		plan.drops.every(({ readyMs, readyByMs }) => readyMs === null || readyMs <= readyByMs)
	);
}
