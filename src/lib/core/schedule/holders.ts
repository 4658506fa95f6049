import { fail, ok, type Result } from '../result.ts';
import { faultOf, type Fault } from './faults.ts';
import type { Plan } from './plan.ts';
import type { Problem } from './problem.ts';
import { compile } from './search/compile.ts';
import type { CompiledEdge, CompiledWindow } from './search/compiled.ts';
import { Orders, type Because } from './search/orders.ts';
import { standsOf } from './search/stands-of.ts';
import { State } from './search/state.ts';

/** What holds a task where it is. */
export type Holder =
	/** The window to another task. */
	| { readonly kind: 'lag'; readonly lag: string; readonly task: string }
	/** Another task that has the pool's piece, the unit or the machine before or after it. */
	| { readonly kind: 'pool'; readonly pool: string; readonly task: string }
	| { readonly kind: 'unit'; readonly unit: string; readonly task: string }
	| { readonly kind: 'level'; readonly machine: string; readonly task: string }
	| { readonly kind: 'changeover'; readonly machine: string; readonly task: string }
	/** Something that is no part of the problem has the unit before or after. */
	| { readonly kind: 'taken'; readonly unit: string }
	/** The pool is not there before or after: a shift, a break. */
	| { readonly kind: 'away'; readonly pools: readonly string[] }
	| { readonly kind: 'pin' }
	| { readonly kind: 'bound'; readonly of: 'earliest' | 'latest' | 'horizon' };

export interface Held {
	readonly task: string;
	/** What keeps it from starting one unit earlier, and one unit later, with all else where it is; empty when nothing does. */
	readonly earlier: readonly Holder[];
	readonly later: readonly Holder[];
}

/**
 * Tells of every task of a plan what holds it where it is. Where nothing does, the prices alone do.
 *
 * Model: the orders that the plan decided (each pool's pieces, units, machines), the windows of its lags and the bounds
 * of its tasks, each held against one unit of time.
 * Range: a plan that holds (`checkPlan`). Source: our own. Failures: a fault of the problem.
 * Example: a mix that ends when the next begins on the only mixer is held from starting later by that next one.
 */
export function holdersOf(problem: Problem, plan: Plan): Result<readonly Held[], Fault> {
	const fault = faultOf(problem);
	if (fault) return fail(fault);
	const model = compile(problem);
	const state = new State(model);
	for (const stand of standsOf(model, plan)) state.putBack(stand);
	const told = new Teller(problem, state).tell();
	state.close();
	return ok(told);
}

class Teller {
	private readonly orders: Orders;
	private readonly names: { readonly pools: string[]; readonly units: string[] };
	private readonly earlier: Holder[][];
	private readonly later: Holder[][];

	constructor(
		private readonly problem: Problem,
		private readonly state: State
	) {
		this.orders = new Orders(state);
		this.orders.read();
		this.names = {
			pools: [...problem.pools, ...problem.machines].map(({ id }) => id),
			units: problem.batchMachines.flatMap(({ units }) => units.map(({ id }) => id))
		};
		this.earlier = problem.tasks.map(() => []);
		this.later = problem.tasks.map(() => []);
	}

	tell(): readonly Held[] {
		this.byLags();
		this.byOrders();
		this.byBounds();
		return this.problem.tasks.flatMap(({ id }, u) =>
			(this.state.start[u] ?? -1) < 0
				? []
				: [{ task: id, earlier: this.earlier[u] ?? [], later: this.later[u] ?? [] }]
		);
	}

	private nameOf(u: number): string {
		return this.problem.tasks[u]?.id ?? '';
	}

