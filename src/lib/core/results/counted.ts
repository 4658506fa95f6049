import { batchKey, type BakeDayInput } from '../planning/index.ts';
import type { PortionRef, ResultEntry } from './result-entry.ts';

/** A portion of a plan with what was counted of it. */
export interface CountedPortion {
	readonly key: string;
	readonly portion: PortionRef;
	/** What it was to become, what is made again of it left out. */
	readonly pieces: number;
	readonly good: number;
	readonly second: number;
	readonly lost: number;
	/** Still to be counted. */
	readonly left: number;
	/** How many good ones there will be of it, what is not counted yet taken as good. */
	readonly expected: number;
	/** Those that a further batch makes in its place, in the plan or not yet. */
	readonly again: number;
}

/**
 * How many are good of each portion of a night's plan.
 *
 * Model: counts add up; what is not counted yet is taken as good; once all are counted only the good ones are. A plan that was accepted
 * after pieces were to be made again plans their portion without them. Range: results of the plan's date; `acceptedAtMs` of that plan.
 * Source: definition. Failures: none.
 * Example: of 20, 10 good and 2 lost are counted: 8 are left, 18 are expected.
 */
export function countedOf(
	input: Pick<BakeDayInput, 'doughs'>,
	results: readonly ResultEntry[],
	acceptedAtMs: number
): readonly CountedPortion[] {
	return input.doughs.flatMap(({ formulaId, mixes }) =>
		mixes.flatMap(({ ordinal, portions }) =>
			portions
				.filter(({ role }) => role === 'carries')
				.map(({ productId, pieces }) =>
					counted({ formulaId, ordinal, productId }, pieces, results, acceptedAtMs)
				)
		)
	);
}

function counted(
	portion: PortionRef,
	pieces: number,
	results: readonly ResultEntry[],
	acceptedAtMs: number
): CountedPortion {
	const key = batchKey({ kind: 'portion', ...portion });
	const sums = { good: 0, second: 0, lost: 0 };
	/** Made again and in the plan already: its portion is that much smaller than what was in the oven. */
	let planned = 0;
	let again = 0;
	for (const { told, portion: of, atMs } of results) {
		if (batchKey({ kind: 'portion', ...of }) !== key) continue;
		if (told.kind === 'counted')
			for (const one of ['good', 'second', 'lost'] as const) sums[one] += told[one];
		if (told.kind === 'again') {
			again += told.pieces;
			if (atMs <= acceptedAtMs) planned += told.pieces;
		}
	}
	const { good, second, lost } = sums;
	const baked = pieces + planned;
	const left = Math.max(0, baked - good - second - lost);
	return { key, portion, pieces: baked, ...sums, left, expected: good + left, again };
}
