import {
	NEVER,
	type Compiled,
	type CompiledBatchMachine,
	type CompiledDemand,
	type CompiledEdge,
	type CompiledMode,
	type CompiledPortion,
	type CompiledPrice,
	type CompiledWindow
} from './compiled.ts';
import type { Kernel } from '../kernel/kernel.ts';
import { giveBack, kernelOf } from '../kernel/idle.ts';
import { priceAt, priceOfLag } from './prices.ts';
import { roomOf } from './room.ts';
import { loadOf, Loads, type Load } from './loads.ts';
import { withPortion, type LevelRange } from './setup.ts';
import { FirstStarts } from './first-starts.ts';
import { Pools } from './pools.ts';

/** Where a task stood, to be put back there. */
export interface Stand {
	readonly task: number;
	readonly mode: number;
	readonly start: number;
	readonly unit: number;
	readonly given: readonly (readonly number[])[] | null;
	/** Who attended its load; null for what is in none, or where that is open. */
	readonly attended: readonly (readonly number[])[] | null;
}

/** A plan in the making: which tasks stand where, and all that follows from it for pools and loads. */
export class State {
	/** By task: its start or -1, its end, its mode. */
	readonly start: Int32Array;
	readonly end: Int32Array;
	readonly mode: Int32Array;
	/** By task, where it started when it was last taken out; -1 before that. */
	readonly stood: Int32Array;
	readonly load: (Load | null)[];
	/** Where the rows are that are read and written at every turn. */
	readonly kernel: Kernel;
	readonly pools: Pools;
	readonly loads: Loads;
	readonly firstStarts: FirstStarts;
	placed = 0;
	/** The prices of all that stands and of the lags between it, kept up to date; and how many lags are broken. */
	priced = 0;
	broken = 0;
	private isClosed = false;
	private readonly given: (readonly (readonly number[])[] | null)[];

	constructor(readonly model: Compiled) {
		this.start = new Int32Array(model.tasks).fill(-1);
		this.end = new Int32Array(model.tasks).fill(-1);
		this.mode = new Int32Array(model.tasks).fill(-1);
		this.stood = new Int32Array(model.tasks).fill(-1);
		this.load = new Array<Load | null>(model.tasks).fill(null);
		this.given = new Array<null>(model.tasks).fill(null);
		this.kernel = kernelOf(roomOf(model));
		this.pools = new Pools(model, this.kernel);
		this.loads = new Loads(model);
		this.firstStarts = new FirstStarts(model);
	}

	/** Gives the kernel back: nothing of this state may be used any more. */
	close(): void {
		if (this.isClosed) return;
		this.isClosed = true;
		giveBack(this.kernel);
	}

	modeAt(m: number): CompiledMode {
		return this.model.modes[m] as CompiledMode;
	}

	readonly portionOf = (u: number): CompiledPortion =>
		this.modeAt(this.mode[u] as number).portion as CompiledPortion;

	/** The window of an edge between two modes; null forbids. */
	windowOf(edge: CompiledEdge, beforeMode: number, afterMode: number): CompiledWindow | null {
		const { firstMode } = this.model;
		const row = beforeMode - (firstMode[edge.before] as number);
		const column = afterMode - (firstMode[edge.after] as number);
		return edge.table[row * edge.afterModes + column] as CompiledWindow | null;
	}

	place(
		u: number,
		m: number,
		start: number,
		unit: number,
		given: Stand['given'] = null,
		attended: Stand['attended'] = null
	): void {
		const mode = this.modeAt(m);
		this.start[u] = start;
		this.mode[u] = m;
		this.placed += 1;
		if (mode.portion) this.join(u, mode.portion, start, unit, attended);
		else this.end[u] = start + mode.length;
		const { demands } = mode;
		let picks: (readonly number[])[] | null = null;
		for (let at = 0; at < demands.length; at += 1) {
			const demand = demands[at] as CompiledDemand;
			const only = demand.view >= 0;
			const pools = only ? demand.pools : (given?.[at] ?? this.pools.choose(demand, start));
			if (!only) {
				picks ??= demands.map(() => []);
				picks[at] = pools;
			}
			this.takeAll(demand, pools, start, 1);
		}
		this.given[u] = picks;
		this.price(u, 1);
		this.hold(u, 1);
		this.firstStarts.add(u, start);
	}

