import type { BakeDayInput, Caution, DayTask } from '../core/planning/index.ts';
import { formatMinutes } from '../core/units/index.ts';
import { activityText, machineText, subjectText } from './task-text.ts';
import { clockText } from './time-text.ts';

/** A caution of the plan as a sentence that says what meets what, where and when. */
export function cautionText(
	caution: Caution,
	tasks: readonly DayTask[],
	input: BakeDayInput,
	zone: string
): string {
	const name = (id: string) => {
		const task = tasks.find((task) => task.id === id);
		return task ? subjectText(task, input) : id;
	};
	if (caution.kind === 'overlap') {
		const from = clockText(caution.from * 60_000, zone);
		const to = clockText(caution.to * 60_000, zone);
		return `${machineText(caution.machine, input)}, ${from} to ${to}: ${name(caution.first)} and ${name(caution.second)} at once.`;
	}
	if (caution.kind === 'nobody') {
		const task = tasks.find((task) => task.id === caution.task);
		const act = task ? `${activityText(task).toLowerCase()} ${subjectText(task, input)}` : '';
		return `Nobody is free who could ${act} at ${clockText(caution.fromMs, zone)}, for ${formatMinutes((caution.toMs - caution.fromMs) / 60_000)}.`;
	}
	const waiting = tasks.find((task) => task.id === caution.before);
	if (caution.kind === 'too-early')
		return `${name(caution.before)} is not through by then: ${name(caution.after)} would begin ${formatMinutes(caution.least - caution.gap)} before.`;
	const over = formatMinutes(caution.gap - caution.most);
	const activity = waiting ? activityText(waiting).toLowerCase() : '';
	return `${name(caution.before)} waits ${over} past its late mark (${activity}), until ${name(caution.after)} is taken on.`;
}
