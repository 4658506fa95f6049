import { BatchRows } from './batch-rows.ts';
import { DayBeginning } from './day-beginning.ts';
import {
	NEVER,
	type Compiled,
	type CompiledEdge,
	type CompiledMode,
	type CompiledPrice,
	type CompiledWindow
} from './compiled.ts';
import { priceAt } from './prices.ts';
import { OwnRows } from './own-rows.ts';
import type { State } from './state.ts';
import { WindowPass } from './window-pass.ts';

/**
 * What it costs to start a task at each time, with all that hangs from it and does not stand yet, against what stands.
 *
 * Model: dynamic programming from the leaves of the tree to its top, over all times at once. Within the tree, tasks
 * do not see each other's claims on pools and loads (each is held against what stands), so a value is a lower bound
 * and is made good when the tasks are placed one by one. The price of the first start of the day is counted once along
 * a chain. Source: our own; the sliding windows are the monotone-queue minimum.
 */
export class Values {
	/** By mode and start, the price; NEVER where it cannot. Valid within [low, high] of its task. */
	readonly rows: Int32Array[];
	/** By task, the starts that were looked at. */
	readonly low: Int32Array;
	readonly high: Int32Array;
	/** By mode of a portion and start, the unit it would go to. */
	readonly units: (Int16Array | null)[];
	/** By start, what the day's beginning there would cost more than it does. */
	readonly early: Int32Array;
	readonly beginning: DayBeginning;
	private readonly messages: (Int32Array | null)[][];
	private readonly pass: WindowPass;
	readonly batch: BatchRows;
	private readonly own: OwnRows;
	/** By the end of the portion that is looked at, what follows from it. */
	private readonly ends: Int32Array;
	/** The starts of the task whose children are looked at, narrowed by each. */
	private from = 0;
	private to = 0;
	private readonly model: Compiled;
	/** How far from where it last stood a task is looked at; followers may go further. */
	radius = NEVER;
	/** A task that must not start within these, so that a move is one; -1 for none. */
	barred = -1;
	barredFrom = 0;
	barredTo = -1;
	/** By task, the least that it and what hangs from it can ever cost. */
	readonly least: Int32Array;
	/** By task, a start at which that is so. */
	readonly wished: Int32Array;
	/** By task and start, the least that it and what hangs from it can cost when it starts there; none until learned. */
	readonly leastAt: (Int32Array | null)[];

	constructor(readonly state: State) {
		const { model } = state;
		this.model = model;
		const size = model.horizon + 1;
		// One stretch of memory for all: hundreds of small ones take milliseconds to get.
		const all = new Int32Array(size * model.modes.length);
		this.rows = model.modes.map((_, m) => all.subarray(m * size, (m + 1) * size));
		this.units = model.modes.map((mode) => (mode.portion ? new Int16Array(size) : null));
		this.low = new Int32Array(model.tasks);
		this.high = new Int32Array(model.tasks);
		this.beginning = new DayBeginning(state);
		this.early = this.beginning.early;
		this.least = new Int32Array(model.tasks);
		this.wished = new Int32Array(model.tasks);
		this.leastAt = Array.from({ length: model.tasks }, () => null);
		this.messages = model.edges.map(() => []);
		this.pass = new WindowPass(model.horizon, state.pools);
		this.batch = new BatchRows(state);
		this.own = new OwnRows(state);
		this.ends = new Int32Array(size);
	}

	/** The price of a start with the day's beginning in it. */
	priceOf(m: number, start: number): number {
		return ((this.rows[m] as Int32Array)[start] as number) + (this.early[start] as number);
	}

