import { chanceFrom, type Chance } from '../chance.ts';
import { fail, ok, type Result } from '../result.ts';
import { faultOf, type Fault } from './faults.ts';
import type { Plan } from './plan.ts';
import type { Problem } from './problem.ts';
import { compile } from './search/compile.ts';
import type { CompiledPrice } from './search/compiled.ts';
import { Orders } from './search/orders.ts';
import { compiledPrice } from './search/prices.ts';
import { standsOf } from './search/stands-of.ts';
import { State } from './search/state.ts';

/** How much longer or shorter something may turn out than it is planned, in units; a three-cornered law. */
export interface Spread {
	readonly least: number;
	readonly likely: number;
	readonly most: number;
}

export interface Uncertain {
	/** By task, how its length may turn out. */
	readonly lengths: ReadonlyMap<string, Spread>;
	/** By lag, how much longer what waits may have to wait. */
	readonly waits: ReadonlyMap<string, Spread>;
	/** What one deadline is made of: the name of it by each price, null to leave the price out; each is its own otherwise. */
	readonly deadlineOf?: (price: string) => string | null;
}

/** What chance does to one deadline: a price with a late side, or several that are late together. */
export interface DeadlineUnderChance {
	readonly deadline: string;
	/** The share of runs in which it is late, the mean lateness of all runs, and what nine in ten stay within. */
	readonly lateShare: number;
	readonly meanLate: number;
	readonly lateInTen: number;
	/** So much more room before the deadline would halve its share of late runs; 0 where it is never late. */
	readonly toHalve: number;
	/** The task or lag most of the lateness came from, with its share of it; null where it is never late. */
	readonly weakest: {
		readonly of: 'task' | 'lag';
		readonly id: string;
		readonly share: number;
	} | null;
}

/**
 * Runs a plan many times with lengths and waits as they may turn out, keeping its order and its decisions as a crew
 * would: nothing starts sooner than planned, nothing waits longer than it must.
 *
 * Model: the orders that the plan decided and the least of each window; a start is the latest of its planned time and
 * what must come before. Windows that are overstayed are not mended: the crew goes on. Lateness is traced back along
 * what held each task up, to the task or wait that turned out long.
 * Range: a plan that holds, 1 to 10 000 runs. Source: our own; three-cornered laws from three figures.
 * Failures: a fault of the problem.
 * Example: with no spread at all every run is the plan.
 */
export function chanceOfPlan(
	problem: Problem,
	plan: Plan,
	uncertain: Uncertain,
	{ runs, seed }: { readonly runs: number; readonly seed: number }
): Result<readonly DeadlineUnderChance[], Fault> {
	const fault = faultOf(problem);
	if (fault) return fail(fault);
	const model = compile(problem);
	const state = new State(model);
	for (const stand of standsOf(model, plan)) state.putBack(stand);
	const told = new Runs(problem, state, uncertain).tell(runs, chanceFrom(seed));
	state.close();
	return ok(told);
}

/** A wait or an order between two nodes, with who made it longer than planned. */
interface Link {
	readonly a: number;
	readonly b: number;
	readonly least: number;
	readonly ofEnd: boolean;
	/** The lag it is, -1 for an order. */
	readonly lag: number;
}

class Runs {
	private readonly links: Link[];
	private readonly orders: Orders;
	private readonly into: Link[][];
	private readonly order: readonly number[];
	private readonly growth: Int32Array;
	private readonly waits: Int32Array;
	private readonly time: Int32Array;
	private readonly heldBy: (Link | null)[];
	private readonly causeOf: Int32Array;

