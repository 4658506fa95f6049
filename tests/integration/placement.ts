import {
	AS_IT_IS,
	judgePlacement,
	planDay,
	type BakeDayInput,
	type Conditions,
	type DayPlan,
	type Placement
} from '../../src/lib/core/planning/index.ts';

/** Enough for a plan that keeps every drop of the demo's days, and the same on every machine. */
const MOVES = 120;

/**
 * A plan that holds, and has nothing to do before a time, from one of a few seeds: a night that barely fits is found by one
 * and not by another.
 */
export function heldPlacement(
	input: BakeDayInput,
	moves = 400,
	conditions: Partial<Conditions> = {},
	notBeforeMs = -Infinity
): Placement {
	let placement: Placement | null = null;
	for (let seed = 1; seed <= 12; seed += 1) {
		const made = planDay(input, { seed, moves }, { ...AS_IT_IS, ...conditions });
		if (!made.ok) throw new Error(`the day cannot be planned: ${JSON.stringify(made.error)}`);
		placement = made.value;
		const { plan } = judgePlacement(input, placement);
		const isLate = plan.drops.some(({ readyMs, readyByMs }) => (readyMs ?? Infinity) > readyByMs);
		const isGone = plan.tasks.some(({ startMs }) => startMs < notBeforeMs);
		if (!isLate && !isGone && plan.cautions.length === 0) break;
	}
	if (!placement) throw new Error('no plan was made');
	return placement;
}

/** The same, as it is told. */
export function heldPlan(input: BakeDayInput, moves?: number): DayPlan {
	return judgePlacement(input, heldPlacement(input, moves)).plan;
}

/** The plan of a day, as the worker of a page would make it. */
export function newPlacement(input: BakeDayInput, conditions: Partial<Conditions> = {}): Placement {
	const made = planDay(input, { seed: 2, moves: MOVES }, { ...AS_IT_IS, ...conditions });
	if (!made.ok) throw new Error(`the day cannot be planned: ${JSON.stringify(made.error)}`);
	return made.value;
}
