import { NEVER, type CompiledEdge, type CompiledWindow } from './compiled.ts';
import { isTaken, type Load } from './loads.ts';
import { keepApart } from './setup.ts';
import type { State } from './state.ts';

/** Why one thing comes after another: by a pool's piece, a unit's or machine's order, the level of a shared machine. */
export type Because =
	| { readonly kind: 'pool'; readonly at: number }
	| { readonly kind: 'unit'; readonly at: number }
	| { readonly kind: 'level'; readonly at: number }
	| { readonly kind: 'changeover'; readonly at: number }
	| { readonly kind: 'span'; readonly at: number };

/** Node b starts at least so long after node a; `ofEnd` where that counts from what a ends with. */
export interface Order {
	readonly a: number;
	readonly b: number;
	readonly least: number;
	readonly ofEnd: boolean;
	/** True where what comes after wants it only in its course, not from its beginning. */
	readonly within: boolean;
	readonly because: Because;
}

/** A use of a pool: from an anchor of one node to an anchor of another. */
interface Use {
	readonly from: number;
	readonly fromOff: number;
	readonly to: number;
	readonly toOff: number;
	readonly begin: number;
	readonly end: number;
	/** True where the use ends with its task, and so lasts longer when that does. */
	readonly toEnd: boolean;
	/** True where it begins in the course of its task. */
	readonly within: boolean;
}

/**
 * The orders of a plan: nodes (tasks, the portions of a load as one, the ends of spans) with their bounds, and what must
 * come after what as long as nothing is decided otherwise. Pools of several are split into pieces as the plan uses
 * them, each with its order.
 */
export class Orders {
	/** By task its node, -1 where it does not stand. */
	readonly nodeOf: Int32Array;
	readonly time: Int32Array;
	readonly low: Int32Array;
	readonly high: Int32Array;
	nodes = 0;
	arcs: Order[] = [];
	loadNodes = new Map<Load, number>();
	spanNodes: { readonly node: number; readonly price: number }[] = [];
	/** Nodes kept where they are: no piece of a pool serves a use of theirs whole, or their loads change a level together. */
	readonly frozen = new Set<number>();
	/** Nodes that stand as near to what takes a unit from outside as they can. */
	taken: { readonly node: number; readonly unit: number; readonly way: 'earlier' | 'later' }[] = [];

	constructor(readonly state: State) {
		const { model } = state;
		const most = model.tasks + 2 * model.spans.length + 2 * model.batch.length + 4;
		this.nodeOf = new Int32Array(model.tasks);
		this.time = new Int32Array(most);
		this.low = new Int32Array(most);
		this.high = new Int32Array(most);
	}

	/** The most nodes there can be. */
	get most(): number {
		return this.time.length;
	}

	/** Reads the plan as it stands. */
	read(): void {
		const { state, time, low, high, nodeOf } = this;
		const { model } = state;
		this.nodes = 0;
		this.arcs = [];
		this.spanNodes = [];
		this.loadNodes = new Map();
		this.frozen.clear();
		this.taken = [];
		for (let u = 0; u < model.tasks; u += 1) {
			const start = state.start[u] as number;
			nodeOf[u] = -1;
			if (start < 0) continue;
			const load = state.load[u];
			let node = load ? this.loadNodes.get(load) : undefined;
			if (node === undefined) {
				node = this.addNode(start, 0, model.horizon);
				if (load) this.loadNodes.set(load, node);
			}
			nodeOf[u] = node;
			const fixed = model.pinned[u] === 1;
			low[node] = fixed ? start : Math.max(low[node] as number, model.earliest[u] as number);
			high[node] = fixed ? start : Math.min(high[node] as number, model.latest[u] as number);
			const length = (state.end[u] as number) - start;
			high[node] = Math.min(high[node] as number, model.horizon - length);
		}
		this.readSpans();
		this.readLoads();
		this.readPools();
		this.readChangeovers();
		for (let node = 0; node < this.nodes; node += 1) {
			// What stands is never thrown out of its own bounds.
			low[node] = Math.min(low[node] as number, time[node] as number);
			high[node] = Math.max(high[node] as number, time[node] as number);
		}
	}

	private addNode(at: number, low: number, high: number): number {
		const node = this.nodes;
		this.time[node] = at;
		this.low[node] = low;
		this.high[node] = high;
		this.nodes += 1;
		return node;
	}

	private freeze(node: number): this {
		this.low[node] = this.high[node] = this.time[node] as number;
		this.frozen.add(node);
		return this;
	}

	private order(
		a: number,
		b: number,
		least: number,
		ofEnd: boolean,
		because: Because,
		within = false
	): void {
		if (a !== b) this.arcs.push({ a, b, least, ofEnd, because, within });
	}