	constructor(
		private readonly problem: Problem,
		private readonly state: State,
		private readonly uncertain: Uncertain
	) {
		this.orders = new Orders(state);
		this.orders.read();
		const { nodes, nodeOf, arcs } = this.orders;
		this.links = arcs
			// What is wanted in the course of a task is waited for then: the task has begun, and does not begin later for it.
			.filter(({ because, within }) => because.kind !== 'span' && !within)
			.map(({ a, b, least, ofEnd }) => ({ a, b, least, ofEnd, lag: -1 }));
		state.model.edges.forEach((edge, lag) => {
			const window = this.orders.windowNow(edge);
			if (!window) return;
			const length = (state.end[edge.before] ?? 0) - (state.start[edge.before] ?? 0);
			this.links.push({
				a: nodeOf[edge.before] ?? 0,
				b: nodeOf[edge.after] ?? 0,
				least: window.least + (edge.fromStart ? 0 : length),
				ofEnd: !edge.fromStart,
				lag
			});
		});
		// What is pinned happened: nothing makes it later.
		const happened = new Set(nodeOf.filter((node, u) => node >= 0 && state.model.pinned[u] === 1));
		this.into = Array.from({ length: nodes }, () => []);
		for (const link of this.links) if (!happened.has(link.b)) this.into[link.b]?.push(link);
		this.order = Array.from({ length: nodes }, (_, node) => node).sort(
			(a, b) => (this.orders.time[a] ?? 0) - (this.orders.time[b] ?? 0) || a - b
		);
		this.growth = new Int32Array(nodes);
		this.causeOf = new Int32Array(nodes);
		this.waits = new Int32Array(problem.lags.length);
		this.time = new Int32Array(nodes);
		this.heldBy = new Array<Link | null>(nodes).fill(null);
	}

	tell(runs: number, chance: Chance): readonly DeadlineUnderChance[] {
		const deadlines = [...this.deadlines()];
		const late = deadlines.map(() => new Int32Array(runs));
		const blame = deadlines.map(() => new Map<number, number>());
		for (let run = 0; run < runs; run += 1) {
			this.draw(chance);
			this.play();
			deadlines.forEach(([, members], at) => {
				const list = late[at];
				const ofDeadline = blame[at];
				if (!list || !ofDeadline) return;
				let worst = -1;
				for (const { task, price } of members) {
					const lateness = this.latenessOf(task, price);
					if (lateness <= (list[run] ?? 0)) continue;
					list[run] = lateness;
					worst = task;
				}
				if (worst < 0) return;
				for (const [cause, by] of this.causes(worst))
					ofDeadline.set(cause, (ofDeadline.get(cause) ?? 0) + by);
			});
		}
		return deadlines.map(([deadline], at) => {
			const list = [...(late[at] ?? [])].sort((a, b) => a - b);
			const sum = list.reduce((total, value) => total + value, 0);
			const lateRuns = list.filter((value) => value > 0).length;
			return {
				deadline,
				lateShare: lateRuns / runs,
				meanLate: sum / runs,
				lateInTen: list[Math.min(runs - 1, Math.ceil(0.9 * runs) - 1)] ?? 0,
				toHalve: lateRuns === 0 ? 0 : (list[runs - Math.floor(lateRuns / 2) - 1] ?? 0),
				weakest: this.weakest(blame[at] ?? new Map())
			};
		});
	}

	private deadlines(): ReadonlyMap<
		string,
		readonly { readonly task: number; readonly price: CompiledPrice }[]
	> {
		const at = new Map(this.problem.tasks.map(({ id }, u) => [id, u]));
		const found = new Map<string, { readonly task: number; readonly price: CompiledPrice }[]>();
		for (const price of this.problem.prices) {
			const task = at.get(price.task) ?? -1;
			if (price.late === 0 || (this.orders.nodeOf[task] ?? -1) < 0) continue;
			const deadline = this.uncertain.deadlineOf ? this.uncertain.deadlineOf(price.id) : price.id;
			if (deadline === null) continue;
			found.set(deadline, [...(found.get(deadline) ?? []), { task, price: compiledPrice(price) }]);
		}
		return found;
	}

