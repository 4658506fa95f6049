import type { BatchMachine } from '../problem.ts';

/** Levels from the lowest to the highest that portions of a load begin at, and those they leave the machine at. */
export interface LevelRange {
	low: number;
	high: number;
	leavesLow: number;
	leavesHigh: number;
}

/** Differences of level within this are worked out beforehand: they are asked for at every turn. */
const NEAR = 512;

/** Time to go from one level to another on a batch machine; none within its tolerance. */
export class Setups {
	/** By difference, from NEAR down to NEAR up. */
	private readonly known: Int32Array;

	constructor(private readonly machine: BatchMachine) {
		this.known = new Int32Array(2 * NEAR + 1);
		for (let at = 0; at < this.known.length; at += 1) this.known[at] = this.reckon(at - NEAR);
	}

	/** The most time that any portion of a second load may have to wait for its level after any portion of the first. */
	between(first: LevelRange, second: LevelRange): number {
		const up = this.of(second.high - first.leavesLow);
		const down = this.of(second.low - first.leavesHigh);
		return up > down ? up : down;
	}

	private of(difference: number): number {
		return difference >= -NEAR && difference <= NEAR
			? (this.known[difference + NEAR] as number)
			: this.reckon(difference);
	}

	private reckon(difference: number): number {
		const { tolerance, rise, fall, step } = this.machine;
		if (Math.abs(difference) <= tolerance) return 0;
		return difference > 0
			? Math.ceil((difference * rise) / step)
			: Math.ceil((-difference * fall) / step);
	}
}

/**
 * True where two loads cannot be in one chamber at once: not all their levels are one; loads that go the same way together
 * from one moment on can.
 */
export function keepApart(
	machine: BatchMachine,
	a: LevelRange,
	b: LevelRange,
	together: boolean
): boolean {
	const { tolerance } = machine;
	const low = Math.min(a.low, b.low);
	const high = Math.max(a.high, b.high);
	const leavesLow = Math.min(a.leavesLow, b.leavesLow);
	const leavesHigh = Math.max(a.leavesHigh, b.leavesHigh);
	if (Math.max(high, leavesHigh) - Math.min(low, leavesLow) <= tolerance) return false;
	return !together || high - low > tolerance || leavesHigh - leavesLow > tolerance;
}

/** The levels of one portion. */
export function rangeOf({
	level,
	leaves
}: {
	readonly level: number;
	readonly leaves: number;
}): LevelRange {
	return { low: level, high: level, leavesLow: leaves, leavesHigh: leaves };
}

/** The levels of a load with one more portion. */
export function withPortion(
	range: LevelRange | null,
	portion: { readonly level: number; readonly leaves: number }
): LevelRange {
	const { level, leaves } = portion;
	if (!range) return rangeOf(portion);
	return {
		low: Math.min(range.low, level),
		high: Math.max(range.high, level),
		leavesLow: Math.min(range.leavesLow, leaves),
		leavesHigh: Math.max(range.leavesHigh, leaves)
	};
}