	remove(u: number): Stand {
		const start = this.start[u] as number;
		const m = this.mode[u] as number;
		const mode = this.modeAt(m);
		const given = this.given[u] ?? null;
		this.price(u, -1);
		this.hold(u, -1);
		const { demands } = mode;
		for (let at = 0; at < demands.length; at += 1) {
			const demand = demands[at] as CompiledDemand;
			this.takeAll(demand, demand.view >= 0 ? demand.pools : (given?.[at] ?? []), start, -1);
		}
		const unit = this.load[u]?.unit ?? -1;
		const attended = this.attendedBy(u);
		this.stood[u] = start;
		this.firstStarts.drop(u, start);
		this.start[u] = -1;
		if (mode.portion) this.leave(u);
		this.mode[u] = -1;
		this.end[u] = -1;
		this.placed -= 1;
		return { task: u, mode: m, start, unit, given, attended };
	}

	/** What a task costs where it stands, with the lags that lead to it and, at the end of a chain, what ends it. */
	priceOf(u: number): number {
		const ends = this.model.components.ends[u] as readonly number[];
		let sum = this.priceAlone(u);
		for (let at = 0; at < ends.length; at += 1) sum += this.priceAlone(ends[at] as number);
		return sum;
	}

	private priceAlone(u: number): number {
		const { edges, into, prices } = this.model;
		let sum = 0;
		const own = prices[u] as readonly CompiledPrice[];
		const mode = this.mode[u] as number;
		if (mode >= 0) sum += this.modeAt(mode).price;
		for (let at = 0; at < own.length; at += 1)
			sum += priceAt(own[at] as CompiledPrice, this.start[u] as number, this.end[u] as number);
		const entering = into[u] as readonly number[];
		for (let at = 0; at < entering.length; at += 1) {
			const edge = edges[entering[at] as number] as CompiledEdge;
			const began = this.start[edge.before] as number;
			if (began < 0) continue;
			const window = this.windowOf(edge, this.mode[edge.before] as number, this.mode[u] as number);
			const anchor = edge.fromStart ? began : (this.end[edge.before] as number);
			if (window) sum += priceOfLag(window, (this.start[u] as number) - anchor);
		}
		return sum;
	}

	/** The pools that gave what a task needs, where there was a choice. */
	givenTo(u: number): Stand['given'] {
		return this.given[u] ?? null;
	}

	putBack(stand: Stand): void {
		const { task, mode, start, unit, given, attended } = stand;
		this.place(task, mode, start, unit, given, attended);
	}

	/** Who attends the load of a task. */
	attendedBy(u: number): Stand['attended'] {
		const load = this.load[u];
		if (!load) return null;
		// Where nobody could be chosen there is nothing to remember.
		const on = this.model.batch[
			this.model.unitMachine[load.unit] as number
		] as CompiledBatchMachine;
		return on.choosable ? load.given.map((pools) => [...pools]) : null;
	}

	private takeAll(
		demand: CompiledDemand,
		pools: readonly number[],
		anchor: number,
		sign: number
	): void {
		const from = anchor + demand.from;
		const to = anchor + demand.to;
		if (demand.view >= 0) {
			this.pools.take(pools[0] as number, from, to, sign * demand.amount);
			return;
		}
		for (let at = 0; at < pools.length; at += 1)
			this.pools.take(pools[at] as number, from, to, sign);
	}

	private price(u: number, sign: number): void {
		const prices = this.model.prices[u] as readonly CompiledPrice[];
		this.priced += sign * this.modeAt(this.mode[u] as number).price;
		for (let at = 0; at < prices.length; at += 1)
			this.priced +=
				sign * priceAt(prices[at] as CompiledPrice, this.start[u] as number, this.end[u] as number);
	}

	/** Takes or gives back what the lags of a task to its placed neighbours hold and cost. */
	private hold(u: number, sign: number): void {
		const { edges, out, into } = this.model;
		const leaving = out[u] as readonly number[];
		for (let at = 0; at < leaving.length; at += 1)
			this.holdEdge(edges[leaving[at] as number] as CompiledEdge, sign);
		const entering = into[u] as readonly number[];
		for (let at = 0; at < entering.length; at += 1)
			this.holdEdge(edges[entering[at] as number] as CompiledEdge, sign);
	}

