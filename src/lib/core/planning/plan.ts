import { ok, type Result } from '../result.ts';
import {
	assignMachines,
	checkPlan,
	placeLatest,
	type Caution,
	type PlaceFailure,
	type PlaceProgress,
	type Placement,
	type Violation
} from '../latest-start/index.ts';
import { expandDay, type ExpandedDay } from './expand.ts';
import type { BakeDayInput } from './input.ts';

/**
 * Plans a day backwards from its drops, a slice of work at a time.
 *
 * Range: any input of the contract. Source: `expandDay`, `placeLatest`. Failures: those of placing.
 * Example: an input without doughs gives an empty placement.
 */
export function* planDay(
	input: BakeDayInput
): Generator<PlaceProgress, Result<Placement, PlaceFailure>> {
	const { problem } = expandDay(input);
	const placed = yield* placeLatest(problem);
	if (!placed.ok) return placed;
	return ok({
		starts: Object.fromEntries(placed.value),
		machines: Object.fromEntries(assignMachines(problem, placed.value))
	});
}

export interface JudgedPlan {
	readonly expanded: ExpandedDay;
	readonly violations: readonly Violation[];
	readonly cautions: readonly Caution[];
}

/** Judges a placement that was made elsewhere against the input as it stands here. */
export function judgePlacement(input: BakeDayInput, placement: Placement): JudgedPlan {
	const expanded = expandDay(input);
	return { expanded, ...checkPlan(expanded.problem, placement) };
}
