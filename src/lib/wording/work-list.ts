import { steamKey } from '../core/bench/index.ts';
import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';
import type { HandsOnEntry, ListEntry } from './list-entry.ts';
import { subjectText, machineText, peopleText, toDoList } from './task-text.ts';
import { formatNumber } from '../core/units/index.ts';

/** What stands on the sheets of a night, in order: what hands do, and what they have to know of. */
export function handsOnList(plan: DayPlan, input: BakeDayInput): readonly ListEntry[] {
	return toDoList(plan, input).filter((entry) => entry.handsOn);
}

/** What hands do in a night, in order. */
export function workList(plan: DayPlan, input: BakeDayInput): readonly HandsOnEntry[] {
	return [
		...toDoList(plan, input).filter(
			(entry): entry is HandsOnEntry => entry.kind !== 'wait' && entry.kind !== 'by-itself'
		),
		...steamEntries(plan, input)
	].sort((a, b) => a.atMs - b.atMs || (a.key < b.key ? -1 : 1));
}

/** Steam is told with its load on the sheets; at the oven it is a tap of its own, so that none is forgotten. */
function steamEntries({ tasks }: DayPlan, input: BakeDayInput): readonly HandsOnEntry[] {
	return tasks.flatMap((task): readonly HandsOnEntry[] => {
		const { step, attended, id, batch, machineId } = task;
		const load = attended.find(({ what }) => what === 'load');
		if (step.kind !== 'bake' || step.steamSeconds <= 0 || !load) return [];
		const { steamByTray } = step.programme;
		return [
			{
				key: steamKey(id),
				taskId: id,
				kind: 'steam',
				batch,
				atMs: load.toMs,
				endMs: load.toMs,
				station: 'oven',
				machine: machineText(machineId, input),
				measure: null,
				what: `Steam: ${subjectText(task, input)}`,
				detail: `${formatNumber(step.steamSeconds, 0)} s${steamByTray ? ' by the tray' : ''}`,
				handsOn: true,
				who: peopleText(load.personIds, input),
				personIds: load.personIds,
				caution: 'Steam burns: gloves and sleeves, and stand aside of the door.',
				mixes: null
			}
		];
	});
}