	private holdEdge(edge: CompiledEdge, sign: number): void {
		const to = this.start[edge.after] as number;
		const began = this.start[edge.before] as number;
		if (to < 0 || began < 0) return;
		const window = this.windowOf(
			edge,
			this.mode[edge.before] as number,
			this.mode[edge.after] as number
		);
		if (!window) {
			this.broken += sign;
			return;
		}
		const from = edge.fromStart ? began : (this.end[edge.before] as number);
		const price = priceOfLag(window, to - from);
		if (price >= NEVER) this.broken += sign;
		else this.priced += sign * price;
		for (let at = 0; at < window.holds.length; at += 1) {
			const { pool, amount } = window.holds[at] as CompiledWindow['holds'][number];
			this.pools.take(pool, from, to, sign * amount);
		}
	}

	private join(
		u: number,
		portion: CompiledPortion,
		start: number,
		unit: number,
		attended: Stand['attended']
	): void {
		const machineAt = this.model.unitMachine[unit] as number;
		const on = this.model.batch[machineAt];
		if (!on) throw new Error('a portion stands on no unit');
		const { loading, unloading } = on.machine;
		const known = this.loads.at(unit, start);
		if (known) {
			known.members.push(u);
			known.size += portion.size;
			Object.assign(known, withPortion(known, portion));
			this.loads.touch(known);
			this.load[u] = known;
			this.end[u] = known.end;
			if (portion.length > known.longest) this.endLoadAt(known, portion.length, u);
			return;
		}
		const end = start + loading + portion.length + unloading;
		const load = loadOf(unit, start, end, portion.size, portion.range, portion.length, [u]);
		on.attended.forEach(({ demand, ofEnd }, at) => {
			const anchor = ofEnd ? end : start;
			const before = attended?.[at] ?? [];
			const pools =
				demand.view >= 0
					? [...demand.pools]
					: before.length === demand.amount && before.every((pool) => demand.pools.includes(pool))
						? [...before]
						: this.pools.choose(demand, anchor);
			load.given.push(pools);
			this.takeAll(demand, pools, anchor, 1);
		});
		this.loads.add(load);
		this.load[u] = load;
		this.end[u] = end;
	}

	private leave(u: number): void {
		const load = this.load[u];
		if (!load) return;
		this.load[u] = null;
		load.members.splice(load.members.indexOf(u), 1);
		if (load.members.length === 0) {
			const on = this.model.batch[this.model.unitMachine[load.unit] as number];
			on?.attended.forEach(({ demand, ofEnd }, at) =>
				this.takeAll(demand, load.given[at] ?? [], ofEnd ? load.end : load.start, -1)
			);
			this.broken -= load.unattended;
			this.loads.drop(load);
			return;
		}
		load.size = 0;
		let range: LevelRange | null = null;
		let longest = 0;
		for (const other of load.members) {
			const portion = this.portionOf(other);
			load.size += portion.size;
			range = withPortion(range, portion);
			longest = Math.max(longest, portion.length);
		}
		Object.assign(load, range);
		this.loads.touch(load);
		if (longest < load.longest) this.endLoadAt(load, longest, -1);
	}

	/** A load became longer or shorter: what counts from its end goes with it. */
	private endLoadAt(load: Load, longest: number, newcomer: number): void {
		const on = this.model.batch[this.model.unitMachine[load.unit] as number];
		const end = load.end + longest - load.longest;
		this.broken -= load.unattended;
		load.unattended = 0;
		on?.attended.forEach(({ demand, ofEnd }, at) => {
			if (!ofEnd) return;
			this.takeAll(demand, load.given[at] ?? [], load.end, -1);
			// Who attends the new end need not be who was free at the old one, and it may be nobody.
			const met = this.pools.meets(demand, end);
			const before = load.given[at] ?? [];
			const pools = !met
				? []
				: demand.view >= 0
					? [...demand.pools]
					: this.pools.areFree(demand, before, end)
						? before
						: this.pools.choose(demand, end);
			this.takeAll(demand, pools, end, 1);
			load.given[at] = pools;
			if (!met) load.unattended += 1;
		});
		this.broken += load.unattended;
		for (const u of load.members) {
			// The newcomer's own lags and prices are taken up when it stands.
			if (u === newcomer) {
				this.end[u] = end;
				continue;
			}
			this.price(u, -1);
			this.holdFromEnd(u, -1);
			this.end[u] = end;
			this.price(u, 1);
			this.holdFromEnd(u, 1);
		}
		load.end = end;
		load.longest = longest;
		this.loads.touch(load);
	}

	private holdFromEnd(u: number, sign: number): void {
		for (const e of this.model.out[u] as readonly number[]) {
			const edge = this.model.edges[e] as CompiledEdge;
			if (!edge.fromStart) this.holdEdge(edge, sign);
		}
	}
}
