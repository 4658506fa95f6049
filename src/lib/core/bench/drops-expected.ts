import { batchKey, type BakeDayInput, type DayPlan } from '../planning/index.ts';
import type { DropId } from '../identity.ts';
import type { ExpectedWork } from './expected.ts';
import { chainOf } from './work.ts';

export interface DropExpected {
	readonly dropId: DropId;
	readonly name: string;
	readonly dueMs: number;
	readonly readyByMs: number;
	/** When the last of its bread will be packed; null where its plan does not say. */
	readonly readyMs: number | null;
	/** It has left, or is being loaded. */
	readonly isGone: boolean;
}

/**
 * When each drop's bread will be packed, by what was tapped.
 *
 * Model: as its plan says, moved by as much as the last work of each of its portions ends later or sooner. Range: works of the
 * plan's date. Source: `expectedOf`. Failures: none.
 * Example: the last load of a drop drawn 12 minutes late: it is packed 12 minutes later.
 */
export function dropsExpected(
	input: BakeDayInput,
	plan: DayPlan,
	expected: readonly ExpectedWork[]
): readonly DropExpected[] {
	/** The last work of each portion, its loads among them. */
	const lastOf = new Map<string, ExpectedWork>();
	for (const one of expected) {
		const { batch, endMs } = one.work;
		if (batch?.kind !== 'portion' && batch?.kind !== 'load') continue;
		const key = batchKey({ ...batch, kind: 'portion' });
		const last = lastOf.get(key);
		if (!last || endMs > last.work.endMs || (endMs === last.work.endMs && one.toMs > last.toMs))
			lastOf.set(key, one);
	}
	/** What of its mix went otherwise than planned moves a portion that has no work of its own yet. */
	const ofMix = new Map<string, ExpectedWork>();
	for (const one of expected) {
		const { batch } = one.work;
		if (batch?.kind === 'mix') ofMix.set(chainOf(batch)[0] ?? '', one);
	}
	return plan.drops.map(({ dropId, name, dueMs, readyByMs, readyMs }): DropExpected => {
		const ends = input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions }) =>
				portions
					.filter(({ role, dropIds }) => role === 'carries' && dropIds.includes(dropId))
					.flatMap(({ productId }) => {
						const key = batchKey({ kind: 'portion', formulaId, ordinal, productId });
						const last =
							lastOf.get(key) ?? ofMix.get(batchKey({ kind: 'mix', formulaId, ordinal }));
						return last ? [last] : [];
					})
			)
		);
		const latest = Math.max(...ends.map(({ toMs }) => toMs));
		const planned = Math.max(...ends.map(({ work }) => work.endMs));
		const gone = expected.some(
			({ work, state }) =>
				work.kind === 'delivery' &&
				work.key.startsWith(`drop ${dropId} `) &&
				!work.key.endsWith(' pick') &&
				(state.kind === 'begun' || state.kind === 'done')
		);
		return {
			dropId,
			name,
			dueMs,
			readyByMs,
			readyMs: readyMs === null || ends.length === 0 ? readyMs : readyMs + (latest - planned),
			isGone: gone
		};
	});
}
