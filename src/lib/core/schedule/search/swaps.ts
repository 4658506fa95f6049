import type { CompiledPrice } from './compiled.ts';
import type { Dice } from './dice.ts';
import { priceAt } from './prices.ts';
import type { Shop } from './shop.ts';

/** So many swaps without a better order, and the search begins again from the best, shaken. */
const PATIENCE = 1200;
const SHAKES = 6;
/** An order that was left may not be come back to for so many swaps, and up to as many more by chance. */
const TENURE = 9;

/**
 * The search for better orders of a shop: two that follow each other in a pool, on the chain that makes something
 * late, change places.
 *
 * Model: with the orders given, everything starts as early as it can (prices only grow with time); only a swap on a
 * critical chain can make it cheaper. The best swap that is not forbidden is made, also where it makes worse; an
 * order that was left is forbidden for a while. Source: van Laarhoven and others (1992) for the swaps, Taillard (1994)
 * for the list of what is forbidden. Range: `Shop`. Failures: none.
 */
export class Swaps {
	/** By task, its start in the orders as they are. */
	readonly start: Int32Array;
	cost = Infinity;
	bestCost = Infinity;
	private readonly order: Int32Array[];
	private readonly best: Int32Array[];
	/** By task, its place in the order of its pool. */
	private readonly place: Int32Array;
	private readonly forbiddenUntil: Int32Array;
	/** What follows each task: its followers are those from `firstAfter` on, with how long after its start they may. */
	private readonly firstAfter: Int32Array;
	private readonly follower: Int32Array;
	private readonly least: Int32Array;
	private readonly waiting: Int32Array;
	private readonly ready: Int32Array;
	/** The chain that is looked at: pairs that follow each other in a pool, first and second in turn. */
	private readonly pairs: number[] = [];
	private turn = 0;
	private improvedAt = 0;

	constructor(
		private readonly shop: Shop,
		private readonly prices: readonly (readonly CompiledPrice[])[],
		private readonly horizon: number,
		private readonly dice: Dice
	) {
		const { tasks, pools, pool } = shop;
		this.start = new Int32Array(tasks);
		const sizes = new Int32Array(pools);
		for (const at of pool) if (at >= 0) sizes[at] = (sizes[at] as number) + 1;
		this.order = Array.from(sizes, (size) => new Int32Array(size));
		this.best = Array.from(sizes, (size) => new Int32Array(size));
		this.place = new Int32Array(tasks);
		this.forbiddenUntil = new Int32Array(tasks * tasks);
		this.waiting = new Int32Array(tasks);
		this.ready = new Int32Array(tasks);
		const after = Array.from({ length: tasks }, (): { task: number; least: number }[] => []);
		shop.before.forEach((list, u) => {
			for (const { task, least } of list) after[task]?.push({ task: u, least });
		});
		this.firstAfter = new Int32Array(tasks + 1);
		after.forEach((list, u) => {
			this.firstAfter[u + 1] = (this.firstAfter[u] as number) + list.length;
		});
		this.follower = Int32Array.from(after.flat(), ({ task }) => task);
		this.least = Int32Array.from(after.flat(), ({ least }) => least);
	}

	/** Takes the orders of a plan in which every task stands. */
	read(start: Int32Array): void {
		const { shop, order } = this;
		const filled = new Int32Array(order.length);
		const byStart = Array.from({ length: shop.tasks }, (_, u) => u);
		byStart.sort(
			(a, b) =>
				(start[a] as number) - (start[b] as number) ||
				(shop.length[a] as number) - (shop.length[b] as number) ||
				a - b
		);
		for (const u of byStart) {
			const pool = shop.pool[u] as number;
			if (pool < 0) continue;
			this.put(pool, filled[pool] as number, u);
			filled[pool] = (filled[pool] as number) + 1;
		}
		this.cost = this.time();
		this.keep();
	}

	/** Makes one swap; true where no order so far was as good as what it gave. */
	move(): boolean {
		this.turn += 1;
		const { dice, pairs } = this;
		if (this.turn - this.improvedAt > PATIENCE) this.shake();
		this.readChain();
		let first = -1;
		let least = Infinity;
		let ties = 1;
		for (let at = 0; at < pairs.length; at += 2) {
			const a = pairs[at] as number;
			const b = pairs[at + 1] as number;
			// Within a row of its pool a swap alone gains nothing: what comes after the row starts when it did.
			if (pairs[at - 2] === b && pairs[at + 3] === a && !this.shop.changes(a)) continue;
			this.swap(a, b);
			const cost = this.time();
			this.swap(b, a);
			const isForbidden = (this.forbiddenUntil[b * this.shop.tasks + a] as number) > this.turn;
			if (isForbidden && cost >= this.bestCost) continue;
			ties = cost === least ? ties + 1 : 1;
			if (cost > least || (cost === least && dice.next(ties) > 0)) continue;
			least = cost;
			first = at;
		}
		// Everything is forbidden: any of them, or the search would stand still.
		if (first < 0 && pairs.length > 0) first = 2 * dice.next(pairs.length / 2);
		if (first >= 0) this.make(pairs[first] as number, pairs[first + 1] as number);
		this.cost = this.time();
		if (this.cost >= this.bestCost) return false;
		this.improvedAt = this.turn;
		this.keep();
		return true;
	}

