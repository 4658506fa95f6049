import { temperatureOnPath, type PathStretch } from '../fermentation/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { Placed, PlannedLoad } from '../schedule/index.ts';
import { bakeIn } from './as-learned.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import { begunBatches } from './begun-batches.ts';
import { lengthOf, type CourseStep } from './course.ts';
import type { AttendedStretch, DayTask } from './day-plan.ts';
import type { ExpandedDay } from './expand.ts';
import { personOf, wayOf } from './hands.ts';
import type { BakeDayInput, Begun } from './input.ts';
import { attendedOfMix } from './mixers.ts';
import type { NightTask, NightWait } from './night-tasks.ts';
import type { Placement } from './placement.ts';

/** Moments along a task at which its temperature is told; enough for a smooth ribbon (our default). */
const MOMENTS = 13;

/** Tells the engine's tasks as what they are: a run as its steps, a wait between two tasks, a load of a bake. */
export class TaskTeller {
	private readonly loads = new Map<string, PlannedLoad>();
	private readonly begun: ReadonlyMap<string, Begun>;
	private readonly tasks: ReadonlyMap<string, NightTask>;
	/** Who did what is taken as done, by its task. */
	private readonly doneBy: ReadonlyMap<string, readonly string[]>;

	constructor(
		private readonly input: BakeDayInput,
		private readonly expanded: ExpandedDay,
		placement: Placement,
		private readonly placed: ReadonlyMap<string, Placed>
	) {
		for (const load of placement.plan.loads)
			for (const task of load.tasks) this.loads.set(task, load);
		this.begun = begunBatches(input);
		this.doneBy = new Map(placement.done.map(({ task, personIds }) => [task, personIds]));
		this.tasks = new Map(expanded.tasks.map((task) => [task.id, task]));
	}

	tell(): DayTask[] {
		return [
			...this.expanded.tasks.flatMap((task) => this.told(task)),
			...this.expanded.waits.flatMap((wait) => this.wait(wait))
		];
	}

	private told(task: NightTask): readonly DayTask[] {
		const placed = this.placed.get(task.id);
		if (!placed || task.kind === 'touch') return [];
		const startMs = this.startMs(task, placed);
		return task.kind === 'run'
			? this.run(task, placed, startMs)
			: [this.bake(task, placed, startMs)];
	}

	/** What was begun stands where it happened, between two lines of the grid too. */
	private startMs(task: NightTask, placed: Placed): number {
		const begun = this.begun.get(batchKey(task.batch));
		if (begun && placed.mode === 'done' && task.kind === 'run') {
			const past = this.expanded.grid.ms(placed.start);
			const exact = begun.mixedAtMs - lengthOf(task.steps) * MINUTE_MS;
			// Only what ends with the mix is known to the minute.
			return Math.abs(exact - past) <= this.gridMs() ? exact : past;
		}
		return this.expanded.grid.ms(placed.start);
	}

	private gridMs(): number {
		return this.expanded.grid.ms(1) - this.expanded.grid.ms(0);
	}

	private run(
		{ id, batch, at, steps }: Extract<NightTask, { kind: 'run' }>,
		placed: Placed,
		startMs: number
	): readonly DayTask[] {
		const way = wayOf(placed.mode);
		const machineId = this.input.bakery.mixers.some(({ id }) => id === way) ? way : null;
		const times = machineId === null ? this.paceOf(placed) : 1;
		let fromMs = startMs;
		let passed = 0;
		return steps.map((course, index) => {
			passed += course.minutes * times;
			const toMs = startMs + Math.ceil(passed - 1e-9) * MINUTE_MS;
			const task: DayTask = {
				...bare(course, fromMs, toMs),
				id: `${batchKey(batch)}:${at + index}`,
				batch,
				machineId,
				placedAs: id,
				attended:
					machineId === null
						? [{ what: 'do', fromMs, toMs, personIds: this.whoDoes(placed) }]
						: this.attendedMix(placed, toMs)
			};
			fromMs = toMs;
			return task;
		});
	}

	/** A mix runs by itself between its beginning and its end, at which it is measured. */
	private attendedMix(placed: Placed, endMs: number): readonly AttendedStretch[] {
		const { grid } = this.expanded;
		return attendedOfMix(placed.end - placed.start).map(({ from, to }, index) => {
			const isEnd = index > 0;
			return {
				what: isEnd ? 'end' : 'do',
				fromMs: grid.ms(placed.start + from),
				toMs: isEnd ? grid.ms(placed.start + to) : Math.min(endMs, grid.ms(placed.start + to)),
				personIds: this.whoDoes(placed, index)
			};
		});
	}

	private bake(
		{ id, batch, step }: Extract<NightTask, { kind: 'bake' }>,
		placed: Placed,
		startMs: number
	): DayTask {
		const load = this.loads.get(id);
		const baked = this.bakedIn(batch, step, placed);
		// A load is planned on the grid; a bake ends on its own minute.
		const bakesMs = startMs + this.loadingMs(placed);
		const endMs = bakesMs + baked.minutes * MINUTE_MS;
		const drawnMs = this.expanded.grid.ms(load?.end ?? placed.end);
		const [loaders, drawers] = load?.given ?? [];
		return {
			...bare(baked, startMs, endMs),
			id,
			batch,
			machineId: placed.unit,
			placedAs: id,
			attended: [
				{ what: 'load', fromMs: startMs, toMs: bakesMs, personIds: peopleOf([loaders ?? []]) },
				{
					what: 'draw',
					// What is ready a little before the rest of its load is drawn with it.
					fromMs: Math.max(endMs, drawnMs - this.gridMs()),
					toMs: drawnMs,
					personIds: peopleOf([drawers ?? []])
				}
			]
		};
	}

