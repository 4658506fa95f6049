import { batchKey, type BakeDayInput, type Caution, type DayTask } from '../core/planning/index.ts';
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
	if (caution.kind === 'nobody-for-drop' || caution.kind === 'drop-leaves-late')
		return deliveryCautionText(caution, input, zone);
	if (caution.kind === 'overlap') {
		const from = clockText(caution.from * 60_000, zone);
		const to = clockText(caution.to * 60_000, zone);
		return `${machineText(caution.machine, input)}, ${from} to ${to}: ${name(caution.first)} and ${name(caution.second)} at once.`;
	}
	if (caution.kind === 'nobody') {
		const task = tasks.find((task) => task.id === caution.task);
		const act = task ? `${doingText(caution.doing, task)} ${subjectText(task, input)}` : '';
		return `Nobody is free who could ${act} at ${clockText(caution.fromMs, zone)}, for ${formatMinutes((caution.toMs - caution.fromMs) / 60_000)}.`;
	}
	if (caution.kind === 'too-early')
		return `${name(caution.before)} is not through by then: ${name(caution.after)} would begin ${formatMinutes(caution.least - caution.gap)} before.`;
	const over = formatMinutes(caution.gap - caution.most);
	const waited = waitAfter(caution.before, tasks);
	const activity = waited ? ` (${activityText(waited).toLowerCase()})` : '';
	return `${name(caution.before)} waits ${over} past its late mark${activity}, until ${name(caution.after)} is taken on.`;
}

function doingText(
	doing: Extract<Caution, { readonly kind: 'nobody' }>['doing'],
	task: DayTask
): string {
	if (doing === 'switch-on') return 'switch the oven on for';
	return doing ?? activityText(task).toLowerCase();
}

function deliveryCautionText(
	caution: Extract<Caution, { readonly dropId: string }>,
	{ drops }: BakeDayInput,
	zone: string
): string {
	const name = drops.find(({ id }) => id === caution.dropId)?.name ?? '';
	if (caution.kind === 'nobody-for-drop') {
		const act = caution.what === 'pick' ? `pick ${name}` : `load and drive ${name}`;
		return `Nobody is free who could ${act} at ${clockText(caution.fromMs, zone)}, for ${formatMinutes((caution.toMs - caution.fromMs) / 60_000)}.`;
	}
	return `${name} is ready in time, and leaves at ${clockText(caution.atMs, zone)}: ${formatMinutes((caution.atMs - caution.byMs) / 60_000)} late.`;
}

/** The wait that begins when a task is done; the task itself where it is the wait. */
function waitAfter(id: string, tasks: readonly DayTask[]): DayTask | null {
	const before = tasks.find((task) => task.id === id);
	if (!before || before.step.kind === 'wait') return before ?? null;
	const { batch, endMs } = before;
	return (
		tasks
			.filter(
				(task) =>
					task.step.kind === 'wait' &&
					batchKey(task.batch) === batchKey(batch) &&
					task.startMs >= endMs
			)
			.toSorted((a, b) => a.startMs - b.startMs)[0] ?? before
	);
}
