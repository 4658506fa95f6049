import { NEVER, type CompiledEdge, type CompiledMode } from './compiled.ts';
import type { Row } from '../kernel/row.ts';
import type { Dice } from './dice.ts';
import type { State } from './state.ts';
import { Values } from './values.ts';

/**
 * Puts tasks into a plan where they cost least against what stands: the top of a tree at its best start, then what
 * hangs from it, each again at its best.
 */
export class Inserter {
	readonly values: Values;
	private foundMode = -1;
	private foundStart = -1;
	/** How many starts of a task are tried where what hangs from it fails at the best. */
	attempts = 1;
	/** By task, how often it was the one that found no place: it goes first among its like. */
	private readonly trouble: Int32Array;

	constructor(
		private readonly state: State,
		private readonly dice: Dice
	) {
		this.values = new Values(state);
		this.trouble = new Int32Array(state.model.tasks);
	}

	/**
	 * Puts a task, and all that hangs from it and does not stand, into the plan; false where it found no place that
	 * costs at most the budget.
	 */
	insert(u: number, budget: number, noise: number): boolean {
		const { values, state } = this;
		// What is pinned stays where it is when what hangs from it found no place: only that is to be put in.
		if ((state.start[u] as number) >= 0) return this.descend(u, budget, noise);
		const before = state.priced;
		values.lookAt(u, 0, state.model.horizon, budget);
		for (let attempt = 0; attempt < this.attempts; attempt += 1) {
			if (!this.findBest(u, budget, noise)) return false;
			const start = this.foundStart;
			this.placeFound(u);
			if (state.pools.overdrawn === 0 && this.descend(u, budget - (state.priced - before), noise))
				return true;
			if (attempt + 1 === this.attempts) return false;
			this.takeOut(u);
			// What hangs from it got in its own way there: not there, nor near it.
			for (
				let m = state.model.firstMode[u] as number;
				m < (state.model.firstMode[u + 1] as number);
				m += 1
			) {
				const row = values.rows[m] as Row;
				const low = Math.max(values.low[u] as number, start - attempt);
				const high = Math.min(values.high[u] as number, start + attempt);
				state.kernel.fill(row, NEVER, low, high);
			}
		}
		return false;
	}

	/** Takes a task out again with all that was put in from it on; what is decided stays. */
	takeOut(u: number): void {
		const { state } = this;
		if (state.model.pinned[u] === 1) return;
		const { components, edges } = state.model;
		for (const list of [components.children[u], components.followers[u]] as (readonly number[])[])
			for (let at = 0; at < list.length; at += 1) {
				const edge = edges[list[at] as number] as CompiledEdge;
				const child = edge.before === u ? edge.after : edge.before;
				if ((state.start[child] as number) >= 0) this.takeOut(child);
			}
		if ((state.start[u] as number) >= 0) state.remove(u);
	}

	private placeFound(u: number): void {
		const units = this.values.units[this.foundMode];
		const unit = units ? (units[this.foundStart] as number) : -1;
		this.state.place(u, this.foundMode, this.foundStart, unit);
	}

	private findBest(u: number, budget: number, noise: number): boolean {
		const { values, dice } = this;
		const { kernel, model } = this.state;
		const { firstMode } = model;
		const low = values.low[u] as number;
		const high = values.high[u] as number;
		const { early } = values;
		let best = Math.max(0, Math.min(NEVER, budget + 1));
		let found = false;
		for (let m = firstMode[u] as number; m < (firstMode[u + 1] as number); m += 1) {
			const row = values.rows[m] as Row;
			if (noise === 0) {
				const start = kernel.findLeast(row, early, low, high, best);
				if (start < 0) continue;
				best = kernel.least;
				found = true;
				this.foundMode = m;
				this.foundStart = start;
				continue;
			}
			for (let t = low; t <= high; t += 1) {
				const price = row[t] as number;
				if (price >= NEVER) continue;
				const all = price + (early[t] as number);
				if (all >= best) continue;
				const told = all + dice.next(noise);
				if (told >= best) continue;
				best = told;
				found = true;
				this.foundMode = m;
				this.foundStart = t;
			}
		}
		return found;
	}