	private readSpans(): void {
		const { state } = this;
		const { model } = state;
		for (const [at, span] of model.spans.entries()) {
			const because: Because = { kind: 'span', at };
			const inside: number[] = [];
			let first = NEVER;
			let last = -1;
			for (const u of span.tasks) {
				const start = state.start[u] as number;
				if (start < 0) continue;
				const node = this.nodeOf[u] as number;
				if (start < span.floor) {
					this.high[node] = Math.min(this.high[node] as number, span.floor - 1);
					continue;
				}
				this.low[node] = Math.max(this.low[node] as number, span.floor);
				inside.push(u);
				first = Math.min(first, start);
				last = Math.max(last, state.end[u] as number);
			}
			if (inside.length === 0) continue;
			const begin = this.addNode(first, -model.horizon, 2 * model.horizon);
			this.spanNodes.push({ node: begin, price: -span.price });
			for (const u of inside) this.order(begin, this.nodeOf[u] as number, 0, false, because);
			if (span.until !== null) continue;
			const end = this.addNode(last, -model.horizon, 2 * model.horizon);
			this.spanNodes.push({ node: end, price: span.price });
			for (const u of inside)
				this.order(
					this.nodeOf[u] as number,
					end,
					(state.end[u] as number) - (state.start[u] as number),
					true,
					because
				);
		}
	}

	private readLoads(): void {
		const { state } = this;
		const { model } = state;
		for (const [at, { machine, setups, firstUnit, units }] of model.batch.entries()) {
			const because: Because = { kind: 'level', at };
			const loads: Load[] = [];
			for (let unit = firstUnit; unit < firstUnit + units; unit += 1)
				loads.push(...(state.loads.ofUnit[unit] as Load[]));
			if (loads.every(isTaken)) continue;
			loads.sort((a, b) => a.start - b.start);
			for (const [k, a] of loads.entries())
				for (const b of loads.slice(k + 1)) {
					const own = a.unit === b.unit;
					if (!own && !machine.shared) continue;
					if (!own && !keepApart(machine, a, b, false)) continue;
					if (!own && a.start === b.start && !keepApart(machine, a, b, true)) {
						this.freeze(this.nodeOfLoad(a)).freeze(this.nodeOfLoad(b));
						continue;
					}
					const setup = setups.between(a, b);
					const gap = own ? Math.max(model.unitRecovery[a.unit] as number, setup) : setup;
					if (isTaken(a) || isTaken(b)) {
						this.keepOff(a, b, gap);
						continue;
					}
					this.order(
						this.nodeOfLoad(a),
						this.nodeOfLoad(b),
						a.end - a.start + gap,
						true,
						own ? { kind: 'unit', at: a.unit } : because
					);
				}
			if (machine.onPrice === 0) continue;
			const own = loads.filter((load) => !isTaken(load));
			const begin = this.addNode(own[0]?.start ?? 0, -model.horizon, 2 * model.horizon);
			const end = this.addNode(
				own.reduce((last, load) => Math.max(last, load.end), 0),
				-model.horizon,
				2 * model.horizon
			);
			this.spanNodes.push({ node: begin, price: -machine.onPrice });
			this.spanNodes.push({ node: end, price: machine.onPrice });
			for (const load of own) {
				this.order(begin, this.nodeOfLoad(load), 0, false, because);
				this.order(this.nodeOfLoad(load), end, load.end - load.start, true, because);
			}
		}
	}

	private nodeOfLoad(load: Load): number {
		return this.loadNodes.get(load) ?? 0;
	}

	/** What takes a unit from outside stays: a load before it ends in time, one after it begins late enough. */
	private keepOff(a: Load, b: Load, gap: number): void {
		const { low, high, time } = this;
		const [first, second] = [this.loadNodes.get(a), this.loadNodes.get(b)];
		if (second !== undefined) {
			low[second] = Math.max(low[second] as number, a.end + gap);
			if (a.end + gap === time[second])
				this.taken.push({ node: second, unit: a.unit, way: 'earlier' });
		}
		if (first !== undefined) {
			const most = b.start - gap - (a.end - a.start);
			high[first] = Math.min(high[first] as number, most);
			if (most === time[first]) this.taken.push({ node: first, unit: b.unit, way: 'later' });
		}
	}

