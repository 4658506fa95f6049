import type { BatchRows } from './batch-rows.ts';
import {
	NEVER,
	type Compiled,
	type CompiledEdge,
	type CompiledMode,
	type CompiledPrice
} from './compiled.ts';
import type { Row } from '../kernel/row.ts';
import type { Messages } from './messages.ts';
import type { OwnRows } from './own-rows.ts';
import { priceAt } from './prices.ts';
import type { State } from './state.ts';

/** Fills the rows of a task's modes: what it costs by itself, on its machine, and with what hangs from it. */
export class ModeRows {
	/** By mode and start, the price; NEVER where it cannot. */
	readonly rows: readonly Row[];
	/** By mode of a portion and start, the unit it would go to. */
	readonly units: readonly (Row | null)[];
	/** Of the starts that were looked at last, the first and the last that cost no more than the cutoff. */
	first = 0;
	last = -1;
	/** The starts of the mode that is looked at. */
	private from = 0;
	private to = 0;
	/** A task that must not start within these; -1 for none. */
	private barred = -1;
	private barredFrom = 0;
	private barredTo = -1;
	/** By the end of the portion that is looked at, what follows from it. */
	private readonly ends: Row;
	private readonly model: Compiled;

	constructor(
		private readonly state: State,
		private readonly own: OwnRows,
		private readonly batch: BatchRows,
		private readonly messages: Messages
	) {
		const { model } = state;
		this.model = model;
		const size = model.horizon + 1;
		this.ends = state.kernel.row(size);
		const { slots, count } = model.slots;
		const rows: Row[] = [];
		const units: Row[] = [];
		for (let slot = 0; slot < count; slot += 1) {
			rows.push(state.kernel.row(size));
			units.push(state.kernel.row(size));
		}
		const rowsOf: Row[] = [];
		const unitsOf: (Row | null)[] = [];
		for (let m = 0; m < slots.length; m += 1) {
			const slot = slots[m] as number;
			rowsOf.push(rows[slot] as Row);
			unitsOf.push(model.modes[m]?.portion ? (units[slot] as Row) : null);
		}
		this.rows = rowsOf;
		this.units = unitsOf;
	}

	bar(u: number, from: number, to: number): void {
		this.barred = u;
		this.barredFrom = from;
		this.barredTo = to;
	}

	/**
	 * Fills the rows of a task over [from, to]. `sum` is what hangs from it by its start plus `sumOff`; null where that is
	 * not the same for all its modes. What costs more than the cutoff is left out.
	 */
	fillAll(
		u: number,
		sum: Row | null,
		sumOff: number,
		from: number,
		to: number,
		cutoff: number
	): void {
		const { firstMode, modes } = this.model;
		const { kernel } = this.state;
		this.first = to + 1;
		this.last = from - 1;
		for (let m = firstMode[u] as number; m < (firstMode[u + 1] as number); m += 1) {
			const mode = modes[m] as CompiledMode;
			const row = this.rows[m] as Row;
			if (!mode.allowed) {
				kernel.fill(row, NEVER, from, to);
				continue;
			}
			if (mode.likeFirst && this.takeFirst(u, m, from, to)) continue;
			this.narrow(u, m, from, to);
			if (this.from > from) kernel.fill(row, NEVER, from, Math.min(this.from - 1, to));
			if (this.to < to) kernel.fill(row, NEVER, Math.max(this.to + 1, from), to);
			if (this.from > this.to) continue;
			const added = mode.portion === null ? sum : null;
			this.fill(u, m, added === null, this.from, this.to);
			if (u === this.barred) {
				const end = Math.min(this.to, this.barredTo);
				for (let t = Math.max(this.from, this.barredFrom); t <= end; t += 1) row[t] = NEVER;
			}
			// What hangs from it is added in the pass that leaves out what costs too much.
			if (added === null) this.keepWithin(row, cutoff);
			else this.addWithin(row, added, sumOff, cutoff);
		}
	}

	private keepWithin(row: Row, cutoff: number): void {
		const { from, to } = this;
		const { kernel } = this.state;
		kernel.keepWithin(row, from, to, cutoff);
		this.take(kernel.first, kernel.last);
	}

	private addWithin(row: Row, added: Row, off: number, cutoff: number): void {
		const { from, to } = this;
		const { kernel } = this.state;
		const reach = Math.min(to, this.model.horizon - off);
		kernel.addWithin(row, added, off, from, reach, cutoff);
		if (from <= reach) this.take(kernel.first, kernel.last);
		if (reach < to) kernel.fill(row, NEVER, Math.max(from, reach + 1), to);
	}

	/** What one mode may cost widens what all of them may; nothing where there is no start between. */
	private take(first: number, last: number): void {
		if (first > last) return;
		if (first < this.first) this.first = first;
		if (last > this.last) this.last = last;
	}

	/** The starts of a mode: its own lags to what stands narrow them further than those of all modes. */
	private narrow(u: number, m: number, from: number, to: number): void {
		const { model, state } = this;
		this.from = from;
		this.to = to;
		if ((model.firstMode[u + 1] as number) - (model.firstMode[u] as number) === 1) return;
		const into = model.into[u] as readonly number[];
		for (let at = 0; at < into.length; at += 1) {
			const edge = model.edges[into[at] as number] as CompiledEdge;
			const began = state.start[edge.before] as number;
			if (began < 0) continue;
			const window = state.windowOf(edge, state.mode[edge.before] as number, m);
			if (window === null) {
				this.to = from - 1;
				return;
			}
			const anchor = edge.fromStart ? began : (state.end[edge.before] as number);
			if (anchor + window.hardLeast > this.from) this.from = anchor + window.hardLeast;
			if (anchor + window.hardMost < this.to) this.to = anchor + window.hardMost;
		}
	}

