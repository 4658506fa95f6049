import type { Kernel } from '../kernel/kernel.ts';
import type { Row, ShortRow } from '../kernel/row.ts';
import type { Compiled, CompiledDemand } from './compiled.ts';
import { emptyLists, listsOf } from './lists.ts';

/**
 * What is free of each pool, kept up to date, with views that answer at once until when so much of it is free.
 *
 * A view of (pool, amount) holds for every time the first time from there on at which less than the amount is free.
 * It is mended lazily over the stretch that changed.
 */
export class Pools {
	/** By pool and time, what is free; below zero where it is overdrawn. */
	readonly free: ShortRow[];
	/** By view and time. */
	readonly blockedFrom: Row[];
	/** How many (pool, time) are overdrawn. */
	overdrawn = 0;
	private readonly viewsOf: number[][];
	private readonly dirtyFrom: Int32Array;
	private readonly dirtyTo: Int32Array;
	private readonly viewPool: Int32Array;
	private readonly viewAmount: Int32Array;

	constructor(
		private readonly model: Compiled,
		private readonly kernel: Kernel
	) {
		const { horizon, there, views } = model;
		this.free = [];
		for (let pool = 0; pool < there.length; pool += 1) {
			const free = kernel.shortRow(horizon);
			free.set(there[pool] as Int16Array);
			this.free.push(free);
		}
		this.blockedFrom = [];
		const viewsOf = emptyLists(there.length);
		this.dirtyFrom = new Int32Array(views.length);
		this.dirtyTo = new Int32Array(views.length).fill(horizon);
		this.viewPool = new Int32Array(views.length);
		this.viewAmount = new Int32Array(views.length);
		for (let at = 0; at < views.length; at += 1) {
			const { pool, amount } = views[at] as Compiled['views'][number];
			const blocked = kernel.row(horizon + 1);
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
		const free = this.free[pool] as ShortRow;
		this.overdrawn += this.kernel.takeFree(free, start, end, amount);
		const views = this.viewsOf[pool] as number[];
		for (let at = 0; at < views.length; at += 1) {
			const view = views[at] as number;
			if (start < (this.dirtyFrom[view] as number)) this.dirtyFrom[view] = start;
			if (end > (this.dirtyTo[view] as number)) this.dirtyTo[view] = end;
		}
	}

	/** By time, the first time from there on at which less than the view's amount is free. */
	view(view: number): Row {
		const blocked = this.blockedFrom[view] as Row;
		const from = this.dirtyFrom[view] as number;
		const to = this.dirtyTo[view] as number;
		if (from >= to) return blocked;
		const free = this.free[this.viewPool[view] as number] as ShortRow;
		this.kernel.mend(blocked, free, from, to, this.viewAmount[view] as number);
		this.dirtyFrom[view] = this.model.horizon;
		this.dirtyTo[view] = 0;
		return blocked;
	}

	/** What gives a demand of a task that starts then; empty-handed it takes the first, and the pool is overdrawn. */
	choose(demand: CompiledDemand, start: number): number[] {
		const picked: number[] = [];
		const from = start + demand.from;
		const to = start + demand.to;
		for (let p = 0; p < demand.choice.length && picked.length < demand.amount; p += 1) {
			const views = demand.choice[p] as readonly number[];
			for (let k = 0; k < views.length && picked.length < demand.amount; k += 1) {
				if (from < 0 || (this.view(views[k] as number)[from] as number) < to) break;
				picked.push(demand.pools[p] as number);
			}
		}
		while (picked.length < demand.amount) picked.push(demand.pools[0] as number);
		return picked;
	}

	/** True where a demand of a task that starts then is met. */
	meets(demand: CompiledDemand, start: number): boolean {
		const from = start + demand.from;
		const to = start + demand.to;
		if (from < 0 || to > this.model.horizon) return false;
		if (demand.view >= 0) return (this.view(demand.view)[from] as number) >= to;
		let met = 0;
		for (let p = 0; p < demand.choice.length; p += 1) {
			const views = demand.choice[p] as readonly number[];
			for (let k = 0; k < views.length; k += 1) {
				if ((this.view(views[k] as number)[from] as number) < to) break;
				met += 1;
			}
		}
		return met >= demand.amount;
	}

	/** True where those that gave a demand can give it at another time too. */
	areFree(demand: CompiledDemand, pools: readonly number[], anchor: number): boolean {
		const from = anchor + demand.from;
		if (pools.length !== demand.amount || from < 0) return false;
		return pools.every((pool, at) => {
			const views = demand.choice[demand.pools.indexOf(pool)];
			return (
				pools.indexOf(pool) === at &&
				views?.[0] !== undefined &&
				(this.view(views[0])[from] as number) >= anchor + demand.to
			);
		});
	}
}
