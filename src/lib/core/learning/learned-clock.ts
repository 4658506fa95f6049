import type { ReadinessDecision, ReadinessVerdict } from '../fermentation/index.ts';
import { estimate } from './estimate.ts';
import type { LearnedShare } from './learned-times.ts';
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
		return [
			{
				id: judgement.id,
				...sightSays(judgement.doseMinutes / judgement.bookRipeMinutes, {
					share: judgement.seenShare,
					spread: judgement.seenSpread
				}),
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

/** What one sight says of a clock: how many times the book's minutes it takes, and how sure that is. */
function sightSays(
	clockShare: number,
	seen: { readonly share: number; readonly spread: number }
): { readonly value: number; readonly spread: number } {
	const value = clockShare / seen.share;
	return { value, spread: Math.max(LEAST_SPREAD, (value * seen.spread) / seen.share) };
}

/** Pieces that were looked at in proof. */
export interface ProofLook {
	readonly id: string;
	/** How far the clock of the book was, its ready time as 1. */
	readonly bookShare: number;
	/** How far along they looked; null where nothing was seen. */
	readonly seen: { readonly share: number; readonly spread: number } | null;
}

/**
 * Gives how many times the book's minutes pieces take in proof, learned from what was seen of them.
 *
 * Model: as `learnedClock`. Range: book shares above 0. Source: our default. Failures: none; without a sight it is 1 with the spread of the prior.
 * Example: pieces that look ready at 80 % of their clock each night take 0.85 times as long.
 */
export function learnedProof(looks: readonly ProofLook[]): LearnedShare {
	const { mean, band, used, leftOut } = estimate(
		PRIOR,
		looks.flatMap(({ id, bookShare, seen }) =>
			seen && bookShare > 0 && seen.share > 0 ? [{ id, ...sightSays(bookShare, seen) }] : []
		)
	);
	return { share: used.length > 0 ? mean : PRIOR.mean, band, used: used.length, leftOut };
}
