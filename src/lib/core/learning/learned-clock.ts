import type { ReadinessDecision, ReadinessVerdict } from '../fermentation/index.ts';
import { estimate } from './estimate.ts';
import type { JudgedDough, Learned } from './observed.ts';

/** How many times the book's minutes a dough takes to be ripe. */
export type LearnedClock = Learned<{
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
	readonly doseMinutes: number;
}>;

/** How far a dough may be off the clock of its book, as a share of it (our default). */
const PRIOR = { mean: 1, spread: 0.15 };
/** Two bakers do not see alike: no sight tells the clock better than this (our default). */
const LEAST_SPREAD = 0.06;

/**
 * Gives how many times the book's minutes a dough takes, learned from what was seen of it.
 *
 * Model: each sight says dose / (book minutes x share seen), at no less than the least spread; a normal prior
 * at 1. Judgements by the clock alone teach nothing. Range: judgements newest first. Source: our default.
 * Failures: none; without a sight it is 1 with the spread of the prior.
 * Example: a dough that looks ripe at 230 minutes of a clock of 210 takes 1.1 times as long.
 */
export function learnedClock(judgements: readonly JudgedDough[]): LearnedClock {
	const observations = judgements.flatMap((judgement) => {
		if (judgement.seenShare === null || judgement.seenSpread === null || judgement.doseMinutes <= 0)
			return [];
		const value = judgement.doseMinutes / (judgement.bookRipeMinutes * judgement.seenShare);
		const spread = Math.max(LEAST_SPREAD, (value * judgement.seenSpread) / judgement.seenShare);
		return [
			{
				id: judgement.id,
				value,
				spread,
				verdict: judgement.verdict,
				decision: judgement.decision,
				doseMinutes: judgement.doseMinutes,
				ignored: judgement.ignored,
				occurredAtMs: judgement.occurredAtMs
			}
		];
	});
	const belief = estimate(
		PRIOR,
		observations.filter((observation) => !observation.ignored)
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
