import type { Compiled } from './compiled.ts';
import { emptyLists, listsOf } from './lists.ts';

/**
 * What is free of each pool, kept up to date, with views that answer at once until when so much of it is free.
 *
 * A view of (pool, amount) holds for every time the first time from there on at which less than the amount is free.
 * It is mended lazily over the stretch that changed.
 */
export class Pools {
	/** By pool and time, what is free; below zero where it is overdrawn. */
	readonly free: Int16Array[];
	/** By view and time. */
	readonly blockedFrom: Int32Array[];
	/** How many (pool, time) are overdrawn. */
	overdrawn = 0;
	private readonly viewsOf: number[][];
	private readonly dirtyFrom: Int32Array;
	private readonly dirtyTo: Int32Array;
	private readonly viewPool: Int32Array;
	private readonly viewAmount: Int32Array;

	constructor(private readonly model: Compiled) {
		const { horizon, there, views } = model;
		this.free = [];
		for (let pool = 0; pool < there.length; pool += 1)
			this.free.push((there[pool] as Int16Array).slice());
		this.blockedFrom = [];
		const viewsOf = emptyLists(there.length);
		this.dirtyFrom = new Int32Array(views.length);
		this.dirtyTo = new Int32Array(views.length).fill(horizon);
		this.viewPool = new Int32Array(views.length);
		this.viewAmount = new Int32Array(views.length);
		for (let at = 0; at < views.length; at += 1) {
			const { pool, amount } = views[at] as Compiled['views'][number];
			const blocked = new Int32Array(horizon + 1);
			blocked[horizon] = horizon;
			this.blockedFrom.push(blocked);
			this.viewPool[at] = pool;
			this.viewAmount[at] = amount;
			viewsOf[pool]?.push(at);
		}
		this.viewsOf = listsOf(viewsOf);
	}

	/** Takes (or gives back, where negative) an amount of a pool over [from, to). */
	take(pool: number, from: number, to: number, amount: number): void {
		const { horizon } = this.model;
		const start = from < 0 ? 0 : from;
		const end = to > horizon ? horizon : to;
		if (start >= end) return;
		const free = this.free[pool] as Int16Array;
		let overdrawn = 0;
		for (let t = start; t < end; t += 1) {
			const was = free[t] as number;
			const is = was - amount;
			free[t] = is;
			overdrawn += (is < 0 ? 1 : 0) - (was < 0 ? 1 : 0);
		}
		this.overdrawn += overdrawn;
		const views = this.viewsOf[pool] as number[];
		for (let at = 0; at < views.length; at += 1) {
			const view = views[at] as number;
			if (start < (this.dirtyFrom[view] as number)) this.dirtyFrom[view] = start;
			if (end > (this.dirtyTo[view] as number)) this.dirtyTo[view] = end;
		}
	}

	/** By time, the first time from there on at which less than the view's amount is free. */
	view(view: number): Int32Array {
		const blocked = this.blockedFrom[view] as Int32Array;
		const from = this.dirtyFrom[view] as number;
		const to = this.dirtyTo[view] as number;
		if (from >= to) return blocked;
		const free = this.free[this.viewPool[view] as number] as Int16Array;
		const amount = this.viewAmount[view] as number;
		let next = blocked[to] as number;
		let t = to - 1;
		for (; t >= from; t -= 1) {
			if ((free[t] as number) < amount) next = t;
			blocked[t] = next;
		}
		for (; t >= 0; t -= 1) {
			if ((free[t] as number) < amount || blocked[t] === next) break;
			blocked[t] = next;
		}
		this.dirtyFrom[view] = this.model.horizon;
		this.dirtyTo[view] = 0;
		return blocked;
	}
}
