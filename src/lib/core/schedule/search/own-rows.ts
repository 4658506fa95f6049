import {
	NEVER,
	type CompiledDemand,
	type CompiledEdge,
	type CompiledMode,
	type CompiledPrice,
	type CompiledWindow
} from './compiled.ts';
import type { Changeovers } from './changeovers.ts';
import { markMet } from './mark-met.ts';
import { priceOfLag } from './prices.ts';
import type { State } from './state.ts';

/** What a task costs by its start on its own account: its demands, its prices, its lags to what stands. */
export class OwnRows {
	/** By mode and start, the prices that depend on nothing else; for a portion those of its start. */
	readonly fixed: readonly Int32Array[];
	private readonly none: Int32Array;
	/** By start, whether a demand of the row that is filled is met. */
	private readonly met: Uint8Array;

	constructor(private readonly state: State) {
		const { model } = state;
		// Most tasks have no price of their own: they share one row, since a large day has hundreds.
		const free = new Int32Array(model.horizon + 1);
		this.none = free;
		this.met = new Uint8Array(model.horizon + 1);
		const fixed: Int32Array[] = [];
		for (const mode of model.modes) fixed.push(this.isFree(mode) ? free : this.fixedRow(mode));
		this.fixed = fixed;
	}

	private isFree(mode: CompiledMode): boolean {
		if (mode.price !== 0) return false;
		for (const price of this.state.model.prices[mode.task] as readonly CompiledPrice[])
			if (price.ofStart || !mode.portion) return false;
		for (const { plenty } of mode.demands) if (plenty) return false;
		return true;
	}

	private fixedRow(mode: CompiledMode): Int32Array {
		const { state } = this;
		const { model } = state;
		const row = new Int32Array(model.horizon + 1).fill(mode.price);
		for (const price of model.prices[mode.task] as readonly CompiledPrice[])
			if (price.ofStart || !mode.portion) addPrice(row, price, mode.length);
		for (const demand of mode.demands)
			if (demand.plenty)
				for (let t = 0; t < row.length; t += 1) if (!state.meets(demand, t)) row[t] = NEVER;
		return row;
	}

	/** The same for a task of one mode, which it cannot cost less than; null for one of several. */
	fixedOf(u: number): Int32Array | null {
		const { firstMode } = this.state.model;
		const first = firstMode[u] as number;
		return (firstMode[u + 1] as number) - first === 1 ? (this.fixed[first] as Int32Array) : null;
	}

	/** Fills a row over [from, to]; for a portion everything that does not depend on its end. */
	fill(u: number, m: number, mode: CompiledMode, row: Int32Array, from: number, to: number): void {
		const { state } = this;
		const { model } = state;
		const { demands, length } = mode;
		const last = Math.min(to, model.horizon - length);
		if (last < from) {
			row.fill(NEVER, from, to + 1);
			return;
		}
		const fixed = this.fixed[m] as Int32Array;
		if (fixed === this.none) row.fill(0, from, last + 1);
		else for (let t = from; t <= last; t += 1) row[t] = fixed[t] as number;
		if (last < to) row.fill(NEVER, last + 1, to + 1);
		for (let at = 0; at < demands.length; at += 1)
			if (!(demands[at] as CompiledDemand).plenty)
				this.keepDemand(demands[at] as CompiledDemand, row, from, last);
		if (mode.machine >= 0) this.keepChangeovers(mode, row, from, last);
		const into = model.into[u] as readonly number[];
		for (let at = 0; at < into.length; at += 1) {
			const edge = model.edges[into[at] as number] as CompiledEdge;
			const began = state.start[edge.before] as number;
			if (began < 0) continue;
			const window = state.windowOf(edge, state.mode[edge.before] as number, m);
			const anchor = edge.fromStart ? began : (state.end[edge.before] as number);
			this.addPreceding(window, row, from, last, anchor);
		}
		const out = model.out[u] as readonly number[];
		for (let at = 0; at < out.length; at += 1) {
			const edge = model.edges[out[at] as number] as CompiledEdge;
			const start = state.start[edge.after] as number;
			if (start < 0 || (mode.portion && !edge.fromStart)) continue;
			const window = state.windowOf(edge, m, state.mode[edge.after] as number);
			this.addFollowing(window, row, from, last, edge.fromStart ? 0 : length, start);
		}
	}

