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
