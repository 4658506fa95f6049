import type { DropId } from '../identity.ts';
import type { DayPlan, DayTask } from './day-plan.ts';

export interface MovedTask {
	readonly before: DayTask;
	readonly after: DayTask;
}

/** How one plan of a date differs from another, for somebody to accept. */
export interface PlanDifference {
	/** What hands do, or an oven, at another time, on another machine or by others; in order of the new times. */
	readonly moved: readonly MovedTask[];
	readonly added: readonly DayTask[];
	readonly dropped: readonly DayTask[];
	/** Drops that are ready at another time than before; null where a plan has nothing of one. */
	readonly drops: readonly {
		readonly dropId: DropId;
		readonly name: string;
		readonly readyByMs: number;
		readonly beforeMs: number | null;
		readonly afterMs: number | null;
	}[];
}

/**
 * Tells what is elsewhere, otherwise or by others in a plan than in the one before it; waits follow from what stands around
 * them and are not told.
 * Range: two told plans of a date. Source: definition. Failures: none.
 * Example: a mix 25 minutes later by the same baker is one moved task.
 */
export function planDifference(before: DayPlan, after: DayPlan): PlanDifference {
	const acts = ({ step }: DayTask) => step.kind !== 'wait';
	const was = new Map(before.tasks.filter(acts).map((task) => [task.id, task]));
	const is = after.tasks.filter(acts);
	const now = new Set(is.map(({ id }) => id));
	const readyBefore = new Map(before.drops.map((drop) => [drop.dropId, drop.readyMs]));
	return {
		moved: is.flatMap((task) => {
			const old = was.get(task.id);
			return old && !isSame(old, task) ? [{ before: old, after: task }] : [];
		}),
		added: is.filter(({ id }) => !was.has(id)),
		dropped: [...was.values()].filter(({ id }) => !now.has(id)),
		drops: after.drops
			.map(({ dropId, name, readyByMs, readyMs }) => ({
				dropId,
				name,
				readyByMs,
				beforeMs: readyBefore.get(dropId) ?? null,
				afterMs: readyMs
			}))
			.filter(({ beforeMs, afterMs }) => beforeMs !== afterMs)
	};
}

/**
 * What of a difference is still ahead: what is over by the new plan went as it went, and nobody can move it.
 * Range: any moment. Source: definition. Failures: none.
 * Example: at 01:00 a mix that was done at 20:35, not at 20:00, is no news; the load at 02:10 is.
 */
export function ahead(difference: PlanDifference, nowMs: number): PlanDifference {
	const isAhead = ({ endMs }: DayTask) => endMs > nowMs;
	return {
		...difference,
		moved: difference.moved.filter(({ after }) => isAhead(after)),
		added: difference.added.filter(isAhead),
		dropped: difference.dropped.filter(isAhead)
	};
}

function isSame(a: DayTask, b: DayTask): boolean {
	const people = (task: DayTask) => task.attended.flatMap(({ personIds }) => personIds).join(' ');
	return a.startMs === b.startMs && a.machineId === b.machineId && people(a) === people(b);
}