	private byLags(): void {
		const { state, orders } = this;
		state.model.edges.forEach((edge: CompiledEdge, e) => {
			const window: CompiledWindow | null = orders.windowNow(edge);
			if (!window) return;
			const { before, after } = edge;
			const anchor = (edge.fromStart ? state.start : state.end)[before] ?? 0;
			const is = (state.start[after] ?? 0) - anchor;
			const lag = this.problem.lags[e]?.id ?? '';
			const toAfter: Holder = { kind: 'lag', lag, task: this.nameOf(after) };
			const toBefore: Holder = { kind: 'lag', lag, task: this.nameOf(before) };
			if (is <= window.hardLeast) {
				this.earlier[after]?.push(toBefore);
				this.later[before]?.push(toAfter);
			}
			if (is >= window.hardMost) {
				this.later[after]?.push(toBefore);
				this.earlier[before]?.push(toAfter);
			}
		});
	}

	private byOrders(): void {
		const { orders } = this;
		const tasksAt = new Map<number, number[]>();
		orders.nodeOf.forEach((node, u) => {
			if (node >= 0) tasksAt.set(node, [...(tasksAt.get(node) ?? []), u]);
		});
		for (const { a, b, least, because } of orders.arcs) {
			if ((orders.time[b] ?? 0) - (orders.time[a] ?? 0) > least) continue;
			for (const first of tasksAt.get(a) ?? [])
				for (const second of tasksAt.get(b) ?? []) {
					const holderOf = (u: number) => this.holder(because, this.nameOf(u));
					const [before, after] = [holderOf(first), holderOf(second)];
					if (before) this.earlier[second]?.push(before);
					if (after) this.later[first]?.push(after);
				}
		}
	}

	private holder(because: Because, task: string): Holder | null {
		const { pools, units } = this.names;
		switch (because.kind) {
			case 'pool':
				return { kind: 'pool', pool: pools[because.at] ?? '', task };
			case 'unit':
				return { kind: 'unit', unit: units[because.at] ?? '', task };
			case 'level':
				return { kind: 'level', machine: this.problem.batchMachines[because.at]?.id ?? '', task };
			case 'changeover':
				return { kind: 'changeover', machine: this.problem.machines[because.at]?.id ?? '', task };
			case 'span':
				return null;
		}
	}

	private byBounds(): void {
		const { state, orders, problem } = this;
		problem.tasks.forEach((task, u) => {
			const node = orders.nodeOf[u] ?? -1;
			if (node < 0) return;
			const start = state.start[u] ?? 0;
			const pools = this.poolsOf(u);
			const [down, up] = [this.earlier[u], this.later[u]];
			for (const one of orders.taken)
				if (one.node === node)
					(one.way === 'earlier' ? down : up)?.push({
						kind: 'taken',
						unit: this.names.units[one.unit] ?? ''
					});
			if ((task.pin?.start ?? null) !== null) {
				down?.push({ kind: 'pin' });
				up?.push({ kind: 'pin' });
				return;
			}
			if (start === (task.earliest ?? 0))
				down?.push({ kind: 'bound', of: task.earliest === null ? 'horizon' : 'earliest' });
			else if (start <= (orders.low[node] ?? 0) && pools.length > 0 && down?.length === 0)
				down.push({ kind: 'away', pools });
			if (start === task.latest) up?.push({ kind: 'bound', of: 'latest' });
			else if ((state.end[u] ?? 0) === problem.horizon) up?.push({ kind: 'bound', of: 'horizon' });
			else if (start >= (orders.high[node] ?? 0) && pools.length > 0 && up?.length === 0)
				up.push({ kind: 'away', pools });
		});
	}

	/** The pools that a task, or its load, takes from. */
	private poolsOf(u: number): readonly string[] {
		const { state } = this;
		const mode = state.modeAt(state.mode[u] ?? 0);
		const given = state.givenTo(u);
		const own = mode.demands.flatMap((demand, at) =>
			demand.view >= 0 ? demand.pools : (given?.[at] ?? [])
		);
		const ofLoad = (state.load[u]?.given ?? []).flat();
		return [...new Set([...own, ...ofLoad])].map((pool) => this.names.pools[pool] ?? '');
	}
}