	/**
	 * Works out the rows of a task and of all that hangs from it, for starts within [low, high]. What costs more than
	 * the cutoff is left out: it is not worth a look.
	 */
	lookAt(u: number, low: number, high: number, cutoff: number): void {
		const { model, state } = this;
		const { edges, firstMode, modes } = model;
		let from = Math.max(low, model.earliest[u] as number);
		let to = Math.min(high, model.latest[u] as number, model.horizon);
		const stood = state.stood[u] as number;
		if (this.radius < NEVER && stood >= 0 && !(model.components.alone[u] as number)) {
			from = Math.max(from, stood - this.radius);
			to = Math.min(to, stood + this.radius);
		}
		const firstOf = firstMode[u] as number;
		const lastOf = firstMode[u + 1] as number;
		let shortest = NEVER;
		let longest = 0;
		for (let m = firstOf; m < lastOf; m += 1) {
			const mode = modes[m] as CompiledMode;
			if (!mode.allowed) continue;
			if (mode.length < shortest) shortest = mode.length;
			const stretch = mode.portion ? mode.portion.tolerance : 0;
			if (mode.length + stretch > longest) longest = mode.length + stretch;
		}
		// Neighbours that stand narrow the starts.
		const into = model.into[u] as readonly number[];
		for (let at = 0; at < into.length; at += 1) {
			const edge = edges[into[at] as number] as CompiledEdge;
			const began = state.start[edge.before] as number;
			if (began < 0) continue;
			const anchor = edge.fromStart ? began : (state.end[edge.before] as number);
			if (anchor + edge.leastOfAll > from) from = anchor + edge.leastOfAll;
			if (anchor + edge.mostOfAll < to) to = anchor + edge.mostOfAll;
		}
		const out = model.out[u] as readonly number[];
		for (let at = 0; at < out.length; at += 1) {
			const edge = edges[out[at] as number] as CompiledEdge;
			const start = state.start[edge.after] as number;
			if (start < 0) continue;
			const least = edge.fromStart ? 0 : shortest;
			const most = edge.fromStart ? 0 : longest;
			if (start - edge.leastOfAll - least < to) to = start - edge.leastOfAll - least;
			if (start - edge.mostOfAll - most > from) from = start - edge.mostOfAll - most;
		}
		const bound = this.nothingHangs(u)
			? (this.leastAt[u] ?? this.own.fixedOf(u))
			: this.own.fixedOf(u);
		if (bound !== null) {
			while (from <= to && (bound[from] as number) > cutoff) from += 1;
			while (to >= from && (bound[to] as number) > cutoff) to -= 1;
		}
		this.low[u] = from;
		this.high[u] = to;
		if (from > to || shortest >= NEVER) {
			this.high[u] = from - 1;
			return;
		}
		const { components } = model;
		const children = components.children[u] as readonly number[];
		const followers = components.followers[u] as readonly number[];
		this.from = from;
		this.to = to;
		const rest = cutoff - this.leastOfWaiting(u);
		for (let at = 0; at < children.length && this.from <= this.to; at += 1) {
			const e = children[at] as number;
			const edge = edges[e] as CompiledEdge;
			if (edge.before === u) this.lookForward(e, edge, edge.after, shortest, longest, rest);
			else this.lookBack(e, edge, rest);
		}
		for (let at = 0; at < followers.length && this.from <= this.to; at += 1) {
			const e = followers[at] as number;
			const edge = edges[e] as CompiledEdge;
			this.lookForward(e, edge, edge.after, shortest, longest, rest);
		}
		from = this.from;
		to = this.to;
		if (from > to) {
			this.high[u] = from - 1;
			this.low[u] = from;
			return;
		}
		let low2 = to + 1;
		let high2 = from - 1;
		for (let m = firstOf; m < lastOf; m += 1) {
			const mode = modes[m] as CompiledMode;
			const row = this.rows[m] as Int32Array;
			if (!mode.allowed) {
				row.fill(NEVER, from, to + 1);
				continue;
			}
			this.fillRow(u, m, mode, from, to);
			if (u === this.barred)
				for (let t = Math.max(from, this.barredFrom); t <= to && t <= this.barredTo; t += 1)
					row[t] = NEVER;
			for (let t = from; t <= to; t += 1) {
				const price = row[t] as number;
				if (price >= NEVER) continue;
				if (price > cutoff) {
					row[t] = NEVER;
					continue;
				}
				if (t < low2) low2 = t;
				if (t > high2) high2 = t;
			}
		}
		this.low[u] = low2;
		this.high[u] = high2;
	}

