import type { ClockView } from '../../contracts/learned-views.ts';
import { estimate } from '../../core/learning/index.ts';
import type { JudgementRow } from '../db/dough-watch.ts';

/** How far a dough may be off the clock of its book, as a share of it (our default). */
const PRIOR = { mean: 1, spread: 0.15 };
/** Two bakers do not see alike: no sight tells the clock better than this (our default). */
const LEAST_SPREAD = 0.06;

/**
 * How many times the book's minutes a dough takes, learned from what was seen of it: a dough that looks ripe
 * at 230 minutes of a clock of 210 takes 1.1 times as long. Judgements by the clock alone teach nothing.
 */
export function learnedClock(
	judgements: readonly JudgementRow[],
	ignored: ReadonlySet<string>
): ClockView {
	const observations = judgements.flatMap((one) => {
		if (one.seenShare === null || one.seenSpread === null || one.doseMinutes <= 0) return [];
		const value = one.doseMinutes / (one.bookRipeMinutes * one.seenShare);
		const spread = Math.max(LEAST_SPREAD, (value * one.seenSpread) / one.seenShare);
		return [
			{
				id: one.id,
				value,
				spread,
				verdict: one.verdict,
				decision: one.decision,
				doseMinutes: one.doseMinutes,
				ignored: ignored.has(one.id),
				occurredAtMs: one.occurredAtMs
			}
		];
	});
	const belief = estimate(
		PRIOR,
		observations.filter((one) => !one.ignored)
	);
	return {
		mean: belief.used.length > 0 ? belief.mean : PRIOR.mean,
		band: belief.band,
		book: PRIOR.mean,
		used: belief.used.length,
		observations: observations.map(({ spread: _, ...one }) => ({
			...one,
			leftOut: belief.leftOut.includes(one.id)
		}))
	};
}
