import { planDay, type BakeDayInput } from '../../src/lib/core/planning/index.ts';
import type { Placement } from '../../src/lib/core/latest-start/index.ts';

/** The plan of a day, as the worker of a page would make it. */
export function newPlacement(input: BakeDayInput): Placement {
	const run = planDay(input);
	for (;;) {
		const step = run.next();
		if (!step.done) continue;
		if (!step.value.ok)
			throw new Error(`the day cannot be planned: ${JSON.stringify(step.value.error)}`);
		return step.value.value;
	}
}
