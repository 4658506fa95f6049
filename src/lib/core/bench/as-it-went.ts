import { batchKey, type DayPlan, type DayTask } from '../planning/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { expectedOf, type ExpectedWork } from './expected.ts';
import { chainOf, worksOf } from './work.ts';
import type { WorkState } from './work-log.ts';

/** A night in its real times as far as they are known, and as they are expected from there on. */
export interface NightAsItWent {
	/** The plan's tasks, each at the time at which it happened or is to happen now. */
	readonly plan: DayPlan;
	/** The tasks that somebody told of, waits between them too: what of these lies before now is no forecast. */
	readonly told: ReadonlySet<string>;
}

/** A dough this far from its wanted temperature ripens at another time than its plan says: its marks are not drawn (our default). */
const MARKS_HOLD_KELVINS = 1;

/**
 * A plan's tasks at the times at which they really happened, for drawing them.
 *
 * Model: the works of a batch are fixed points between its plan and what was tapped (`expectedOf`); whatever lies between two of them, a wait, a
 * fold nobody told of, is stretched in proportion, what lies outside is moved along. What was begun late cannot end before it: times of one batch keep their
 * order. A dough that was measured on leaving its mixer is drawn off its plan by as much, and comes back to it by the time constant of where it stands
 * (Newton's law: the difference of two doughs in one place fades by it, whatever each warms itself by). Range: works of one plan.
 * Source: newton-cooling; the rest our default. Failures: none.
 * Example: a dough divided 20 minutes late has its bulk drawn 20 minutes longer.
 */
export function asItWent(
	plan: DayPlan,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number,
	/** How much warmer than wanted each mix that was measured was, by its batch. */
	doughOffKelvins: ReadonlyMap<string, number>
): NightAsItWent {
	const expected = expectedOf(worksOf(plan), states, nowMs);
	const courses = coursesOf(expected);
	const tasks = plan.tasks.map((task) => moved(task, courses.get(batchKey(task.batch))));
	const told = toldTasks(plan.tasks, states);
	return {
		plan: { ...plan, tasks: tasks.map((task) => coloured(task, tasks, doughOffKelvins)) },
		told
	};
}

/** Where the times of a batch are known beside those of its plan, in order. */
type Course = readonly { readonly plannedMs: number; readonly reallyMs: number }[];

interface Point {
	readonly plannedMs: number;
	readonly reallyMs: number;
	/** Somebody tapped it: it is no expectation. */
	readonly isTold: boolean;
}

function coursesOf(expected: readonly ExpectedWork[]): ReadonlyMap<string, Course> {
	const points = new Map<string, Point[]>();
	const add = (key: string, point: Point) => points.set(key, [...(points.get(key) ?? []), point]);
	const begins = ({ work, state, fromMs }: ExpectedWork): Point => ({
		plannedMs: work.atMs,
		reallyMs: fromMs,
		isTold: state.kind === 'begun' || state.kind === 'done'
	});
	const firstOf = new Map<string, ExpectedWork>();
	for (const one of expected) {
		const { work, state, toMs } = one;
		if (!work.batch || state.kind === 'left-out') continue;
		const [own = '', ...before] = chainOf(work.batch);
		add(own, begins(one));
		add(own, { plannedMs: work.endMs, reallyMs: toMs, isTold: state.kind === 'done' });
		// What it is made of ends where the first of what is made of it begins.
		for (const key of before) {
			const first = firstOf.get(key);
			if (!first || work.atMs < first.work.atMs) firstOf.set(key, one);
		}
	}
	for (const [key, one] of firstOf) add(key, begins(one));
	return new Map([...points].map(([key, of]) => [key, courseOf(of)]));
}

/** What is only expected gives way to what was told of later: a mixer that nobody tapped as done, and the dough out of it. */
function courseOf(points: readonly Point[]): Course {
	const toldTo = Math.max(
		...points.map(({ plannedMs, isTold }) => (isTold ? plannedMs : -Infinity))
	);
	let lastMs = -Infinity;
	return points
		.filter(({ plannedMs, isTold }) => isTold || plannedMs > toldTo)
		.sort((a, b) => a.plannedMs - b.plannedMs || a.reallyMs - b.reallyMs)
		.map(({ plannedMs, reallyMs }) => {
			lastMs = Math.max(lastMs, reallyMs);
			return { plannedMs, reallyMs: lastMs };
		});
}

