import type { DayPlan, DayTask } from './day-plan.ts';
import { begunBatches, mixedByPlan } from './begun-batches.ts';
import type { BakeDayInput } from './input.ts';
import { groupOf } from './night-problem.ts';
import { expandDay } from './expand.ts';
import { AS_IT_IS, type DoneTask } from './placement.ts';

/**
 * What of a plan in force is taken as done at a moment: everything that it told for before. A dough that was mixed at
 * another time than planned brings what follows as much later or sooner.
 *
 * Range: any plan of the input's date. Source: our default; what is tapped at the bench says it better. Failures: none.
 * Example: at 01:00 a division told for 00:40 is done; of a dough that came out of the mixer an hour late it is not.
 */
export function takenAsDone(
	input: BakeDayInput,
	inForce: DayPlan,
	nowMs: number
): readonly DoneTask[] {
	const begun = begunBatches(input);
	const planned = mixedByPlan(inForce);
	const laterMs = (group: string) =>
		(begun.get(group)?.mixedAtMs ?? 0) - (begun.has(group) ? (planned.get(group) ?? 0) : 0);
	const told = new Map(inForce.tasks.map((task) => [task.id, task]));
	const day = expandDay(input, AS_IT_IS);
	const delivered = day.deliveries.flatMap(({ id, dropId, what }): readonly DoneTask[] => {
		const first = what === 'pick' ? 'pick' : 'load';
		const then = inForce.deliveries.find(
			(one) =>
				one.dropId === dropId && (one.what === first || (what === 'go' && one.what === 'drive'))
		);
		if (!then || then.fromMs >= nowMs) return [];
		const { fromMs: startMs, personIds } = then;
		return [{ task: id, group: id, startMs, machineId: null, personIds }];
	});
	const worked = day.tasks.flatMap((task): readonly DoneTask[] => {
		const group = groupOf(task.batch);
		// What was begun and no plan knew is where it is, and nothing was told of what follows.
		if (begun.has(group) && !planned.has(group)) return [];
		const then = thenOf(told, task.id);
		if (!then) return [];
		const startMs = then.startMs + laterMs(group);
		return startMs < nowMs ? [{ ...then, task: task.id, group, startMs }] : [];
	});
	return [...worked, ...delivered];
}

/** When a plan began a task of the engine, on what and by whom; a fold or a move is told with its wait. */
function thenOf(
	told: ReadonlyMap<string, DayTask>,
	id: string
): Omit<DoneTask, 'task' | 'group'> | null {
	const touch = /^(.*):(fold|move):(\d+)$/.exec(id);
	if (!touch) {
		const task = told.get(id);
		return task
			? { startMs: task.startMs, machineId: task.machineId, personIds: whoDid(task.attended) }
			: null;
	}
	const [, wait = '', what, index = '0'] = touch;
	const touches = told.get(wait)?.attended.filter((one) => one.what === what) ?? [];
	const at = touches[Number(index)] ?? touches.at(-1);
	return at ? { startMs: at.fromMs, machineId: null, personIds: at.personIds } : null;
}

function whoDid(attended: DayTask['attended']): readonly string[] {
	return [...new Set(attended.flatMap(({ personIds }) => personIds))];
}
