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
