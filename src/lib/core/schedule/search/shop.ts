import { NEVER, type Compiled, type CompiledEdge, type CompiledMode } from './compiled.ts';

/**
 * A problem in which only orders are to be decided: every task has one way and at most one pool, which serves one
 * after the other and is always there, lags have a least and nothing else, and prices are for being late.
 */
export interface Shop {
	readonly tasks: number;
	readonly length: Int32Array;
	readonly earliest: Int32Array;
	/** By task the pool that it needs, -1 for none. */
	readonly pool: Int32Array;
	readonly pools: number;
	/** By task, what must have started how long before it. */
	readonly before: readonly (readonly { readonly task: number; readonly least: number }[])[];
	/** What must pass from the start of one to that of the other when they follow each other in a pool. */
	readonly gap: (first: number, second: number) => number;
	/** Whether that depends on which comes second. */
	readonly changes: (first: number) => boolean;
}

/** Reads a problem as a shop; null where it is more than that. */
export function shopOf(model: Compiled): Shop | null {
	const { tasks, horizon, modes, firstMode } = model;
	if (model.batch.length > 0 || model.spans.length > 0) return null;
	const length = new Int32Array(tasks);
	const pool = new Int32Array(tasks).fill(-1);
	/** By task, the machine on which changeovers count; -1 for none. */
	const machine = new Int32Array(tasks);
	const users = new Int32Array(model.there.length);
	for (let u = 0; u < tasks; u += 1) {
		const first = firstMode[u] as number;
		const mode = modes[first] as CompiledMode;
		if (
			(firstMode[u + 1] as number) - first !== 1 ||
			!mode.allowed ||
			mode.portion ||
			mode.price > 0
		)
			return null;
		const { latest, pin } = model.problem.tasks[u] as Compiled['problem']['tasks'][number];
		if (pin !== null || (latest ?? horizon) < horizon) return null;
		if (
			(model.prices[u] ?? []).some(({ early, away, late }) => early !== 0 || away !== 0 || late < 0)
		)
			return null;
		length[u] = mode.length;
		machine[u] = mode.machine;
		const [demand, another] = mode.demands;
		if (another) return null;
		if (!demand) continue;
		const [only] = demand.pools;
		const isWhole = demand.from === 0 && demand.to === mode.length && demand.amount === 1;
		if (!isWhole || demand.view < 0 || only === undefined) return null;
		pool[u] = only;
		users[only] = (users[only] as number) + 1;
	}
	if (!users.some((count) => count > 1)) return null;
	for (const [at, there] of model.there.entries())
		if ((users[at] as number) > 0 && there.some((amount, t) => t < horizon && amount !== 1))
			return null;
	const before = Array.from({ length: tasks }, (): { task: number; least: number }[] => []);
	for (const edge of model.edges) {
		const least = leastAlone(edge, horizon);
		if (least === null) return null;
		const off = edge.fromStart ? 0 : (length[edge.before] as number);
		before[edge.after]?.push({ task: edge.before, least: off + least });
	}
	return {
		tasks,
		length,
		earliest: model.earliest,
		pool,
		pools: model.there.length,
		before,
		gap: (first, second) => {
			const alone = length[first] as number;
			if ((machine[first] as number) < 0) return alone;
			const [one, other] = [first, second].map((u) => modes[firstMode[u] as number]?.family ?? '');
			return (
				alone + (model.changing[machine[first] as number]?.between(one ?? '', other ?? '') ?? 0)
			);
		},
		changes: (first) => (machine[first] as number) >= 0
	};
}

/** The least of a lag that has nothing else; null for any other. */
function leastAlone(edge: CompiledEdge, horizon: number): number | null {
	const [window] = edge.table;
	if (edge.table.length !== 1 || !window || edge.tight) return null;
	const { hardLeast, hardMost, least, most, price, outside, holds } = window;
	const isOpen = outside < 0 && most >= horizon && hardMost >= horizon && least > -NEVER;
	return isOpen && price === 0 && holds.length === 0 ? hardLeast : null;
}
