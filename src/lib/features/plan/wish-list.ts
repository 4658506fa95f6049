import type { PlanWish } from '../../core/planning/index.ts';

/** The wishes without those for a task: all of them, or those of one kind. */
export function withoutTask(
	wishes: readonly PlanWish[],
	task: string,
	kind?: PlanWish['kind']
): readonly PlanWish[] {
	return wishes.filter(
		(wish) => !('task' in wish) || wish.task !== task || (kind !== undefined && wish.kind !== kind)
	);
}

/** The wishes without what was decided about a dough or its pieces, of one kind. */
export function withoutBatch(
	wishes: readonly PlanWish[],
	batch: string,
	kind: PlanWish['kind']
): readonly PlanWish[] {
	return wishes.filter((wish) => !('batch' in wish) || wish.batch !== batch || wish.kind !== kind);
}

/**
 * The wishes with one more for a task. One of its kind takes the place of the one before, but what it is kept from adds
 * up; and what it is kept from and wanted on at once is as it was said last.
 */
export function withTask(
	wishes: readonly PlanWish[],
	wish: Extract<PlanWish, { readonly task: string }>
): readonly PlanWish[] {
	const isUndone = (one: PlanWish) => {
		if (!('task' in one) || one.task !== wish.task) return false;
		switch (wish.kind) {
			case 'not-deck':
				return 'deckId' in one && one.deckId === wish.deckId;
			case 'not-person':
				return 'personId' in one && one.personId === wish.personId;
			case 'deck':
				return one.kind === 'deck' || (one.kind === 'not-deck' && one.deckId === wish.deckId);
			case 'person':
				return (
					one.kind === 'person' || (one.kind === 'not-person' && one.personId === wish.personId)
				);
			case 'start':
			case 'not-before':
				return one.kind === wish.kind;
		}
	};
	return [...wishes.filter((one) => !isUndone(one)), wish];
}