	/**
	 * Takes over the row of a task's first mode where this one is the same portion: two ways to prove lead to one oven.
	 * False where a lag to what stands, or what hangs from it, tells them apart.
	 */
	private takeFirst(u: number, m: number, from: number, to: number): boolean {
		const { model, state } = this;
		const into = model.into[u] as readonly number[];
		for (let at = 0; at < into.length; at += 1) {
			const edge = model.edges[into[at] as number] as CompiledEdge;
			if (!edge.sameForAfter && (state.start[edge.before] as number) >= 0) return false;
		}
		const out = model.out[u] as readonly number[];
		for (let at = 0; at < out.length; at += 1)
			if (!(model.edges[out[at] as number] as CompiledEdge).sameForBefore) return false;
		const first = model.firstMode[u] as number;
		if (!(model.modes[first] as CompiledMode).allowed) return false;
		const row = this.rows[m] as Row;
		const other = this.rows[first] as Row;
		const units = this.units[m] as Row;
		const its = this.units[first] as Row;
		state.kernel.copy(row, other, from, to);
		state.kernel.copy(units, its, from, to);
		return true;
	}

	/** Fills a row, and for a portion the unit of each start; with what hangs from it where that is wanted at once. */
	private fill(u: number, m: number, hanging: boolean, from: number, to: number): void {
		const mode = this.model.modes[m] as CompiledMode;
		const row = this.rows[m] as Row;
		this.own.fill(u, m, mode, row, from, to);
		if (mode.portion) {
			const ends = this.afterEnd(u, m, mode, from, to);
			const units = this.units[m] as Row;
			this.batch.fill(u, mode.portion, row, units, ends, from, to);
			this.addMessages(u, m, row, from, to, 0, true);
			return;
		}
		if (hanging) this.addMessages(u, m, row, from, to, mode.length, false);
	}

	/** Adds what hangs from the task, by its start or, for lags from its end, by start plus length. */
	private addMessages(
		u: number,
		m: number,
		row: Row,
		from: number,
		to: number,
		length: number,
		startsOnly: boolean
	): void {
		const { components, edges, firstMode, horizon } = this.model;
		const children = components.children[u] as readonly number[];
		const followers = components.followers[u] as readonly number[];
		for (let at = 0; at < children.length + followers.length; at += 1) {
			const e = (at < children.length ? children[at] : followers[at - children.length]) as number;
			const edge = edges[e] as CompiledEdge;
			const after = edge.before === u;
			if ((this.state.start[after ? edge.after : edge.before] as number) >= 0) continue;
			if (startsOnly && after && !edge.fromStart) continue;
			const same = after ? edge.sameForBefore : edge.sameForAfter;
			const message = this.messages.of(e, same ? 0 : m - (firstMode[u] as number));
			const off = after && !edge.fromStart ? length : 0;
			for (let t = from; t <= to; t += 1) {
				if ((row[t] as number) >= NEVER) continue;
				const more = t + off > horizon ? NEVER : (message[t + off] as number);
				row[t] = more >= NEVER ? NEVER : (row[t] as number) + more;
			}
		}
	}

	/** By the end of a portion: its prices, the lags from it to what stands, and what hangs from it. */
	private afterEnd(u: number, m: number, mode: CompiledMode, from: number, to: number): Row {
		const { model, state, ends } = this;
		const low = from + mode.length;
		const high = Math.min(model.horizon, to + mode.length + (mode.portion?.tolerance ?? 0));
		if (low > high) return ends;
		const lone = this.loneMessage(u, m);
		if (lone !== null) return lone;
		state.kernel.fill(ends, 0, low, high);
		for (const price of model.prices[u] as readonly CompiledPrice[])
			if (!price.ofStart)
				for (let t = low; t <= high; t += 1)
					ends[t] = Math.min(NEVER, (ends[t] as number) + priceAt(price, t, t));
		const out = model.out[u] as readonly number[];
		for (let at = 0; at < out.length; at += 1) {
			const e = out[at] as number;
			const edge = model.edges[e] as CompiledEdge;
			if (edge.fromStart) continue;
			const start = state.start[edge.after] as number;
			if (start >= 0) {
				const window = state.windowOf(edge, m, state.mode[edge.after] as number);
				this.own.addFollowing(window, ends, low, high, 0, start);
				continue;
			}
			if (!model.components.hangs[e]) continue;
			const message = this.messages.of(
				e,
				edge.sameForBefore ? 0 : m - (model.firstMode[u] as number)
			);
			for (let t = low; t <= high; t += 1)
				ends[t] = Math.min(NEVER, (ends[t] as number) + (message[t] as number));
		}
		return ends;
	}

	/** What follows from the end of a portion where that is one branch alone, and nothing else counts from there. */
	private loneMessage(u: number, m: number): Row | null {
		const { model, state } = this;
		const prices = model.prices[u] as readonly CompiledPrice[];
		for (let at = 0; at < prices.length; at += 1)
			if (!(prices[at] as CompiledPrice).ofStart) return null;
		const out = model.out[u] as readonly number[];
		if (out.length !== 1) return null;
		const e = out[0] as number;
		const edge = model.edges[e] as CompiledEdge;
		if (edge.fromStart || !model.components.hangs[e] || (state.start[edge.after] as number) >= 0)
			return null;
		return this.messages.of(e, edge.sameForBefore ? 0 : m - (model.firstMode[u] as number));
	}
}
