import type { Pool, Problem, Task } from '../schedule/index.ts';
import type { Grid } from './grid.ts';
import { isOfPerson, poolOf } from './hands.ts';
import type { NightTask } from './night-tasks.ts';
import type { Conditions, PlanWish } from './placement.ts';

type TaskWish = Extract<PlanWish, { readonly task: string }>;

/**
 * A problem with what the baker wants so, and with what is known of the night: a wish binds what it names and leaves all
 * else free. A wish for something that is not there any more is left out. What happened stays as it is.
 * Failures: none.
 */
export function withWishes(
	problem: Problem,
	{ wishes }: Pick<Conditions, 'wishes'>,
	grid: Grid,
	told: readonly NightTask[]
): Problem {
	if (wishes.length === 0) return problem;
	const mixing = new Set(told.filter(isMixing).map(({ id }) => id));
	const flourFrom = Math.max(
		0,
		...wishes.flatMap((wish) => (wish.kind === 'flour-from' ? [grid.ceil(wish.atMs)] : []))
	);
	const bound = new Binding(problem, grid, wishes);
	const ofTasks = wishes.filter((wish): wish is TaskWish => 'task' in wish);
	return {
		...problem,
		pools: problem.pools.map((pool) =>
			wishes.reduce((there, wish) => bound.pool(there, wish), pool)
		),
		batchMachines: problem.batchMachines.map((machine) => ({
			...machine,
			units: machine.units.map((unit) => (bound.isDown(unit.id) ? { ...unit, capacity: 0 } : unit))
		})),
		tasks: problem.tasks.map((task) =>
			ofTasks
				.filter((wish) => wish.task === task.id)
				.reduce(
					(one, wish) => bound.task(one, wish),
					notBefore(bound.inWhatIsDown(task), mixing.has(task.id) ? flourFrom : 0)
				)
		)
	};
}

/** Work that wants flour at its beginning. */
function isMixing(task: NightTask): boolean {
	return (
		task.kind === 'run' &&
		task.steps.some(({ step }) => step.kind === 'hands-on' && step.activity === 'mix')
	);
}

/** What happened, happened when it did. */
function notBefore(task: Task, unit: number): Task {
	if (unit === 0 || (task.pin?.start ?? null) !== null) return task;
	return { ...task, earliest: Math.max(task.earliest ?? 0, unit) };
}

/** What nobody else could do stays theirs. */
function notBy(task: Task, pool: string): Task {
	const modes = task.modes
		.map((mode) => ({
			...mode,
			demands: mode.demands.map((demand) =>
				demand.pools.includes(pool)
					? { ...demand, pools: demand.pools.filter((other) => other !== pool) }
					: demand
			)
		}))
		.filter(({ demands }) => demands.every(({ pools }) => pools.length > 0));
	return modes.length > 0 ? { ...task, modes } : task;
}

/** A portion that does not go on one deck, whichever other. */
function notOn(task: Task, deckId: string): Task {
	return {
		...task,
		modes: task.modes.map((mode) => ({
			...mode,
			batch: mode.batch && { ...mode.batch, notOn: [...(mode.batch.notOn ?? []), deckId] }
		}))
	};
}

class Binding {
	private readonly units: ReadonlySet<string>;
	private readonly pools: ReadonlySet<string>;
	private readonly down: ReadonlySet<string>;

	constructor(
		problem: Problem,
		private readonly grid: Grid,
		wishes: readonly PlanWish[]
	) {
		this.units = new Set(problem.batchMachines.flatMap(({ units }) => units.map(({ id }) => id)));
		this.pools = new Set(problem.pools.map(({ id }) => id));
		this.down = new Set(wishes.flatMap((wish) => (wish.kind === 'deck-down' ? [wish.deckId] : [])));
	}

	/** Nothing goes into a unit that is down: it holds nothing any more. */
	isDown(unit: string): boolean {
		return this.down.has(unit);
	}

	/** What was in a unit when it broke down is taken to be baked, and takes none of what it holds. */
	inWhatIsDown(task: Task): Task {
		if (!this.isDown(task.pin?.unit ?? '') || (task.pin?.start ?? null) === null) return task;
		return {
			...task,
			modes: task.modes.map((mode) => ({
				...mode,
				batch: mode.batch && { ...mode.batch, size: 0 }
			}))
		};
	}

	pool(pool: Pool, wish: PlanWish): Pool {
		if (wish.kind !== 'away' || pool.id !== poolOf(wish.personId)) return pool;
		const until = this.grid.floor(wish.fromMs);
		return {
			...pool,
			there: pool.there
				.map((stretch) => ({ ...stretch, to: Math.min(stretch.to, until) }))
				.filter(({ from, to }) => from < to)
		};
	}

	task(task: Task, wish: TaskWish): Task {
		if ((task.pin?.start ?? null) !== null) return task;
		const pin = task.pin ?? { start: null, mode: null, unit: null };
		switch (wish.kind) {
			case 'start':
				return { ...task, pin: { ...pin, start: this.grid.nearest(wish.atMs) } };
			case 'not-before':
				return notBefore(task, this.grid.ceil(wish.atMs));
			case 'deck':
				return this.units.has(wish.deckId) ? { ...task, pin: { ...pin, unit: wish.deckId } } : task;
			case 'not-deck':
				return this.units.has(wish.deckId) ? notOn(task, wish.deckId) : task;
			case 'not-person':
				return notBy(task, poolOf(wish.personId));
			case 'person': {
				const pool = poolOf(wish.personId);
				if (!this.pools.has(pool)) return task;
				const byThem = task.modes.filter(({ demands }) =>
					demands.some(({ pools }) => pools.includes(pool))
				);
				// What nobody thought they could do they do at the usual pace.
				const modes = byThem.length > 0 ? byThem : task.modes;
				return {
					...task,
					modes: modes.map((mode) => ({
						...mode,
						demands: mode.demands.map((demand) =>
							demand.pools.some(isOfPerson) ? { ...demand, pools: [pool] } : demand
						)
					}))
				};
			}
		}
	}
}