	/** Splits what is used of every pool into pieces, each used by one after the other. */
	private readPools(): void {
		const { state, nodeOf } = this;
		const { model } = state;
		const uses: Use[][] = [];
		for (let pool = 0; pool < model.there.length; pool += 1) uses.push([]);
		for (let u = 0; u < model.tasks; u += 1) {
			const start = state.start[u] as number;
			if (start < 0) continue;
			const node = nodeOf[u] as number;
			const { length, portion, demands } = state.modeAt(state.mode[u] as number);
			demands.forEach((demand, at) => {
				const pools = demand.view >= 0 ? demand.pools : (state.givenTo(u)?.[at] ?? []);
				const use = {
					from: node,
					fromOff: demand.from,
					to: node,
					toOff: demand.to,
					begin: start + demand.from,
					end: start + demand.to,
					toEnd: !portion && demand.to === length,
					within: demand.from > 0
				};
				for (const pool of pools) addUse(uses, pool, demand.view >= 0 ? demand.amount : 1, use);
			});
		}
		for (const [load, node] of this.loadNodes) {
			const on = model.batch[model.unitMachine[load.unit] as number];
			on?.attended.forEach(({ demand, ofEnd }, at) => {
				const off = ofEnd ? load.end - load.start : 0;
				const use = {
					from: node,
					fromOff: off + demand.from,
					to: node,
					toOff: off + demand.to,
					begin: load.start + off + demand.from,
					end: load.start + off + demand.to,
					toEnd: ofEnd,
					within: off + demand.from > 0
				};
				const pools = load.given[at] ?? [];
				for (const pool of pools) addUse(uses, pool, demand.view >= 0 ? demand.amount : 1, use);
			});
		}
		for (const edge of model.edges) {
			const window = this.windowNow(edge);
			if (!window) continue;
			const began = state.start[edge.before] as number;
			const off = edge.fromStart ? 0 : (state.end[edge.before] as number) - began;
			for (const { pool, amount } of window.holds)
				addUse(uses, pool, amount, {
					from: nodeOf[edge.before] as number,
					fromOff: off,
					to: nodeOf[edge.after] as number,
					toOff: 0,
					begin: began + off,
					end: state.start[edge.after] as number,
					toEnd: false,
					within: false
				});
		}
		for (let pool = 0; pool < uses.length; pool += 1)
			this.chain(uses[pool] as Use[], model.there[pool] as Int16Array, { kind: 'pool', at: pool });
	}

	private chain(uses: Use[], there: Int16Array, because: Because): void {
		uses.sort((a, b) => a.begin - b.begin || a.end - b.end);
		let most = 0;
		for (const amount of there) most = Math.max(most, amount);
		// Piece k is there where more than k are; each serves the uses it can one after the other.
		const last: (Use | null)[] = Array.from({ length: most }, () => null);
		for (const use of uses) {
			let best = -1;
			for (let k = 0; k < most; k += 1) {
				const before = last[k] ?? null;
				if (before && before.end > use.begin) continue;
				let whole = true;
				for (let t = use.begin; t < use.end && whole; t += 1) whole = (there[t] ?? 0) > k;
				if (!whole) continue;
				if (best < 0 || (last[k]?.end ?? -1) < (last[best]?.end ?? -1)) best = k;
			}
			if (best < 0) {
				// No piece serves it whole (one hands over to another): it stays where it is.
				this.freeze(use.from).freeze(use.to);
				continue;
			}
			const before = last[best];
			if (before)
				this.order(
					before.to,
					use.from,
					before.toOff - use.fromOff,
					before.toEnd,
					because,
					use.within
				);
			let from = use.begin;
			let to = use.end;
			while (from > 0 && (there[from - 1] as number) > best) from -= 1;
			while (to < there.length && (there[to] as number) > best) to += 1;
			this.low[use.from] = Math.max(this.low[use.from] as number, from - use.fromOff);
			this.high[use.to] = Math.min(this.high[use.to] as number, to - use.toOff);
			last[best] = use;
		}
	}

	private readChangeovers(): void {
		const { state } = this;
		const { model } = state;
		const byMachine = new Map<number, number[]>();
		for (let u = 0; u < model.tasks; u += 1) {
			if ((state.start[u] as number) < 0) continue;
			const { machine } = state.modeAt(state.mode[u] as number);
			if (machine >= 0) byMachine.set(machine, [...(byMachine.get(machine) ?? []), u]);
		}
		for (const [machine, tasks] of byMachine) {
			tasks.sort((a, b) => (state.start[a] as number) - (state.start[b] as number));
			tasks.forEach((a, k) => {
				const b = tasks[k + 1];
				if (b === undefined) return;
				const [one, other] = [a, b].map((u) => state.modeAt(state.mode[u] as number).family);
				const gap = model.changing[machine]?.between(one ?? '', other ?? '') ?? 0;
				const length = (state.end[a] as number) - (state.start[a] as number);
				this.order(this.nodeOf[a] as number, this.nodeOf[b] as number, length + gap, true, {
					kind: 'changeover',
					at: machine
				});
			});
		}
	}

	/** The window of a lag between two tasks that stand. */
	windowNow(edge: CompiledEdge): CompiledWindow | null {
		const { state } = this;
		const before = state.mode[edge.before] as number;
		const after = state.mode[edge.after] as number;
		return before < 0 || after < 0 ? null : state.windowOf(edge, before, after);
	}
}

/** So much of a pool is used: each piece of it by itself. */
function addUse(uses: readonly Use[][], pool: number, amount: number, use: Use): void {
	if (use.begin < use.end) for (let k = 0; k < amount; k += 1) uses[pool]?.push(use);
}
