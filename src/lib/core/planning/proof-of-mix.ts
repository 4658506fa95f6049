import type { Step, WaitStep } from '../formula/index.ts';
import type { RipeningStep } from '../ripening/index.ts';
import { courseThrough } from './course.ts';

/** The proof that a portion of a dough goes into. */
export interface ProofAhead {
	readonly step: RipeningStep;
	/** Hands-on time and rests between the end of the bulk and the proof. */
	readonly minutesBefore: number;
}

/**
 * Gives the proof of a product with a clock and how long it takes to get there.
 * Range: pieces of 0 or more, a dough temperature. Source: `courseThrough`. Failures: null where the chain has
 * no such proof or cannot be worked out up to it.
 * Example: dividing in 10 min and a rest of 20 lead to the proof after 30.
 */
export function proofAhead(
	steps: readonly Step[],
	pieces: number,
	doughCelsius: number
): ProofAhead | null {
	const at = steps.findIndex(
		(step) => step.kind === 'wait' && step.activity === 'proof' && step.clock !== null
	);
	const step = steps[at] as WaitStep | undefined;
	if (!step?.clock) return null;
	const before = courseThrough(steps.slice(0, at), pieces, doughCelsius);
	if (!before.ok) return null;
	return {
		step: { ...step, clock: step.clock },
		minutesBefore: before.value.steps.reduce((total, step) => total + step.minutes, 0)
	};
}