	private make(a: number, b: number): void {
		this.swap(a, b);
		// The order a before b is what was left.
		this.forbiddenUntil[a * this.shop.tasks + b] = this.turn + TENURE + this.dice.next(TENURE);
	}

	private keep(): void {
		this.bestCost = this.cost;
		this.order.forEach((order, pool) => this.best[pool]?.set(order));
	}

	/** Goes back to the best orders and makes some swaps of chance. */
	private shake(): void {
		this.improvedAt = this.turn;
		this.best.forEach((best, pool) => {
			best.forEach((u, at) => {
				this.put(pool, at, u);
			});
		});
		for (let shakes = 0; shakes < SHAKES; shakes += 1) {
			this.time();
			this.readChain();
			const { pairs, dice } = this;
			if (pairs.length === 0) return;
			const at = 2 * dice.next(pairs.length / 2);
			this.make(pairs[at] as number, pairs[at + 1] as number);
		}
		this.time();
	}

	private put(pool: number, at: number, u: number): void {
		(this.order[pool] as Int32Array)[at] = u;
		this.place[u] = at;
	}

	/** Two that follow each other, first a, then b, change places. */
	private swap(a: number, b: number): void {
		const pool = this.shop.pool[a] as number;
		const at = this.place[a] as number;
		this.put(pool, at, b);
		this.put(pool, at + 1, a);
	}

	/** Starts everything as early as the orders allow, and gives what that costs; Infinity where they go in a circle. */
	private time(): number {
		const { shop, start, order, place, waiting, ready, firstAfter, follower } = this;
		let [head, tail] = [0, 0];
		for (let u = 0; u < shop.tasks; u += 1) {
			start[u] = Math.max(0, shop.earliest[u] as number);
			const inPool = (shop.pool[u] as number) >= 0 && (place[u] as number) > 0 ? 1 : 0;
			waiting[u] = (shop.before[u] as readonly unknown[]).length + inPool;
			if (waiting[u] === 0) ready[tail++] = u;
		}
		let cost = 0;
		while (head < tail) {
			const u = ready[head++] as number;
			const at = start[u] as number;
			const end = at + (shop.length[u] as number);
			if (end > this.horizon) return Infinity;
			const own = this.prices[u] as readonly CompiledPrice[];
			for (let k = 0; k < own.length; k += 1) cost += priceAt(own[k] as CompiledPrice, at, end);
			for (let k = firstAfter[u] as number; k < (firstAfter[u + 1] as number); k += 1) {
				const task = follower[k] as number;
				const from = at + (this.least[k] as number);
				if (from > (start[task] as number)) start[task] = from;
				waiting[task] = (waiting[task] as number) - 1;
				if (waiting[task] === 0) ready[tail++] = task;
			}
			const pool = shop.pool[u] as number;
			if (pool < 0) continue;
			const next = (order[pool] as Int32Array)[(place[u] as number) + 1];
			if (next === undefined) continue;
			const from = at + shop.gap(u, next);
			if (from > (start[next] as number)) start[next] = from;
			waiting[next] = (waiting[next] as number) - 1;
			if (waiting[next] === 0) ready[tail++] = next;
		}
		return tail === shop.tasks ? cost : Infinity;
	}

	/** Follows what holds a task that costs something back to the beginning, and notes the pairs of pools on the way. */
	private readChain(): void {
		const { shop, start, order, place, dice, pairs } = this;
		pairs.length = 0;
		let u = this.costly();
		while (u >= 0) {
			const at = start[u] as number;
			let held = -1;
			let ties = 0;
			for (const { task, least } of shop.before[u] ?? []) {
				if ((start[task] as number) + least !== at) continue;
				ties += 1;
				if (dice.next(ties) === 0) held = task;
			}
			const pool = shop.pool[u] as number;
			const before =
				pool >= 0 && (place[u] as number) > 0
					? ((order[pool] as Int32Array)[(place[u] as number) - 1] as number)
					: -1;
			if (before >= 0 && (start[before] as number) + shop.gap(before, u) === at) {
				ties += 1;
				if (dice.next(ties) === 0) {
					pairs.push(before, u);
					held = before;
				}
			}
			u = held;
		}
	}

	/** A task that costs something where it is, the dearer the likelier; -1 where nothing does. */
	private costly(): number {
		const { start, shop, dice } = this;
		let found = -1;
		let sum = 0;
		for (let u = 0; u < shop.tasks; u += 1) {
			const at = start[u] as number;
			let cost = 0;
			for (const price of this.prices[u] ?? [])
				cost += priceAt(price, at, at + (shop.length[u] as number));
			if (cost <= 0) continue;
			sum += cost;
			if (dice.next(sum) < cost) found = u;
		}
		return found;
	}
}