	/** True where nothing that hangs from a task stands. */
	private nothingHangs(u: number): boolean {
		const { components, edges } = this.model;
		for (const list of [components.children[u], components.followers[u]] as number[][])
			for (let at = 0; at < list.length; at += 1) {
				const edge = edges[list[at] as number] as CompiledEdge;
				const other = edge.before === u ? edge.after : edge.before;
				if ((this.state.start[other] as number) >= 0) return false;
			}
		return true;
	}

	/** The least that all which hangs from a task and does not stand yet will cost. */
	leastOfWaiting(u: number): number {
		const { components, edges } = this.model;
		const { start } = this.state;
		let sum = 0;
		const children = components.children[u] as readonly number[];
		for (let at = 0; at < children.length; at += 1) {
			const edge = edges[children[at] as number] as CompiledEdge;
			const child = edge.before === u ? edge.after : edge.before;
			if ((start[child] as number) < 0) sum += this.least[child] as number;
		}
		const followers = components.followers[u] as readonly number[];
		for (let at = 0; at < followers.length; at += 1) {
			const { after } = edges[followers[at] as number] as CompiledEdge;
			if ((start[after] as number) < 0) sum += this.least[after] as number;
		}
		return sum;
	}

	/** A child that comes after: its rows, and by the end (or start) of its parent the least they come to. */
	private lookForward(
		e: number,
		edge: CompiledEdge,
		child: number,
		shortest: number,
		longest: number,
		rest: number
	): void {
		const { model, from, to } = this;
		if ((this.state.start[child] as number) >= 0) return;
		const off = edge.fromStart ? 0 : 1;
		const low = from + off * shortest;
		const high = Math.min(model.horizon, to + off * longest);
		this.lookAt(
			child,
			low + edge.leastOfAll,
			high + edge.mostOfAll,
			rest + (this.least[child] as number)
		);
		const first = this.low[child] as number;
		const last = this.high[child] as number;
		// The child's starts narrow its parent's.
		const alow = Math.max(low, first - edge.mostOfAll);
		const ahigh = first > last ? -1 : Math.min(high, last - edge.leastOfAll);
		this.from = Math.max(from, alow - off * longest);
		this.to = Math.min(to, ahigh - off * shortest);
		if (this.from > this.to) return;
		// A parent before the floor lets the child begin the day; one after it has begun it.
		const split = this.beginning.floor + off * shortest;
		const parentModes = model.firstMode[edge.before] as number;
		const rows = edge.sameForBefore
			? 1
			: (model.firstMode[edge.before + 1] as number) - parentModes;
		const childModes = model.firstMode[child] as number;
		for (let row = 0; row < rows; row += 1) {
			const message = this.messageOf(e, row);
			message.fill(NEVER, low, high + 1);
			for (let column = 0; column < edge.afterModes; column += 1) {
				const window = edge.table[row * edge.afterModes + column] as CompiledWindow | null;
				const mode = model.modes[childModes + column] as CompiledMode;
				if (!window || !mode.allowed) continue;
				const value = this.rows[childModes + column] as Int32Array;
				const { early } = this;
				if (last < this.beginning.floor || alow >= split)
					this.pass.forward(window, value, null, first, last, message, alow, ahigh);
				else {
					const parted = Math.min(ahigh, split - 1);
					this.pass.forward(window, value, early, first, last, message, alow, parted);
					if (ahigh >= split)
						this.pass.forward(window, value, null, first, last, message, split, ahigh);
				}
			}
		}
	}

