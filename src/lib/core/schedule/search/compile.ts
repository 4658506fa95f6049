import type { Price, Problem, Span, Task } from '../problem.ts';
import { Alike } from './alike.ts';
import { found, foundAll, indexOf } from './by-name.ts';
import { Changeovers } from './changeovers.ts';
import type {
	Compiled,
	CompiledEdge,
	CompiledMode,
	CompiledPrice,
	CompiledSpan
} from './compiled.ts';
import { edgeOf } from './compiled-edge.ts';
import { Modes } from './compiled-modes.ts';
import { plentyOf, thereOf } from './compiled-pools.ts';
import { Units } from './compiled-units.ts';
import { componentsOf } from './components.ts';
import { tightenDomains } from './domains.ts';
import { lengthsOf } from './lengths.ts';
import { emptyLists, listOf, listsOf } from './lists.ts';
import { compiledPrice } from './prices.ts';
import { rowSlots } from './row-slots.ts';

/**
 * Turns names into indices, works out which tasks move together, and narrows when each can start.
 *
 * Range: a problem whose names are known (`faultOf` looks first). Source: definitions in `problem.ts`.
 * Failures: throws where the problem names what it does not have, which `faultOf` would have told.
 */
export function compile(problem: Problem): Compiled {
	const { horizon } = problem;
	const count = problem.tasks.length;
	const alike = new Alike(
		horizon,
		indexOf([...problem.pools, ...problem.machines]),
		plentyOf(problem)
	);
	const units = new Units(problem, alike);
	const taskIndex = indexOf(problem.tasks);
	const { firstMode, modes } = modesOf(problem, units, alike);
	const { earliest, latest, pinned, pinnedUnit } = boundsOf(problem, units);
	const edges: CompiledEdge[] = [];
	for (const lag of problem.lags) edges.push(edgeOf(lag, problem, taskIndex, alike));
	const out = emptyLists(count);
	const into = emptyLists(count);
	for (let at = 0; at < edges.length; at += 1) {
		const edge = edges[at] as CompiledEdge;
		out[edge.before]?.push(at);
		into[edge.after]?.push(at);
	}
	const { spans, spansOf } = spansByTask(problem.spans, taskIndex, horizon);
	const changing: Changeovers[] = [];
	for (const machine of problem.machines) changing.push(new Changeovers(machine.changeovers));
	const lengths = lengthsOf(modes, count);
	tightenDomains(edges, lengths, earliest, latest);
	const components = componentsOf(count, edges, out, into, pinned);
	return {
		problem,
		horizon,
		tasks: count,
		firstMode,
		modes,
		lengths,
		earliest,
		latest,
		pinnedUnit,
		pinned,
		edges,
		out: listsOf(out),
		into: listsOf(into),
		prices: pricesByTask(problem.prices, taskIndex),
		spans,
		spansOf,
		there: thereOf(problem),
		views: alike.views,
		changing,
		batch: units.batch,
		unitMachine: Int32Array.from(units.machineOf),
		unitCapacity: Int32Array.from(units.capacityOf),
		unitRecovery: Int32Array.from(units.recoveryOf),
		components,
		slots: rowSlots(components, edges, firstMode)
	};
}

/** The modes of all tasks in a row, and where each task's begin. */
function modesOf(problem: Problem, units: Units, alike: Alike) {
	const compiled = new Modes(problem, units, alike);
	const firstMode = new Int32Array(problem.tasks.length + 1);
	const modes: CompiledMode[] = [];
	for (let u = 0; u < problem.tasks.length; u += 1) {
		const task = problem.tasks[u] as Task;
		firstMode[u] = modes.length;
		for (const mode of task.modes) modes.push(compiled.of(u, task, mode));
	}
	firstMode[problem.tasks.length] = modes.length;
	return { firstMode, modes };
}

/** When each task can start at first and at last, and what a pin decides. */
function boundsOf({ horizon, tasks }: Problem, units: Units) {
	const earliest = new Int32Array(tasks.length);
	const latest = new Int32Array(tasks.length);
	const pinned = new Uint8Array(tasks.length);
	const pinnedUnit = new Int32Array(tasks.length).fill(-1);
	for (let u = 0; u < tasks.length; u += 1) {
		const task = tasks[u] as Task;
		const { pin } = task;
		earliest[u] = Math.max(0, task.earliest ?? 0, pin?.start ?? 0);
		latest[u] = Math.min(horizon, task.latest ?? horizon, pin?.start ?? horizon);
		pinned[u] = pin?.start === undefined || pin.start === null ? 0 : 1;
		if (pin?.unit) pinnedUnit[u] = found(units.index, pin.unit);
	}
	return { earliest, latest, pinned, pinnedUnit };
}

function pricesByTask(
	prices: readonly Price[],
	taskIndex: ReadonlyMap<string, number>
): CompiledPrice[][] {
	const byTask: CompiledPrice[][] = [];
	for (let u = 0; u < taskIndex.size; u += 1) byTask.push([]);
	for (const price of prices) byTask[found(taskIndex, price.task)]?.push(compiledPrice(price));
	const made: CompiledPrice[][] = [];
	for (const list of byTask) made.push(listOf(list));
	return made;
}

/** The spans, and by task those that it belongs to. */
function spansByTask(
	spans: readonly Span[],
	taskIndex: ReadonlyMap<string, number>,
	horizon: number
) {
	const of = emptyLists(taskIndex.size);
	const made: CompiledSpan[] = [];
	for (const span of spans) {
		const tasks = foundAll(taskIndex, span.tasks);
		for (const u of tasks) of[u]?.push(made.length);
		const { floor, until, price, tier } = span;
		made.push({ tasks, floor: floor ?? -horizon, until, price, tier });
	}
	return { spans: made, spansOf: listsOf(of) };
}