	/** Draws how everything turns out this time. */
	private draw(chance: Chance): void {
		const { problem, orders, uncertain } = this;
		this.growth.fill(0);
		this.causeOf.fill(-1);
		problem.tasks.forEach(({ id }, u) => {
			const node = orders.nodeOf[u] ?? -1;
			const spread = uncertain.lengths.get(id);
			if (node < 0 || !spread) return;
			const by = drawn(spread, chance());
			// A load is as long as its slowest portion.
			if (this.causeOf[node] === -1 || by > (this.growth[node] ?? 0)) {
				this.growth[node] = by;
				this.causeOf[node] = u;
			}
		});
		problem.lags.forEach(({ id }, lag) => {
			const spread = uncertain.waits.get(id);
			this.waits[lag] = spread ? drawn(spread, chance()) : 0;
		});
	}

	/** Lets the plan happen: sweeps until nothing moves any more, at most once for each node. */
	private play(): void {
		const { time, order, into, heldBy, orders } = this;
		time.set(orders.time.subarray(0, time.length));
		heldBy.fill(null);
		for (let sweep = 0, moved = true; moved && sweep < order.length; sweep += 1) {
			moved = false;
			for (const node of order)
				for (const link of into[node] ?? []) {
					const from = (time[link.a] ?? 0) + link.least + this.more(link);
					if (from <= (time[node] ?? 0)) continue;
					time[node] = from;
					heldBy[node] = link;
					moved = true;
				}
		}
	}

	private more(link: Link): number {
		const grown = link.ofEnd ? (this.growth[link.a] ?? 0) : 0;
		return grown + (link.lag >= 0 ? (this.waits[link.lag] ?? 0) : 0);
	}

	private latenessOf(task: number, price: CompiledPrice): number {
		const node = this.orders.nodeOf[task] ?? 0;
		const length = (this.state.end[task] ?? 0) - (this.state.start[task] ?? 0);
		const end = price.ofStart ? 0 : length + (this.growth[node] ?? 0);
		return (this.time[node] ?? 0) + end - price.at;
	}

	/** What turned out long on the way to a task: tasks by their number, lags after them. */
	private causes(task: number): readonly (readonly [number, number])[] {
		const found: [number, number][] = [];
		const tasks = this.problem.tasks.length;
		let node = this.orders.nodeOf[task] ?? 0;
		const own = this.growth[node] ?? 0;
		if (own > 0) found.push([this.causeOf[node] ?? 0, own]);
		for (let steps = 0; steps < this.order.length; steps += 1) {
			const link = this.heldBy[node];
			if (!link) break;
			const grown = link.ofEnd ? (this.growth[link.a] ?? 0) : 0;
			if (grown > 0) found.push([this.causeOf[link.a] ?? 0, grown]);
			const waited = link.lag >= 0 ? (this.waits[link.lag] ?? 0) : 0;
			if (waited > 0) found.push([tasks + link.lag, waited]);
			node = link.a;
		}
		return found;
	}

	private weakest(blame: ReadonlyMap<number, number>): DeadlineUnderChance['weakest'] {
		const tasks = this.problem.tasks.length;
		let all = 0;
		let most = 0;
		let worst = -1;
		for (const [cause, by] of blame) {
			all += by;
			if (by > most) {
				most = by;
				worst = cause;
			}
		}
		if (worst < 0) return null;
		const share = most / all;
		return worst < tasks
			? { of: 'task', id: this.problem.tasks[worst]?.id ?? '', share }
			: { of: 'lag', id: this.problem.lags[worst - tasks]?.id ?? '', share };
	}
}

/** A whole number of units from a three-cornered law, for a chance from 0 to 1. */
function drawn({ least, likely, most }: Spread, chance: number): number {
	if (most <= least) return Math.round(least);
	const turn = (likely - least) / (most - least);
	const value =
		chance < turn
			? least + Math.sqrt(chance * (most - least) * (likely - least))
			: most - Math.sqrt((1 - chance) * (most - least) * (most - likely));
	return Math.round(value);
}