	/** Adds the price of a lag that began at `anchor` and ends at the row's start. */
	private addPreceding(
		window: CompiledWindow | null,
		row: Int32Array,
		from: number,
		to: number,
		anchor: number
	): void {
		if (!window) {
			row.fill(NEVER, from, to + 1);
			return;
		}
		let until = to;
		for (let at = 0; at < window.holds.length; at += 1) {
			const view = (window.holds[at] as CompiledWindow['holds'][number]).view;
			const free = this.state.pools.view(view)[anchor < 0 ? 0 : anchor] as number;
			if (free < until) until = free;
		}
		for (let t = from; t <= to; t += 1) {
			const price = t > until && t > anchor ? NEVER : priceOfLag(window, t - anchor);
			row[t] = price >= NEVER ? NEVER : Math.min(NEVER, (row[t] as number) + price);
		}
	}

	/** Adds the price of a lag that begins at the row's time plus `offset` and ends at `start`. */
	addFollowing(
		window: CompiledWindow | null,
		row: Int32Array,
		from: number,
		to: number,
		offset: number,
		start: number
	): void {
		if (!window) {
			row.fill(NEVER, from, to + 1);
			return;
		}
		for (let t = from; t <= to; t += 1) {
			const price = priceOfLag(window, start - offset - t);
			row[t] = price >= NEVER ? NEVER : Math.min(NEVER, (row[t] as number) + price);
		}
		for (const { view } of window.holds) {
			const blocked = this.state.pools.view(view);
			for (let t = from; t <= to && t + offset < start; t += 1)
				if (t + offset < 0 || (blocked[t + offset] as number) < start) row[t] = NEVER;
		}
	}

	private keepDemand(demand: CompiledDemand, row: Int32Array, from: number, to: number): void {
		const { met, state } = this;
		if (demand.view < 0) {
			markMet(state, demand, 0, met, from, to);
			for (let t = from; t <= to; t += 1) if (met[t] === 0) row[t] = NEVER;
			return;
		}
		const blocked = state.pools.view(demand.view);
		const { horizon } = state.model;
		const begin = demand.from;
		const end = demand.to;
		// Free from the first moment to the last: as most places are, most of the time.
		if (from + begin >= 0 && to + end <= horizon && (blocked[from + begin] as number) >= to + end)
			return;
		for (let t = from; t <= to; t += 1)
			if (t + begin < 0 || t + end > horizon || (blocked[t + begin] as number) < t + end)
				row[t] = NEVER;
	}

	/** Forbids starts too close to what stands on the machine and is of another family. */
	private keepChangeovers(mode: CompiledMode, row: Int32Array, from: number, to: number): void {
		const { state } = this;
		const changeovers = state.model.changing[mode.machine] as Changeovers;
		for (let other = 0; other < state.model.tasks; other += 1) {
			const start = state.start[other] as number;
			if (start < 0) continue;
			const its = state.modeAt(state.mode[other] as number);
			if (its.machine !== mode.machine) continue;
			const after = (state.end[other] as number) + changeovers.between(its.family, mode.family);
			const before = start - mode.length - changeovers.between(mode.family, its.family);
			for (let t = Math.max(from, before + 1); t < after && t <= to; t += 1) row[t] = NEVER;
		}
	}
}

/** Adds what a task of a length costs by its start, as `priceAt` has it. */
function addPrice(row: Int32Array, price: CompiledPrice, length: number): void {
	const { early, late, away } = price;
	const exact = price.ofStart ? price.at : price.at - length;
	for (let t = 0; t < row.length && t < exact; t += 1)
		row[t] = Math.min(NEVER, (row[t] as number) + away + early * (exact - t));
	for (let t = Math.max(0, exact + 1); t < row.length; t += 1)
		row[t] = Math.min(NEVER, (row[t] as number) + away + late * (t - exact));
}