	/** A child that comes before its parent in time: by the start of the parent the least its rows come to. */
	private lookBack(e: number, edge: CompiledEdge, rest: number): void {
		const { model, from, to } = this;
		const child = edge.before;
		if ((this.state.start[child] as number) >= 0) return;
		let shortest = NEVER;
		let longest = 0;
		const firstOf = model.firstMode[child] as number;
		const lastOf = model.firstMode[child + 1] as number;
		for (let m = firstOf; m < lastOf; m += 1) {
			const mode = model.modes[m] as CompiledMode;
			if (!mode.allowed) continue;
			shortest = Math.min(shortest, mode.length);
			longest = Math.max(longest, mode.length + (mode.portion ? mode.portion.tolerance : 0));
		}
		const off = edge.fromStart ? 0 : 1;
		this.lookAt(
			child,
			from - edge.mostOfAll - off * longest,
			to - edge.leastOfAll - off * shortest,
			rest + (this.least[child] as number)
		);
		const first = this.low[child] as number;
		const last = this.high[child] as number;
		this.from = first > last ? to + 1 : from;
		this.to = to;
		const rows = edge.sameForAfter ? 1 : edge.afterModes;
		for (let row = 0; row < rows; row += 1) {
			const message = this.messageOf(e, row);
			message.fill(NEVER, from, to + 1);
			for (let m = firstOf; m < lastOf; m += 1) {
				const mode = model.modes[m] as CompiledMode;
				const window = edge.table[(m - firstOf) * edge.afterModes + row];
				if (!window || !mode.allowed) continue;
				const value = this.rows[m] as Int32Array;
				this.pass.backward(window, value, first, last, off * mode.length, message, from, to);
			}
		}
	}

	private messageOf(e: number, row: number): Int32Array {
		const rows = this.messages[e] as (Int32Array | null)[];
		return (rows[row] ??= new Int32Array(this.model.horizon + 1));
	}

	private fillRow(u: number, m: number, mode: CompiledMode, from: number, to: number): void {
		const row = this.rows[m] as Int32Array;
		this.own.fill(u, m, mode, row, from, to);
		if (mode.portion) {
			this.afterEnd(u, m, mode, from, to);
			const units = this.units[m] as Int16Array;
			this.batch.fill(u, mode.portion, row, units, this.ends, from, to);
			this.addMessages(u, m, row, from, to, 0, true);
			return;
		}
		this.addMessages(u, m, row, from, to, mode.length, false);
	}

	/** Adds what hangs from the task, by its start or, for lags from its end, by start plus length. */
	private addMessages(
		u: number,
		m: number,
		row: Int32Array,
		from: number,
		to: number,
		length: number,
		startsOnly: boolean
	): void {
		const { components, edges, firstMode, horizon } = this.model;
		for (const list of [components.children[u], components.followers[u]] as number[][])
			for (let at = 0; at < list.length; at += 1) {
				const e = list[at] as number;
				const edge = edges[e] as CompiledEdge;
				const after = edge.before === u;
				if ((this.state.start[after ? edge.after : edge.before] as number) >= 0) continue;
				if (startsOnly && after && !edge.fromStart) continue;
				const same = after ? edge.sameForBefore : edge.sameForAfter;
				const message = this.messageOf(e, same ? 0 : m - (firstMode[u] as number));
				const off = after && !edge.fromStart ? length : 0;
				for (let t = from; t <= to; t += 1) {
					if ((row[t] as number) >= NEVER) continue;
					const more = t + off > horizon ? NEVER : (message[t + off] as number);
					row[t] = more >= NEVER ? NEVER : (row[t] as number) + more;
				}
			}
	}

	/** By the end of a portion: its prices, the lags from it to what stands, and what hangs from it. */
	private afterEnd(u: number, m: number, mode: CompiledMode, from: number, to: number): void {
		const { model, state, ends } = this;
		const low = from + mode.length;
		const high = Math.min(model.horizon, to + mode.length + (mode.portion?.tolerance ?? 0));
		if (low > high) return;
		ends.fill(0, low, high + 1);
		for (const price of model.prices[u] as readonly CompiledPrice[])
			if (!price.ofStart)
				for (let t = low; t <= high; t += 1) ends[t] = (ends[t] as number) + priceAt(price, t, t);
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
			const message = this.messageOf(
				e,
				edge.sameForBefore ? 0 : m - (model.firstMode[u] as number)
			);
			for (let t = low; t <= high; t += 1)
				ends[t] = Math.min(NEVER, (ends[t] as number) + (message[t] as number));
		}
	}
}
