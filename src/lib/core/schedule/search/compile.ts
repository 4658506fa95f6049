import {
	leavesOf,
	type Mode,
	type Pool,
	type Portion,
	type Task,
	type BatchMachine,
	type Problem
} from '../problem.ts';
import type {
	Compiled,
	CompiledBatchMachine,
	CompiledDemand,
	CompiledEdge,
	CompiledMode,
	CompiledPrice,
	CompiledSpan
} from './compiled.ts';
import { Alike } from './alike.ts';
import { found, foundAll, indexOf } from './by-name.ts';
import { Changeovers } from './changeovers.ts';
import { edgeOf } from './compiled-edge.ts';
import { componentsOf } from './components.ts';
import { compiledPrice } from './prices.ts';
import { rowSlots } from './row-slots.ts';
import { rangeOf, Setups } from './setup.ts';
import { emptyLists, listOf, listsOf } from './lists.ts';
import { tightenDomains } from './domains.ts';

function want(wanted: Map<string, number>, pool: string, amount: number): void {
	wanted.set(pool, (wanted.get(pool) ?? 0) + amount);
}

/** True where one of the ways to do a task is on a batch machine. */
function isPortion(modes: readonly Mode[]): boolean {
	for (const { batch } of modes) if (batch !== null) return true;
	return false;
}

/** The least that is there of a pool at any time that it is there. */
function leastOf(there: Pool['there']): number {
	let least = Infinity;
	for (const { amount } of there) if (amount < least) least = amount;
	return least;
}

/** The pools that have, whenever they are there, more than all tasks together could ever take. */
function plentyOf({ pools, tasks, batchMachines, lags }: Problem): ReadonlySet<string> {
	const wanted = new Map<string, number>();
	for (const { modes } of tasks)
		for (const { demands } of modes)
			for (const demand of demands)
				for (const pool of demand.pools) want(wanted, pool, demand.amount);
	// Every portion may be a load of its own.
	let portions = 0;
	for (const { modes } of tasks) if (isPortion(modes)) portions += 1;
	for (const { attended } of batchMachines)
		for (const demand of attended)
			for (const pool of demand.pools) want(wanted, pool, demand.amount * portions);
	for (const { windows } of lags)
		for (const { window } of windows)
			for (const { pool, amount } of window?.holds ?? []) want(wanted, pool, amount);
	const plenty = new Set<string>();
	for (const { id, there } of pools) if (leastOf(there) >= (wanted.get(id) ?? 0)) plenty.add(id);
	return plenty;
}

