import {
	groupOf,
	takenAsDone,
	type BakeDayInput,
	type DayPlan,
	type DayTask,
	type DoneTask
} from '../planning/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { expectedOf } from './expected.ts';
import { worksOf, type Work } from './work.ts';
import type { WorkState } from './work-log.ts';

/**
 * What of a plan in force is taken as done at a moment, where taps say it: it stands at its real times.
 *
 * Model: what was begun or done stands where it was tapped, so that it ends when it ended; what is in hand longer than planned ends now.
 * What nobody tapped is still to be done, unless it is gone by (`expectedOf`): then the plan's word is taken, as `takenAsDone`
 * does. What was left out keeps its place, at the latest now, and holds up nothing. Range: works of the plan in force. Source: our
 * default. Failures: none. Example: a division planned for 00:40 that nobody tapped, where the bench taps, is planned for now.
 */
export function takenAsTapped(
	input: BakeDayInput,
	inForce: DayPlan,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): readonly DoneTask[] {
	const byPlan = takenAsDone(input, inForce, nowMs);
	if (states.size === 0) return byPlan;
	const works = worksOf(inForce);
	const passed = new Set(
		expectedOf(works, states, nowMs)
			.filter(({ isPassed }) => isPassed)
			.map(({ work }) => work.key)
	);
	const told = new Map(inForce.tasks.map((task) => [task.id, task]));
	const handled = engineTasks(works, told);
	const startOf = (id: string) => {
		const one = handled.get(id);
		return one ? startByTaps(one, states, nowMs) : null;
	};
	const kept = byPlan.flatMap((done): readonly DoneTask[] => {
		const one = handled.get(done.task);
		if (!one) return [done];
		const startMs = startOf(done.task);
		if (startMs !== null) return [{ ...done, startMs }];
		return passed.has(one.first.key) ? [done] : [];
	});
	const known = new Set(kept.map(({ task }) => task));
	const early = [...handled].flatMap(([task, { day, first }]): readonly DoneTask[] => {
		const startMs = known.has(task) ? null : startOf(task);
		if (startMs === null) return [];
		const { machineId, batch } = day;
		return [{ task, group: groupOf(batch), startMs, machineId, personIds: first.personIds }];
	});
	return [...kept, ...early];
}

/**
 * Whether what a plan takes as done is what taps and the plan in force say, told some moments before: what was in hand then may have
 * been taken to end then.
 *
 * Range: any list. Source: `takenAsTapped`. Failures: none.
 * Example: a mix in hand since 02:00 that was to be out at 02:20, planned around at 02:25 and accepted at 02:27, is as told.
 */
export function isTakenAsTapped(
	done: readonly DoneTask[],
	input: BakeDayInput,
	inForce: DayPlan,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): boolean {
	const told = new Map(
		takenAsTapped(input, inForce, states, nowMs).map((one) => [one.task, one] as const)
	);
	const inHand = new Set(
		worksOf(inForce).flatMap(({ key, taskId }) => {
			const kind = states.get(key)?.kind;
			return taskId !== null && kind !== undefined && kind !== 'open' ? [taskId] : [];
		})
	);
	return done.every((one) => {
		const own = told.get(one.task);
		if (!own) return false;
		const earlierMs = own.startMs - one.startMs;
		const isTold =
			earlierMs === 0 || (earlierMs > 0 && earlierMs <= LOOKED_AT_MS && inHand.has(one.task));
		return (
			isTold &&
			own.group === one.group &&
			own.machineId === one.machineId &&
			own.personIds.join(' ') === one.personIds.join(' ')
		);
	});
}

/** How long somebody looks at a plan before accepting it (our default). */
const LOOKED_AT_MS = 60 * MINUTE_MS;

/** A task of the engine with the hands that begin it, and those that end it where they are others. */
interface Handled {
	readonly day: DayTask;
	readonly first: Work;
	readonly last: Work | null;
	readonly lastsMs: number;
}

function engineTasks(
	works: readonly Work[],
	told: ReadonlyMap<string, DayTask>
): ReadonlyMap<string, Handled> {
	const found = new Map<string, Handled>();
	for (const work of works) {
		const day = work.taskId === null ? undefined : told.get(work.taskId);
		if (!day) continue;
		const { kind } = work;
		if (kind === 'do' || kind === 'load') {
			const last = works.find(
				(one) => one.taskId === day.id && (one.kind === 'end' || one.kind === 'draw')
			);
			const lastsMs = (last ?? work).endMs - work.atMs;
			found.set(day.id, { day, first: work, last: last ?? null, lastsMs });
		}
		if (kind === 'fold' || kind === 'move') {
			const index = day.attended
				.filter(({ what }) => what === kind)
				.findIndex(({ fromMs }) => fromMs === work.atMs);
			if (index >= 0)
				found.set(`${day.id}:${kind}:${index}`, {
					// A fold has no machine, whatever its wait stands on.
					day: { ...day, machineId: null },
					first: work,
					last: null,
					lastsMs: work.endMs - work.atMs
				});
		}
	}
	return found;
}

/** When a task began, so that it ends when it ended; null while it is to come. */
function startByTaps(
	{ first, last, lastsMs }: Handled,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): number | null {
	const end = last ? states.get(last.key) : undefined;
	if (end?.kind === 'done') return end.toMs - lastsMs;
	const state = states.get(first.key);
	switch (state?.kind) {
		case undefined:
		case 'open':
		case 'put-off':
			return null;
		case 'begun':
			return Math.max(state.sinceMs, nowMs - lastsMs);
		case 'left-out':
			return Math.min(first.atMs, nowMs - lastsMs);
		case 'done': {
			const firstLasts = first.endMs - first.atMs;
			// With other hands still to come it goes on until they have done their part.
			return last
				? Math.max(state.fromMs ?? state.toMs - firstLasts, nowMs - lastsMs)
				: state.toMs - lastsMs;
		}
	}
}
