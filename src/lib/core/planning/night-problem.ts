import type { Lag, Mode, Pin, Price, Task } from '../schedule/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import type { Grid } from './grid.ts';
import { begunBatches } from './begun-batches.ts';
import type { BakeDayInput, MixTrace } from './input.ts';
import { familyOf } from './mixers.ts';
import type { NightTask, NightWait, SoftWindow } from './night-tasks.ts';
import type { Conditions, DoneTask } from './placement.ts';

/** A wait as it is written: what ends it comes later. */
export interface OpenWait extends NightWait {
	readonly until: string[];
	readonly touches: string[];
}

/** A problem as it is being written, with what its tasks are. */
export class NightProblem {
	readonly tasks: Task[] = [];
	readonly lags: Lag[] = [];
	readonly prices: Price[] = [];
	readonly told: NightTask[] = [];
	readonly waits: OpenWait[] = [];
	readonly soft: SoftWindow[] = [];
	/** The tasks of the night itself: what pre-ferments ask for in the day before is not counted to it. */
	readonly nightWork: string[] = [];
	readonly families = new Map<string, readonly MixTrace[]>();
	private readonly relaxed: ReadonlySet<string>;
	private readonly done: ReadonlyMap<string, DoneTask>;
	/** Batches that exist, or are taken to: begun, or done in part as a plan told. */
	private readonly existing: ReadonlySet<string>;
	private readonly byId = new Map<string, Task>();

	constructor(
		private readonly conditions: Conditions,
		readonly grid: Grid,
		input: BakeDayInput
	) {
		this.relaxed = new Set(conditions.relaxed);
		this.done = new Map(conditions.done.map((one) => [one.task, one]));
		this.existing = new Set([
			...begunBatches(input).keys(),
			...conditions.done.map(({ group }) => group)
		]);
	}

	/** The unit before which nothing that was not begun can start; null where the past is no matter. */
	get now(): number | null {
		return this.conditions.nowMs === null ? null : this.grid.ceil(this.conditions.nowMs);
	}

	/** The ways of a task that is written; none where it is not. */
	modesOf(task: string): readonly Mode[] {
		return this.byId.get(task)?.modes ?? [];
	}

	/** Takes one of its ways from a task. */
	forbid(task: string, mode: string): void {
		const there = this.byId.get(task);
		if (!there) return;
		const less = { ...there, modes: there.modes.filter(({ id }) => id !== mode) };
		this.byId.set(task, less);
		this.tasks[this.tasks.indexOf(there)] = less;
	}

	has(task: string): boolean {
		return this.byId.has(task);
	}

	/** Whether a task stands where it happened. */
	isPinned(task: string): boolean {
		return (this.byId.get(task)?.pin?.start ?? null) !== null;
	}

	/** Whether a task is taken as done. */
	isDone(task: string): boolean {
		return this.done.has(task);
	}

	/** Dough that exists is never dropped: its windows are used outside, at a price, where nothing else will do. */
	isSoft(batch: BatchRef): boolean {
		return this.existing.has(groupOf(batch));
	}

	isRelaxed(batch: BatchRef): boolean {
		return this.relaxed.has(groupOf(batch));
	}

	add(told: NightTask, modes: readonly Mode[], pin: Pin | null, earliest: number | null): void {
		const done = pin ? undefined : this.done.get(told.id);
		const now = pin || done ? null : this.now;
		const soonest = Math.max(earliest ?? 0, now ?? 0);
		const task: Task = {
			id: told.id,
			group: groupOf(told.batch),
			modes,
			earliest: soonest > 0 ? soonest : null,
			latest: null,
			pin
		};
		const stands = done ? asDone(task, done, this.grid) : task;
		this.byId.set(told.id, stands);
		this.tasks.push(stands);
		this.told.push(told);
		const isAhead = told.batch.kind === 'preparation' || isWeighing(told);
		if (!isAhead && !pin && !done) this.nightWork.push(told.id);
	}

	/** A task beside the chains: no dough is in it, and the night's length is not its doing. */
	addBeside(id: string, modes: readonly Mode[]): void {
		const done = this.done.get(id);
		const task: Task = {
			id,
			group: id,
			modes,
			earliest: done ? null : this.now,
			latest: null,
			pin: null
		};
		const stands = done ? asDone(task, done, this.grid) : task;
		this.byId.set(id, stands);
		this.tasks.push(stands);
	}

	family(leaves: readonly MixTrace[]): string {
		const family = familyOf(leaves);
		this.families.set(family, leaves);
		return family;
	}
}

/** Weighing up is done when there is time, and keeps nobody. */
function isWeighing(told: NightTask): boolean {
	return (
		told.kind === 'run' &&
		told.steps.every(({ step }) => step.kind === 'hands-on' && step.activity === 'weigh')
	);
}

/** What is done wants no hands any more, and stands where it was done. */
function asDone(task: Task, { startMs, machineId }: DoneTask, grid: Grid): Task {
	const isMode = task.modes.some(({ id }) => id === machineId);
	const isLoad = task.modes.some(({ batch }) => batch !== null);
	// How long it took is not known: of ways by hand the first is the usual one.
	const modes = isMode || isLoad ? task.modes : task.modes.slice(0, 1);
	return {
		...task,
		modes: modes.map((mode) => ({ ...mode, demands: [], machine: null })),
		earliest: null,
		pin: {
			start: grid.nearest(startMs),
			mode: isMode ? machineId : null,
			unit: isLoad ? machineId : null
		}
	};
}

/** What is relaxed together: a pre-ferment, or a mix with all that comes of it. */
export function groupOf(batch: BatchRef): string {
	switch (batch.kind) {
		case 'preparation':
		case 'mix':
			return batchKey(batch);
		case 'portion':
		case 'load':
			return batchKey({ kind: 'mix', formulaId: batch.formulaId, ordinal: batch.ordinal });
	}
}
