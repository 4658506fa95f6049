import type { ShortRow } from '../kernel/row.ts';
import type { Compiled, CompiledEdge } from './compiled.ts';
import type { State } from './state.ts';

/** What is dearer is told as this: a bound may be too low, never too high. */
const MOST = 32_767;

/** Less than anything costs. */
const NONE = -1;

/**
 * What each task must cost with all that hangs from it, learned from an empty plan: what stands later can only make it
 * dearer. Until it is learned nothing is bound.
 */
export class Bounds {
	/** By task, the least that it and what hangs from it can ever cost. */
	readonly least: Int32Array;
	/** By task, a start at which that is so. */
	readonly wished: Int32Array;
	/** By task and start, the least when it starts there, in half the memory of a price; null until learned. */
	private readonly leastAt: (ShortRow | null)[];
	/** By task, the first and the last start that it can have in an empty plan. */
	private readonly first: Int32Array;
	private readonly last: Int32Array;
	private readonly model: Compiled;

	constructor(private readonly state: State) {
		const { model } = state;
		this.model = model;
		this.least = new Int32Array(model.tasks);
		this.wished = new Int32Array(model.tasks);
		this.leastAt = [];
		for (let u = 0; u < model.tasks; u += 1) this.leastAt.push(null);
		this.first = new Int32Array(model.tasks);
		this.last = new Int32Array(model.tasks).fill(model.horizon);
	}

	/** Takes over what was found for a task between two starts, by mode and start. */
	learn(u: number, rows: readonly Int32Array[], first: number, last: number): void {
		const { horizon } = this.model;
		const leastAt = this.leastAt[u] ?? this.state.kernel.shortRow(horizon + 1);
		leastAt.fill(MOST);
		let least = 1 << 28;
		for (const row of rows)
			for (let t = first; t <= last; t += 1) {
				const price = row[t] as number;
				if (price < (leastAt[t] as number)) leastAt[t] = price;
				if (price >= least) continue;
				least = price;
				this.wished[u] = t;
			}
		this.least[u] = first > last ? 0 : least;
		this.leastAt[u] = leastAt;
		this.first[u] = first;
		this.last[u] = last;
	}

	/** The first of some starts that may cost no more than the limit; past the last where there is none. */
	firstWithin(u: number, from: number, to: number, limit: number): number {
		const leastAt = this.leastAt[u] as ShortRow | null;
		if (leastAt === null) return from;
		const first = Math.max(from, this.first[u] as number);
		if (limit >= MOST) return first;
		return this.state.kernel.firstWithinShort(leastAt, first, to, Math.max(limit, NONE));
	}

	/** The last of them; before the first where there is none. */
	lastWithin(u: number, from: number, to: number, limit: number): number {
		const leastAt = this.leastAt[u] as ShortRow | null;
		if (leastAt === null) return to;
		const last = Math.min(to, this.last[u] as number);
		if (limit >= MOST) return last;
		return this.state.kernel.lastWithinShort(leastAt, from, last, Math.max(limit, NONE));
	}

	/** True where nothing that hangs from a task stands: only then does what was learned bind it. */
	nothingHangs(u: number): boolean {
		const { components } = this.model;
		return (
			this.noneStands(u, components.children[u] as readonly number[]) &&
			this.noneStands(u, components.followers[u] as readonly number[])
		);
	}

	/** The least that all which hangs from a task and does not stand yet will cost. */
	ofWaiting(u: number): number {
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

	private noneStands(u: number, lags: readonly number[]): boolean {
		for (let at = 0; at < lags.length; at += 1) {
			const edge = this.model.edges[lags[at] as number] as CompiledEdge;
			const other = edge.before === u ? edge.after : edge.before;
			if ((this.state.start[other] as number) >= 0) return false;
		}
		return true;
	}
}
