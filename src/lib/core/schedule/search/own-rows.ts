import {
	NEVER,
	type CompiledDemand,
	type CompiledEdge,
	type CompiledMode,
	type CompiledPrice,
	type CompiledWindow
} from './compiled.ts';
import type { Row } from '../kernel/row.ts';
import type { Changeovers } from './changeovers.ts';
import { markMet } from './mark-met.ts';
import { isFree } from './prices.ts';
import type { State } from './state.ts';

/** What a task costs by its start on its own account: its demands, its prices, its lags to what stands. */
export class OwnRows {
	/** By mode and start, the prices that depend on nothing else; for a portion those of its start. */
	readonly fixed: readonly Row[];
	private readonly none: Row;
	/** By start, -1 where a demand of the row that is filled is met. */
	private readonly met: Row;

	constructor(private readonly state: State) {
		const { model } = state;
		// Most tasks have no price of their own: they share one row, since a large day has hundreds.
		this.none = state.kernel.row(model.horizon + 1);
		this.met = state.kernel.row(model.horizon + 1);
		this.fixed = this.fixedRows();
	}

	private fixedRows(): Row[] {
		const { model } = this.state;
		const rows: Row[] = [];
		for (const mode of model.modes)
			rows.push(isFree(model, mode) ? this.none : this.fixedRow(mode));
		return rows;
	}

	private fixedRow(mode: CompiledMode): Row {
		const { state } = this;
		const { model } = state;
		const row = state.kernel.row(model.horizon + 1);
		row.fill(mode.price);
		for (const price of model.prices[mode.task] as readonly CompiledPrice[])
			if (price.ofStart || !mode.portion) addPrice(row, price, mode.length);
		for (const demand of mode.demands)
			if (demand.plenty)
				for (let t = 0; t < row.length; t += 1) if (!state.pools.meets(demand, t)) row[t] = NEVER;
		return row;
	}

	/** The same for a task of one mode, which it cannot cost less than; null for one of several. */
	fixedOf(u: number): Row | null {
		const { firstMode } = this.state.model;
		const first = firstMode[u] as number;
		return (firstMode[u + 1] as number) - first === 1 ? (this.fixed[first] as Row) : null;
	}

	/** Fills a row over [from, to]; for a portion everything that does not depend on its end. */
	fill(u: number, m: number, mode: CompiledMode, row: Row, from: number, to: number): void {
		const { state } = this;
		const { kernel, model } = state;
		const { demands, length } = mode;
		const last = Math.min(to, model.horizon - length);
		if (last < from) {
			kernel.fill(row, NEVER, from, to);
			return;
		}
		const fixed = this.fixed[m] as Row;
		if (fixed === this.none) kernel.fill(row, 0, from, last);
		else kernel.copy(row, fixed, from, last);
		if (last < to) kernel.fill(row, NEVER, last + 1, to);
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
		row: Row,
		from: number,
		to: number,
		anchor: number
	): void {
		if (!window) {
			this.state.kernel.fill(row, NEVER, from, to);
			return;
		}
		let until = to;
		for (let at = 0; at < window.holds.length; at += 1) {
			const view = (window.holds[at] as CompiledWindow['holds'][number]).view;
			const free = this.state.pools.view(view)[anchor < 0 ? 0 : anchor] as number;
			if (free < until) until = free;
		}
		this.state.kernel.addLagSince(row, from, to, anchor, until, window);
	}

	/** Adds the price of a lag that begins at the row's time plus `offset` and ends at `start`. */
	addFollowing(
		window: CompiledWindow | null,
		row: Row,
		from: number,
		to: number,
		offset: number,
		start: number
	): void {
		if (!window) {
			this.state.kernel.fill(row, NEVER, from, to);
			return;
		}
		this.state.kernel.addLagUntil(row, from, to, start - offset, window);
		for (const { view } of window.holds) {
			const blocked = this.state.pools.view(view);
			for (let t = from; t <= to && t + offset < start; t += 1)
				if (t + offset < 0 || (blocked[t + offset] as number) < start) row[t] = NEVER;
		}
	}

	private keepDemand(demand: CompiledDemand, row: Row, from: number, to: number): void {
		const { met, state } = this;
		const { kernel, pools } = state;
		if (demand.view < 0) {
			markMet(state, demand, 0, met, from, to);
			kernel.keepMarked(row, met, from, to);
			return;
		}
		const blocked = pools.view(demand.view);
		const { horizon } = state.model;
		const begin = demand.from;
		const end = demand.to;
		// Free from the first moment to the last: as most places are, most of the time.
		if (from + begin >= 0 && to + end <= horizon && (blocked[from + begin] as number) >= to + end)
			return;
		const first = Math.max(from, -begin);
		const last = Math.min(to, horizon - end);
		if (from < first) kernel.fill(row, NEVER, from, Math.min(to, first - 1));
		if (last < to) kernel.fill(row, NEVER, Math.max(from, last + 1), to);
		kernel.keepFree(row, blocked, begin, end, first, last);
	}

	/** Forbids starts too close to what stands on the machine and is of another family. */
	private keepChangeovers(mode: CompiledMode, row: Row, from: number, to: number): void {
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
function addPrice(row: Row, price: CompiledPrice, length: number): void {
	const { early, late, away } = price;
	const exact = price.ofStart ? price.at : price.at - length;
	for (let t = 0; t < row.length && t < exact; t += 1)
		row[t] = Math.min(NEVER, (row[t] as number) + away + early * (exact - t));
	for (let t = Math.max(0, exact + 1); t < row.length; t += 1)
		row[t] = Math.min(NEVER, (row[t] as number) + away + late * (t - exact));
}
