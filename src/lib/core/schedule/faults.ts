import { leavesOf, type Demand, type Mode, type Problem, type Task } from './problem.ts';

/** Why a problem cannot be worked on; `where` is the id of what is wrong. */
export interface Fault {
	readonly kind:
		| 'unknown-name'
		| 'twice-named'
		| 'not-whole'
		| 'out-of-range'
		| 'no-modes'
		| 'mode-of-nothing'
		| 'too-large';
	readonly where: string;
	/** The name that is unknown or stands twice, or the figure that is wrong. */
	readonly what: string;
}

/** The longest horizon and the largest figures that are worked on; sums of prices then stay whole and exact. */
export const LIMITS = { horizon: 20_000, tasks: 5_000, price: 100_000, amount: 30_000 } as const;

/**
 * Looks a problem over before it is worked on: names that exist once, whole figures within limits, at least one mode
 * each. Gives the first fault, null when there is none. Whether the problem has an answer is another question.
 *
 * Range: any value of the type, also from outside. Source: definitions in `problem.ts`. Failures: none.
 * Example: a lag from a task "mix" that is not among the tasks is an unknown name at that lag.
 */
export function faultOf(problem: Problem): Fault | null {
	return new Looker(problem).look();
}

class Looker {
	private found: Fault | null = null;
	private readonly pools: Set<string>;
	private readonly machines: Set<string>;
	private readonly batch: Set<string>;
	private readonly units: Set<string>;
	private readonly tasks: Map<string, Task>;

	constructor(private readonly problem: Problem) {
		this.pools = new Set(problem.pools.map(({ id }) => id));
		this.machines = new Set(problem.machines.map(({ id }) => id));
		this.batch = new Set(problem.batchMachines.map(({ id }) => id));
		this.units = new Set(problem.batchMachines.flatMap(({ units }) => units.map(({ id }) => id)));
		this.tasks = new Map(problem.tasks.map((task) => [task.id, task]));
	}

	look(): Fault | null {
		const { problem } = this;
		this.whole('horizon', problem.horizon, 1, LIMITS.horizon);
		if (problem.tasks.length > LIMITS.tasks)
			this.say('too-large', 'tasks', String(problem.tasks.length));
		for (const [what, list] of [
			['pools and machines', [...problem.pools, ...problem.machines]],
			['batch machines', problem.batchMachines],
			['units', problem.batchMachines.flatMap(({ units }) => units)],
			['tasks', problem.tasks],
			['lags', problem.lags]
		] as const)
			this.once(what, list);
		if (this.found) return this.found;
		for (const pool of problem.pools)
			for (const { from, to, amount } of pool.there) {
				this.whole(pool.id, from, -LIMITS.horizon, 2 * LIMITS.horizon);
				this.whole(pool.id, to, -LIMITS.horizon, 2 * LIMITS.horizon);
				this.whole(pool.id, amount, 0, LIMITS.amount);
			}
		for (const machine of problem.machines) {
			for (const { from, to } of machine.closed) {
				this.whole(machine.id, from, -LIMITS.horizon, 2 * LIMITS.horizon);
				this.whole(machine.id, to, -LIMITS.horizon, 2 * LIMITS.horizon);
			}
			for (const { length } of machine.changeovers)
				this.whole(machine.id, length, 0, LIMITS.horizon);
		}
		for (const machine of problem.batchMachines) {
			for (const { id, capacity, recovery = 0 } of machine.units) {
				this.whole(id, capacity, 0, LIMITS.price);
				this.whole(id, recovery, 0, LIMITS.horizon);
			}
			for (const figure of [machine.rise, machine.fall, machine.recovery, machine.preheat])
				this.whole(machine.id, figure, 0, LIMITS.horizon);
			for (const figure of [machine.loading, machine.unloading])
				this.whole(machine.id, figure, 0, LIMITS.horizon);
			this.whole(machine.id, machine.step, 1, LIMITS.price);
			this.whole(machine.id, machine.tolerance, 0, LIMITS.price);
			this.whole(machine.id, machine.onPrice, 0, LIMITS.price);
			this.tier(machine.id, machine.tier);
			for (const demand of machine.attended) this.demand(machine.id, demand);
			for (const { unit, from, to, level, leaves } of machine.taken ?? []) {
				this.name(machine.id, new Set(machine.units.map(({ id }) => id)), unit);
				this.whole(machine.id, from, -LIMITS.horizon, 2 * LIMITS.horizon);
				this.whole(machine.id, to, from, 2 * LIMITS.horizon);
				for (const figure of [level, leaves])
					this.whole(machine.id, figure, -LIMITS.price, LIMITS.price);
			}
		}
		for (const task of problem.tasks) this.task(task);
		this.lags();
		for (const price of problem.prices) {
			this.name(price.id, this.tasks, price.task);
			this.whole(price.id, price.at, -LIMITS.horizon, 2 * LIMITS.horizon);
			for (const figure of [price.early, price.late, price.away])
				this.whole(price.id, figure, 0, LIMITS.price);
			this.tier(price.id, price.tier);
		}
		for (const span of problem.spans) {
			for (const task of span.tasks) this.name(span.id, this.tasks, task);
			this.whole(span.id, span.price, 0, LIMITS.price);
			if (span.floor !== null) this.whole(span.id, span.floor, -LIMITS.horizon, 2 * LIMITS.horizon);
			if (span.until !== null) this.whole(span.id, span.until, 0, 2 * LIMITS.horizon);
			this.tier(span.id, span.tier);
		}
		return this.found;
	}