	private descend(u: number, budget: number, noise: number): boolean {
		const { state } = this;
		const before = state.priced;
		// What is left for the next of those that wait, the least of the others set aside.
		const left = budget + before;
		const { components, edges } = state.model;
		const waiting: number[] = [];
		for (const e of components.children[u] as readonly number[]) {
			const edge = edges[e] as CompiledEdge;
			const child = edge.before === u ? edge.after : edge.before;
			if ((state.start[child] as number) < 0) waiting.push(e);
		}
		if (waiting.length === 1) {
			const e = waiting[0] as number;
			const edge = edges[e] as CompiledEdge;
			const child = edge.before === u ? edge.after : edge.before;
			if (edge.before !== u || !this.placeNext(edge)) {
				if (!this.insert(child, this.leftFor(u, child, left), noise)) return false;
			} else if (!this.descend(child, this.leftFor(u, child, left), noise)) return false;
		} else if (waiting.length > 1) {
			// What hangs alone has the least freedom; the branches follow in an order of chance.
			this.dice.shuffle(waiting);
			this.troubledFirst(u, waiting);
			for (const lone of [true, false])
				for (const e of waiting) {
					const edge = edges[e] as CompiledEdge;
					const child = edge.before === u ? edge.after : edge.before;
					const hangs = components.children[child] as readonly number[];
					if ((state.start[child] as number) >= 0) continue;
					if ((hangs.length === 0) !== lone) continue;
					if (this.insert(child, this.leftFor(u, child, left), noise)) continue;
					this.trouble[child] = (this.trouble[child] as number) + 1;
					return false;
				}
		}
		for (const e of components.followers[u] as readonly number[]) {
			const follower = (edges[e] as CompiledEdge).after;
			if ((state.start[follower] as number) >= 0) continue;
			const into = state.model.into[follower] as readonly number[];
			let ready = true;
			for (let at = 0; at < into.length; at += 1)
				if ((state.start[(edges[into[at] as number] as CompiledEdge).before] as number) < 0)
					ready = false;
			if (ready && !this.insert(follower, this.leftFor(u, follower, left), 0)) return false;
		}
		return true;
	}

	/** The more often one failed of late, the more likely it goes first. */
	private troubledFirst(u: number, waiting: number[]): void {
		const { edges } = this.state.model;
		let first = -1;
		let most = 0;
		for (let at = 0; at < waiting.length; at += 1) {
			const edge = edges[waiting[at] as number] as CompiledEdge;
			const child = edge.before === u ? edge.after : edge.before;
			const trouble = this.trouble[child] as number;
			if (trouble > 0) this.trouble[child] = trouble - this.dice.next(2);
			const weight = Math.min(trouble, 8) * 2 + this.dice.next(8);
			if (trouble > 0 && weight > most) {
				most = weight;
				first = at;
			}
		}
		if (first <= 0) return;
		const kept = waiting[0] as number;
		waiting[0] = waiting[first] as number;
		waiting[first] = kept;
	}

	private leftFor(u: number, next: number, budget: number): number {
		const { state, values } = this;
		return (
			budget - state.priced - values.bounds.ofWaiting(u) + (values.bounds.least[next] as number)
		);
	}

	/** The next of a chain, by the rows that were worked out for its parent; false where they no longer hold. */
	private placeNext(edge: CompiledEdge): boolean {
		const { state, values } = this;
		const u = edge.after;
		const { firstMode, modes } = state.model;
		const began = state.start[edge.before] as number;
		const anchor = edge.fromStart ? began : (state.end[edge.before] as number);
		const first = Math.max(values.low[u] as number, anchor + edge.leastOfAll);
		const last = Math.min(values.high[u] as number, anchor + edge.mostOfAll);
		let best = NEVER;
		for (let m = firstMode[u] as number; m < (firstMode[u + 1] as number); m += 1) {
			if (!(modes[m] as CompiledMode).allowed) continue;
			const window = state.windowOf(edge, state.mode[edge.before] as number, m);
			if (!window) continue;
			const row = values.rows[m] as Row;
			let until = last;
			for (const { view } of window.holds)
				until = Math.min(until, state.pools.view(view)[anchor] as number);
			const early = began < values.beginning.floor ? values.early : null;
			const start = state.kernel.findNext(row, early, first, until, best, anchor, window);
			if (start < 0) continue;
			best = state.kernel.least;
			this.foundMode = m;
			this.foundStart = start;
		}
		if (best >= NEVER) return false;
		this.placeFound(u);
		if (state.pools.overdrawn === 0) return true;
		state.remove(u);
		return false;
	}
}
