import { BatchRows } from './batch-rows.ts';
import { Bounds } from './bounds.ts';
import {
	NEVER,
	type Compiled,
	type CompiledEdge,
	type CompiledMode,
	type CompiledWindow
} from './compiled.ts';
import type { Row } from '../kernel/row.ts';
import { DayBeginning } from './day-beginning.ts';
import { Messages } from './messages.ts';
import { ModeRows } from './mode-rows.ts';
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
	readonly rows: readonly Row[];
	/** By task, the starts that were looked at. */
	readonly low: Int32Array;
	readonly high: Int32Array;
	/** By mode of a portion and start, the unit it would go to. */
	readonly units: readonly (Row | null)[];
	/** By start, what the day's beginning there would cost more than it does. */
	readonly early: Row;
	readonly beginning: DayBeginning;
	readonly bounds: Bounds;
	readonly batch: BatchRows;
	/** How far from where it last stood a task is looked at; followers may go further. */
	radius = NEVER;
	private readonly messages: Messages;
	private readonly pass: WindowPass;
	private readonly own: OwnRows;
	private readonly modeRows: ModeRows;
	/** The starts of the task whose branches are looked at, narrowed by each. */
	private from = 0;
	private to = 0;
	private readonly model: Compiled;

	constructor(readonly state: State) {
		const { model } = state;
		this.model = model;
		this.low = new Int32Array(model.tasks);
		this.high = new Int32Array(model.tasks);
		this.beginning = new DayBeginning(state);
		this.early = this.beginning.early;
		this.bounds = new Bounds(state);
		this.messages = new Messages(model.edges.length, model.horizon, state.kernel);
		this.pass = new WindowPass(model.horizon, state.pools, state.kernel);
		this.batch = new BatchRows(state);
		this.own = new OwnRows(state);
		this.modeRows = new ModeRows(state, this.own, this.batch, this.messages);
		this.rows = this.modeRows.rows;
		this.units = this.modeRows.units;
	}

	/** Keeps a task from starting within [from, to], so that a move is one. */
	bar(u: number, from: number, to: number): void {
		this.modeRows.bar(u, from, to);
	}

	unbar(): void {
		this.modeRows.bar(-1, 0, -1);
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
		const mark = this.messages.mark();
		// Nothing costs less than nothing: what is below is told as that, so that it stays a number of 32 bits.
		this.lookInto(u, low, high, Math.max(-1, Math.min(cutoff, NEVER - 1)));
		this.messages.giveBack(mark);
	}

	private lookInto(u: number, low: number, high: number, cutoff: number): void {
		const { model, state } = this;
		const { edges } = model;
		const { kernel } = state;
		let from = Math.max(low, model.earliest[u] as number);
		let to = Math.min(high, model.latest[u] as number, model.horizon);
		const stood = state.stood[u] as number;
		if (this.radius < NEVER && stood >= 0 && !(model.components.alone[u] as number)) {
			from = Math.max(from, stood - this.radius);
			to = Math.min(to, stood + this.radius);
		}
		const shortest = model.lengths.shortest[u] as number;
		const longest = model.lengths.longest[u] as number;
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
		const own = this.own.fixedOf(u);
		if (this.bounds.nothingHangs(u)) {
			from = this.bounds.firstWithin(u, from, to, cutoff);
			to = this.bounds.lastWithin(u, from, to, cutoff);
		} else if (own !== null) {
			from = kernel.firstWithin(own, from, to, cutoff);
			to = kernel.lastWithin(own, from, to, cutoff);
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
		let waiting = this.bounds.ofWaiting(u);
		const hanging = children.length + followers.length;
		// What hangs from a task of several branches is added up once, for all its modes.
		let sum = hanging > 1 ? this.messages.take() : null;
		let sumOff = 0;
		if (sum !== null) kernel.fill(sum, 0, from, to);
		// The least that it and the branches looked at so far cost.
		let known = 0;
		for (let at = 0; at < hanging && this.from <= this.to; at += 1) {
			const e = (at < children.length ? children[at] : followers[at - children.length]) as number;
			const edge = edges[e] as CompiledEdge;
			const after = edge.before === u;
			const child = after ? edge.after : edge.before;
			if ((state.start[child] as number) >= 0) continue;
			const rest = cutoff - waiting - known;
			if (after) this.lookForward(e, edge, child, shortest, longest, rest);
			else this.lookBack(e, edge, rest);
			if (this.from > this.to) continue;
			const off = after && !edge.fromStart ? shortest : 0;
			const same = after ? edge.sameForBefore : edge.sameForAfter;
			const fits = same && (off === 0 || shortest === longest);
			if (hanging === 1 && fits) {
				sum = this.messages.of(e, 0);
				sumOff = off;
			}
			if (!fits) sum = null;
			if (sum === null || hanging === 1) continue;
			waiting -= this.bounds.least[child] as number;
			known = this.addKnown(sum, this.messages.of(e, 0), off, own, cutoff - waiting);
		}
		from = this.from;
		to = this.to;
		if (from > to) {
			this.high[u] = from - 1;
			this.low[u] = from;
			return;
		}
		this.modeRows.fillAll(u, sum, sumOff, from, to, cutoff);
		this.low[u] = this.modeRows.first;
		this.high[u] = this.modeRows.last;
	}

	/**
	 * Adds a message to what is known by start, narrows the starts to those within the limit together with the task's own
	 * price, and gives the least of them.
	 */
	private addKnown(sum: Row, message: Row, off: number, own: Row | null, limit: number): number {
		const { from, to } = this;
		const reach = Math.min(to, this.model.horizon - off);
		const { kernel } = this.state;
		const least = kernel.addKnown(sum, message, off, own, from, reach, Math.max(-1, limit));
		const found = kernel.first <= kernel.last;
		this.from = found ? kernel.first : to + 1;
		this.to = found ? kernel.last : from - 1;
		return least;
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
			rest + (this.bounds.least[child] as number)
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
		this.messages.takeFor(e, rows);
		for (let row = 0; row < rows; row += 1) {
			const message = this.messages.of(e, row);
			this.state.kernel.fill(message, NEVER, low, high);
			for (let column = 0; column < edge.afterModes; column += 1) {
				const window = edge.table[row * edge.afterModes + column] as CompiledWindow | null;
				const mode = model.modes[childModes + column] as CompiledMode;
				if (!window || !mode.allowed) continue;
				const value = this.rows[childModes + column] as Row;
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
		const shortest = model.lengths.shortest[child] as number;
		const longest = model.lengths.longest[child] as number;
		const firstOf = model.firstMode[child] as number;
		const lastOf = model.firstMode[child + 1] as number;
		const off = edge.fromStart ? 0 : 1;
		this.lookAt(
			child,
			from - edge.mostOfAll - off * longest,
			to - edge.leastOfAll - off * shortest,
			rest + (this.bounds.least[child] as number)
		);
		const first = this.low[child] as number;
		const last = this.high[child] as number;
		this.from = first > last ? to + 1 : from;
		this.to = to;
		const rows = edge.sameForAfter ? 1 : edge.afterModes;
		this.messages.takeFor(e, rows);
		for (let row = 0; row < rows; row += 1) {
			const message = this.messages.of(e, row);
			this.state.kernel.fill(message, NEVER, from, to);
			for (let m = firstOf; m < lastOf; m += 1) {
				const mode = model.modes[m] as CompiledMode;
				const window = edge.table[(m - firstOf) * edge.afterModes + row];
				if (!window || !mode.allowed) continue;
				const value = this.rows[m] as Row;
				this.pass.backward(window, value, first, last, off * mode.length, message, from, to);
			}
		}
	}
}