	private lags(): void {
		for (const lag of this.problem.lags) {
			this.name(lag.id, this.tasks, lag.before);
			this.name(lag.id, this.tasks, lag.after);
			if (lag.before === lag.after) this.say('out-of-range', lag.id, lag.after);
			for (const { beforeMode, afterMode, window } of lag.windows) {
				if (beforeMode !== null) this.modeName(lag.id, lag.before, beforeMode);
				if (afterMode !== null) this.modeName(lag.id, lag.after, afterMode);
				if (!window) continue;
				this.whole(lag.id, window.least, -LIMITS.horizon, LIMITS.horizon);
				if (window.most !== null) this.whole(lag.id, window.most, window.least, LIMITS.horizon);
				if (window.wish !== null)
					this.whole(lag.id, window.wish, window.least, window.most ?? LIMITS.horizon);
				this.whole(lag.id, window.price, 0, LIMITS.price);
				if (window.outside !== null) this.whole(lag.id, window.outside, window.price, LIMITS.price);
				this.tier(lag.id, window.tier);
				for (const { pool, amount } of window.holds) {
					if (!this.machines.has(pool)) this.name(lag.id, this.pools, pool);
					this.whole(lag.id, amount, 1, LIMITS.amount);
				}
			}
		}
	}

	private task(task: Task): void {
		if (task.modes.length === 0) this.say('no-modes', task.id, task.id);
		this.once(task.id, task.modes);
		for (const bound of [task.earliest, task.latest, task.pin?.start ?? null])
			if (bound !== null) this.whole(task.id, bound, -LIMITS.horizon, 2 * LIMITS.horizon);
		if (task.pin?.mode) this.modeName(task.id, task.id, task.pin.mode);
		if (task.pin?.unit) this.name(task.id, this.units, task.pin.unit);
		for (const mode of task.modes) this.mode(task.id, mode);
	}

	private mode(where: string, mode: Mode): void {
		if ((mode.length === null) !== (mode.batch !== null))
			this.say('mode-of-nothing', where, mode.id);
		if (mode.length !== null) this.whole(where, mode.length, 0, LIMITS.horizon);
		for (const demand of mode.demands) this.demand(where, demand);
		if (mode.price) {
			this.whole(where, mode.price.amount, 0, LIMITS.price);
			this.tier(where, mode.price.tier);
		}
		if (mode.machine) this.name(where, this.machines, mode.machine.id);
		if (!mode.batch) return;
		if (mode.batch.machines.length === 0) this.say('mode-of-nothing', where, mode.id);
		for (const machine of mode.batch.machines) this.name(where, this.batch, machine);
		for (const unit of mode.batch.notOn ?? []) this.name(where, this.units, unit);
		this.whole(where, mode.batch.size, 0, LIMITS.price);
		this.whole(where, mode.batch.level, -LIMITS.price, LIMITS.price);
		this.whole(where, leavesOf(mode.batch), -LIMITS.price, LIMITS.price);
		this.whole(where, mode.batch.length, 0, LIMITS.horizon);
		this.whole(where, mode.batch.lengthTolerance, 0, LIMITS.horizon);
	}

	private demand(where: string, demand: Demand): void {
		if (demand.pools.length === 0) this.say('mode-of-nothing', where, 'demand');
		for (const pool of demand.pools) this.name(where, this.pools, pool);
		this.whole(where, demand.amount, 1, LIMITS.amount);
		this.whole(where, demand.from, -LIMITS.horizon, LIMITS.horizon);
		this.whole(where, demand.to, demand.from, LIMITS.horizon);
	}

	private tier(where: string, tier: number): void {
		this.whole(where, tier, 0, this.problem.tiers.length - 1);
	}

	private modeName(where: string, task: string, mode: string): void {
		const modes = this.tasks.get(task)?.modes ?? [];
		if (!modes.some(({ id }) => id === mode)) this.say('unknown-name', where, mode);
	}

	private name(where: string, known: { has(id: string): boolean }, id: string): void {
		if (!known.has(id)) this.say('unknown-name', where, id);
	}

	private once(where: string, list: readonly { readonly id: string }[]): void {
		const seen = new Set<string>();
		for (const { id } of list) {
			if (seen.has(id)) this.say('twice-named', where, id);
			seen.add(id);
		}
	}

	private whole(where: string, figure: number, least: number, most: number): void {
		if (!Number.isInteger(figure)) this.say('not-whole', where, String(figure));
		else if (figure < least || figure > most) this.say('out-of-range', where, String(figure));
	}

	private say(kind: Fault['kind'], where: string, what: string): void {
		this.found ??= { kind, where, what };
	}
}
