import type { RipeningStep } from '../ripening/index.ts';
import { learnedClock } from './learned-clock.ts';
import { learnedTub, type TubHistory } from './learned-tub.ts';
import type { JudgedDough } from './observed.ts';

/** A fermenting wait as the log corrected it. */
export interface LearnedRipening {
	readonly step: RipeningStep | null;
	/** So many times the book's minutes; with how many judgements it was learned from. */
	readonly clockFactor: number;
	readonly clockUsed: number;
}

/**
 * Gives a fermenting wait with the tubs and the clock that its log taught.
 * Range: history newest first. Source: `learnedTub`, `learnedClock`. Failures: none; without a wait there is
 * nothing to learn.
 * Example: a tub learned at 500 minutes is followed at 500, whatever the book says.
 */
export function learnedRipening(
	step: RipeningStep | null,
	history: TubHistory & { readonly judged: readonly JudgedDough[] }
): LearnedRipening {
	if (!step) return { step: null, clockFactor: 1, clockUsed: 0 };
	const clock = learnedClock(history.judged);
	return {
		step: {
			...step,
			legs: step.legs.map((leg) => ({
				...leg,
				timeConstantMinutes: learnedTub(step, leg.place, history)?.mean ?? leg.timeConstantMinutes
			}))
		},
		clockFactor: clock.mean,
		clockUsed: clock.used
	};
}