/** Written out, so that whatever the problem was read from, what is asked of a machine at every start is found at once. */
function plainMachine(machine: BatchMachine): BatchMachine {
	const { id, units, shared, tolerance, rise, fall, step, recovery } = machine;
	const { loading, unloading, attended, preheat, onPrice, tier, taken = [] } = machine;
	return {
		id,
		units,
		shared,
		tolerance,
		rise,
		fall,
		step,
		recovery,
		loading,
		unloading,
		attended,
		preheat,
		onPrice,
		tier,
		taken
	};
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

/**
 * Turns names into indices, works out which tasks move together, and narrows when each can start.
 *
 * Range: a problem whose names are known (`faultOf` looks first). Source: definitions in `problem.ts`.
 * Failures: throws where the problem names what it does not have, which `faultOf` would have told.
 */
export function compile(problem: Problem): Compiled {
	const { horizon } = problem;
	const poolIndex = indexOf([...problem.pools, ...problem.machines]);
	const there: Int16Array[] = [];
	for (const pool of problem.pools) {
		const amount = new Int16Array(horizon);
		for (const stretch of pool.there)
			for (let t = Math.max(0, stretch.from); t < Math.min(horizon, stretch.to); t += 1)
				amount[t] = (amount[t] ?? 0) + stretch.amount;
		there.push(amount);
	}
	for (const machine of problem.machines) {
		const amount = new Int16Array(horizon).fill(1);
		for (const { from, to } of machine.closed)
			amount.fill(0, Math.max(0, from), Math.max(0, Math.min(horizon, to)));
		there.push(amount);
	}
	const alike = new Alike(horizon, poolIndex, plentyOf(problem));

	const batchIndex = indexOf(problem.batchMachines);
	const unitMachine: number[] = [];
	const unitCapacity: number[] = [];
	const unitRecovery: number[] = [];
	const unitIndex = new Map<string, number>();
	const batch: CompiledBatchMachine[] = [];
	for (let at = 0; at < problem.batchMachines.length; at += 1) {
		const machine = problem.batchMachines[at] as BatchMachine;
		const firstUnit = unitMachine.length;
		for (const unit of machine.units) {
			unitIndex.set(unit.id, unitMachine.length);
			unitMachine.push(at);
			unitCapacity.push(unit.capacity);
			unitRecovery.push(Math.max(machine.recovery, unit.recovery ?? 0));
		}
		const attended: CompiledBatchMachine['attended'][number][] = [];
		let choosable = false;
		for (const demand of machine.attended) {
			const compiled = alike.demand(demand);
			attended.push({ demand: compiled, ofEnd: demand.of === 'end' });
			if (compiled.view < 0) choosable = true;
		}
		const plain = plainMachine(machine);
		batch.push({
			machine: plain,
			setups: new Setups(plain),
			firstUnit,
			units: machine.units.length,
			attended,
			choosable
		});
	}

	const machineIndex = indexOf(problem.machines);
	const changing: Changeovers[] = [];
	for (const machine of problem.machines) changing.push(new Changeovers(machine.changeovers));
	const kinds = new Map<string, number>();

	const taskIndex = indexOf(problem.tasks);
	const firstMode = new Int32Array(problem.tasks.length + 1);
	const modes: CompiledMode[] = [];
	let smallest = Infinity;
	for (const capacity of unitCapacity) if (capacity < smallest) smallest = capacity;
	const sorts = new Map<string, number>();
	const earliest = new Int32Array(problem.tasks.length);
	const latest = new Int32Array(problem.tasks.length);
	const pinned = new Uint8Array(problem.tasks.length);
	const pinnedUnit = new Int32Array(problem.tasks.length).fill(-1);
	for (let u = 0; u < problem.tasks.length; u += 1) {
		const task = problem.tasks[u] as Task;
		firstMode[u] = modes.length;
		const pin = task.pin;
		for (const mode of task.modes) {
			const machines = foundAll(batchIndex, mode.batch?.machines ?? []);
			const first = batch[machines[0] ?? -1]?.machine;
			const on = mode.machine ? problem.machines[found(machineIndex, mode.machine.id)] : null;
			const length = mode.batch
				? mode.batch.length + (first?.loading ?? 0) + (first?.unloading ?? 0)
				: (mode.length ?? 0);
			const demands: CompiledDemand[] = [];
			for (const demand of mode.demands) demands.push(alike.demand(demand));
			if (on) demands.push(alike.demand({ pools: [on.id], amount: 1, from: 0, to: length }));
			modes.push({
				task: u,
				length,
				demands,
				machine: on && on.changeovers.length > 0 ? found(machineIndex, on.id) : -1,
				family: mode.machine?.family ?? '',
				portion: mode.batch
					? {
							machines,
							notOn: mode.batch.notOn?.length
								? new Set(foundAll(unitIndex, mode.batch.notOn))
								: null,
							size: mode.batch.size,
							kind: numberOf(kinds, mode.batch.kind),
							level: mode.batch.level,
							leaves: leavesOf(mode.batch),
							range: rangeOf({ level: mode.batch.level, leaves: leavesOf(mode.batch) }),
							length: mode.batch.length,
							tolerance: mode.batch.lengthTolerance,
							sort: numberOf(sorts, sortOf(mode.batch, smallest))
						}
					: null,
				allowed:
					(pin?.mode ?? mode.id) === mode.id &&
					(!on || !mode.machine || (mode.machine.size >= on.least && mode.machine.size <= on.most)),
				price: mode.price?.amount ?? 0,
				likeFirst: isLikeFirst(task, mode)
			});
		}
		earliest[u] = Math.max(0, task.earliest ?? 0, pin?.start ?? 0);
		latest[u] = Math.min(horizon, task.latest ?? horizon, pin?.start ?? horizon);
		pinned[u] = pin?.start === undefined || pin.start === null ? 0 : 1;
		if (pin?.unit) pinnedUnit[u] = found(unitIndex, pin.unit);
	}
	firstMode[problem.tasks.length] = modes.length;

	const edges: CompiledEdge[] = [];
	for (const lag of problem.lags) edges.push(edgeOf(lag, problem, taskIndex, alike));
	const out = emptyLists(problem.tasks.length);
	const into = emptyLists(problem.tasks.length);
	for (let at = 0; at < edges.length; at += 1) {
		const edge = edges[at] as CompiledEdge;
		out[edge.before]?.push(at);
		into[edge.after]?.push(at);
	}

	const pricesOf: CompiledPrice[][] = [];
	for (let u = 0; u < problem.tasks.length; u += 1) pricesOf.push([]);
	for (const price of problem.prices)
		pricesOf[found(taskIndex, price.task)]?.push(compiledPrice(price));
	const prices: CompiledPrice[][] = [];
	for (const list of pricesOf) prices.push(listOf(list));
	const spansOf = emptyLists(problem.tasks.length);
	const spans: CompiledSpan[] = [];
	for (const span of problem.spans) {
		const tasks = foundAll(taskIndex, span.tasks);
		for (const u of tasks) spansOf[u]?.push(spans.length);
		const { floor, until, price, tier } = span;
		spans.push({ tasks, floor: floor ?? -horizon, until, price, tier });
	}

	tightenDomains(edges, modes, firstMode, earliest, latest);
	const components = componentsOf(problem.tasks.length, edges, out, into, pinned);
	return {
		problem,
		horizon,
		tasks: problem.tasks.length,
		firstMode,
		modes,
		earliest,
		latest,
		pinnedUnit,
		pinned,
		edges,
		out: listsOf(out),
		into: listsOf(into),
		prices,
		spans,
		spansOf: listsOf(spansOf),
		there,
		views: alike.views,
		changing,
		batch,
		unitMachine: Int32Array.from(unitMachine),
		unitCapacity: Int32Array.from(unitCapacity),
		unitRecovery: Int32Array.from(unitRecovery),
		components,
		slots: rowSlots(components, edges, firstMode)
	};
}
