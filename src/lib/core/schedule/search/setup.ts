import type { BatchMachine } from '../problem.ts';

/** Time to go from one level to another on a batch machine; none within its tolerance. */
export function setupBetween(machine: BatchMachine, from: number, to: number): number {
	const difference = to - from;
	if (Math.abs(difference) <= machine.tolerance) return 0;
	return difference > 0
		? Math.ceil((difference * machine.rise) / machine.step)
		: Math.ceil((-difference * machine.fall) / machine.step);
}