	/** A bake as it goes in the oven that it was given. */
	private bakedIn(batch: BatchRef, course: CourseStep, placed: Placed): CourseStep {
		if (batch.kind !== 'load' || course.step.kind !== 'bake') return course;
		const ovenId = this.ovenOf(placed)?.id;
		const step = bakeIn(course.step, batch.productId, ovenId, this.input.learned);
		return step === course.step ? course : { ...course, step, minutes: step.bakeMinutes };
	}

	private ovenOf({ unit }: Placed) {
		return this.input.bakery.ovens.find(({ decks }) => decks.some(({ id }) => id === unit));
	}

	/** How long the deck that a load stands on takes to be loaded. */
	private loadingMs(placed: Placed): number {
		return (this.ovenOf(placed)?.loadingMinutes ?? 0) * MINUTE_MS;
	}

	private wait({ batch, at, step, after, until, touches }: NightWait): readonly DayTask[] {
		const before = this.placed.get(after);
		if (!before) return [];
		const { grid } = this.expanded;
		const told = this.tasks.get(after);
		const begun = this.begun.get(batchKey(batch));
		const startMs =
			begun && before.mode === 'done'
				? begun.mixedAtMs
				: told?.kind === 'bake'
					? this.startMs(told, before) +
						this.loadingMs(before) +
						this.bakedIn(told.batch, told.step, before).minutes * MINUTE_MS
					: told?.kind === 'run'
						? this.endOfRun(told, before)
						: grid.ms(before.end);
		const next = until.flatMap((id) => this.placed.get(id)?.start ?? []);
		const lasts = startMs + step.minutes * MINUTE_MS;
		const endMs = Math.max(startMs, next.length > 0 ? grid.ms(Math.min(...next)) : lasts);
		const touched = touches.flatMap((id) => {
			const placed = this.placed.get(id);
			const task = this.tasks.get(id);
			if (!placed || task?.kind !== 'touch') return [];
			return [
				{
					what: task.what,
					fromMs: grid.ms(placed.start),
					toMs: grid.ms(placed.end),
					personIds: this.whoDoes(placed)
				}
			];
		});
		const timesOf = (what: 'fold' | 'move') =>
			touched.filter((touch) => touch.what === what).map(({ fromMs }) => fromMs);
		return [
			{
				...bare(lasting(step, (endMs - startMs) / MINUTE_MS), startMs, endMs),
				id: `${batchKey(batch)}:${at}`,
				batch,
				machineId: null,
				placedAs: null,
				foldsMs: timesOf('fold'),
				movesMs: timesOf('move'),
				attended: touched
			}
		];
	}

	/** So many times its usual minutes something takes those who do it, on no machine. */
	private paceOf(placed: Placed): number {
		if (placed.mode === 'done' || this.doneBy.has(placed.task)) return 1;
		const by = this.whoDoes(placed);
		const paces = (this.input.people ?? [])
			.filter(({ id }) => by.includes(id))
			.map(({ pacePercent }) => pacePercent / 100);
		return paces.length > 0 ? Math.max(...paces) : 1;
	}

	/** Who is given to a task, to one of its demands or to all; of what is done, who did it. */
	private whoDoes({ task, given }: Placed, index: number | null = null): readonly string[] {
		return this.doneBy.get(task) ?? peopleOf(index === null ? given : [given[index] ?? []]);
	}

	/** The end of what was done, to the minute. */
	private endOfRun(run: Extract<NightTask, { kind: 'run' }>, placed: Placed): number {
		const onMixer = this.input.bakery.mixers.some(({ id }) => id === wayOf(placed.mode));
		const minutes = lengthOf(run.steps) * (onMixer ? 1 : this.paceOf(placed));
		return this.startMs(run, placed) + Math.ceil(minutes - 1e-9) * MINUTE_MS;
	}
}

type BareTask = Omit<DayTask, 'id' | 'batch' | 'machineId' | 'placedAs' | 'attended'>;

function bare(course: CourseStep, startMs: number, endMs: number): BareTask {
	const at = (minutes: number) => startMs + Math.round(minutes * MINUTE_MS);
	const minutes = (endMs - startMs) / MINUTE_MS;
	const { marks } = course;
	return {
		step: course.step,
		startMs,
		endMs,
		celsius: Array.from({ length: MOMENTS }, (_, index) =>
			temperatureOnPath(course.startCelsius, course.stretches, (minutes * index) / (MOMENTS - 1))
		),
		marks: marks && {
			earlyMs: at(marks.early),
			ripeMs: at(marks.ripe),
			lateMs: marks.late === null ? null : at(marks.late)
		},
		foldsMs: [],
		movesMs: []
	};
}

/** A wait that lasts otherwise than its course says: its last place goes on, or is left sooner. */
function lasting(course: CourseStep, minutes: number): CourseStep {
	const stretches: PathStretch[] = [];
	let left = minutes;
	for (const [index, stretch] of course.stretches.entries()) {
		const isLast = index === course.stretches.length - 1;
		const length = isLast ? left : Math.min(left, stretch.minutes);
		stretches.push({ ...stretch, minutes: Math.max(0, length) });
		left -= length;
	}
	return { ...course, minutes, stretches };
}

function peopleOf(given: readonly (readonly string[])[]): readonly string[] {
	return [...new Set(given.flat().flatMap((pool) => personOf(pool) ?? []))];
}
