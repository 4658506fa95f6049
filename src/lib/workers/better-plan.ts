import type { FoundPlan } from '../contracts/plan-protocol.ts';

/** Fewer things without a place come first, then what it costs. */
export function isBetter(one: FoundPlan, other: FoundPlan): boolean {
	const missing = one.placement.plan.missing.length - other.placement.plan.missing.length;
	if (missing !== 0) return missing < 0;
	return (one.cost?.total ?? 0) < (other.cost?.total ?? 0);
}
