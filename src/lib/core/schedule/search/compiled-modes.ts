import { leavesOf, type Mode, type Portion, type Problem, type Task } from '../problem.ts';
import type { Alike } from './alike.ts';
import { found, foundAll, indexOf } from './by-name.ts';
import type { CompiledDemand, CompiledMode, CompiledPortion } from './compiled.ts';
import type { Units } from './compiled-units.ts';
import { rangeOf } from './setup.ts';

/** The ways to do tasks, with names turned into places. */
export class Modes {
	private readonly machines: ReadonlyMap<string, number>;
	private readonly batchMachines: ReadonlyMap<string, number>;
	private readonly smallest: number;
	private readonly kinds = new Map<string, number>();
	private readonly sorts = new Map<string, number>();

	constructor(
		private readonly problem: Problem,
		private readonly units: Units,
		private readonly alike: Alike
	) {
		this.machines = indexOf(problem.machines);
		this.batchMachines = indexOf(problem.batchMachines);
		this.smallest = units.smallest;
	}

	of(u: number, task: Task, mode: Mode): CompiledMode {
		const { alike, machines, problem } = this;
		const on = mode.machine ? problem.machines[found(machines, mode.machine.id)] : null;
		const portion = mode.batch ? this.portionOf(mode.batch) : null;
		const length = portion ? this.lengthOf(portion) : (mode.length ?? 0);
		const demands: CompiledDemand[] = [];
		for (const demand of mode.demands) demands.push(alike.demand(demand));
		if (on) demands.push(alike.demand({ pools: [on.id], amount: 1, from: 0, to: length }));
		return {
			task: u,
			length,
			demands,
			machine: on && on.changeovers.length > 0 ? found(machines, on.id) : -1,
			family: mode.machine?.family ?? '',
			portion,
			allowed:
				(task.pin?.mode ?? mode.id) === mode.id &&
				(!on || !mode.machine || (mode.machine.size >= on.least && mode.machine.size <= on.most)),
			price: mode.price?.amount ?? 0,
			likeFirst: isLikeFirst(task, mode)
		};
	}

	/** How long a portion has the first machine that takes it, when nothing else is in the load. */
	private lengthOf({ machines, length }: CompiledPortion): number {
		const first = this.units.batch[machines[0] ?? -1]?.machine;
		return length + (first?.loading ?? 0) + (first?.unloading ?? 0);
	}

	private portionOf(batch: Portion): CompiledPortion {
		const { kind, length, lengthTolerance, level, notOn, size } = batch;
		const leaves = leavesOf(batch);
		return {
			machines: foundAll(this.batchMachines, batch.machines),
			notOn: notOn?.length ? new Set(foundAll(this.units.index, notOn)) : null,
			size,
			kind: numberOf(this.kinds, kind),
			level,
			leaves,
			range: rangeOf({ level, leaves }),
			length,
			tolerance: lengthTolerance,
			sort: numberOf(this.sorts, sortOf(batch, this.smallest))
		};
	}
}

/** A number for each word, in the order in which they come. */
function numberOf(seen: Map<string, number>, word: string): number {
	const known = seen.get(word);
	if (known !== undefined) return known;
	seen.set(word, seen.size);
	return seen.size - 1;
}

/** What two portions have alike to which the same units are open; one that goes on every unit is as good as a smaller one. */
function sortOf(portion: Portion, smallest: number): string {
	const { level, length, size, notOn = [] } = portion;
	return JSON.stringify([level, leavesOf(portion), length, size > smallest ? size : 0, notOn]);
}

/** Whether a way to do a task is, for its batch machine, the same as the first one. */
function isLikeFirst({ modes }: Task, mode: Mode): boolean {
	const first = modes[0];
	if (!first || first === mode || !first.batch || !mode.batch) return false;
	if (first.demands.length + mode.demands.length > 0 || first.machine || mode.machine) return false;
	if ((first.price?.amount ?? 0) !== (mode.price?.amount ?? 0)) return false;
	return JSON.stringify(first.batch) === JSON.stringify(mode.batch);
}