function reallyAt(course: Course, plannedMs: number): number {
	const next = course.findIndex((point) => point.plannedMs >= plannedMs);
	const after = course[next];
	const before = next < 0 ? course.at(-1) : course[next - 1];
	if (after?.plannedMs === plannedMs || (after && !before))
		return plannedMs + after.reallyMs - after.plannedMs;
	if (!before) return plannedMs;
	if (!after) return plannedMs + before.reallyMs - before.plannedMs;
	const share = (plannedMs - before.plannedMs) / (after.plannedMs - before.plannedMs);
	return before.reallyMs + share * (after.reallyMs - before.reallyMs);
}

function moved(task: DayTask, course: Course | undefined): DayTask {
	if (!course) return task;
	const at = (ms: number) => Math.round(reallyAt(course, ms));
	const byMs = at(task.startMs) - task.startMs;
	return {
		...task,
		startMs: at(task.startMs),
		endMs: at(task.endMs),
		foldsMs: task.foldsMs.map(at),
		movesMs: task.movesMs.map(at),
		attended: task.attended.map((one) => ({ ...one, fromMs: at(one.fromMs), toMs: at(one.toMs) })),
		marks: task.marks && {
			earlyMs: task.marks.earlyMs + byMs,
			ripeMs: task.marks.ripeMs + byMs,
			lateMs: task.marks.lateMs === null ? null : task.marks.lateMs + byMs
		}
	};
}

/** The dough of a mix that was measured is as far from its plan as it was then, and comes back to it where it stands. */
function coloured(
	task: DayTask,
	tasks: readonly DayTask[],
	doughOffKelvins: ReadonlyMap<string, number>
): DayTask {
	const { batch, step } = task;
	if (batch.kind === 'preparation' || step.kind === 'bake') return task;
	const mix = batchKey({ ...batch, kind: 'mix' });
	const off = doughOffKelvins.get(mix);
	if (off === undefined) return task;
	const chain = new Set(chainOf(batch));
	const before = tasks.filter(
		(one) => chain.has(batchKey(one.batch)) && one.endMs <= task.startMs && one.id !== task.id
	);
	// What came out of an oven has the temperature that baking gave it.
	if (before.some((one) => one.step.kind === 'bake')) return task;
	const mixed = before.filter(isMixing).at(-1);
	if (!mixed && !isMixing(task)) return task;
	const startOff = mixed
		? before
				.filter(({ startMs }) => startMs >= mixed.endMs)
				.reduce((left, one) => left * fadedBy(one), off)
		: 0;
	const endOff = mixed ? startOff * fadedBy(task) : off;
	const last = Math.max(1, task.celsius.length - 1);
	return {
		...task,
		celsius: task.celsius.map(
			(celsius, index) => celsius + startOff + (index / last) * (endOff - startOff)
		),
		marks: Math.abs(off) < MARKS_HOLD_KELVINS ? task.marks : null
	};
}

function isMixing({ step }: DayTask): boolean {
	return step.kind === 'hands-on' && step.activity === 'mix';
}

/** What is left of a difference after a wait, as a share. */
function fadedBy({ step, startMs, endMs, movesMs }: DayTask): number {
	if (step.kind !== 'wait') return 1;
	let fromMs = startMs;
	return step.legs.reduce((left, { timeConstantMinutes }, index) => {
		const toMs = index === step.legs.length - 1 ? endMs : (movesMs[index] ?? endMs);
		const minutes = Math.max(0, toMs - fromMs) / MINUTE_MS;
		fromMs = toMs;
		return left * Math.exp(-minutes / timeConstantMinutes);
	}, 1);
}

/** The tasks that taps tell of; a wait is known where the work before it in its chain is. */
function toldTasks(
	tasks: readonly DayTask[],
	states: ReadonlyMap<string, WorkState>
): ReadonlySet<string> {
	const told = new Set(
		worksOf({ tasks }).flatMap(({ key, taskId, kind }) => {
			const state = states.get(key)?.kind;
			const isTold = state === 'begun' || state === 'done';
			return isTold && taskId !== null && kind !== 'fold' && kind !== 'move' ? [taskId] : [];
		})
	);
	const waits = tasks.filter(({ step }) => step.kind === 'wait');
	for (const wait of waits) {
		const chain = new Set(chainOf(wait.batch));
		const before = tasks
			.filter(
				(one) =>
					one.step.kind !== 'wait' &&
					chain.has(batchKey(one.batch)) &&
					one.startMs < wait.startMs &&
					one.endMs <= wait.endMs
			)
			.sort((a, b) => a.endMs - b.endMs)
			.at(-1);
		if (before && told.has(before.id)) told.add(wait.id);
	}
	return told;
}
