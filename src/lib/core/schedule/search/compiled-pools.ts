import type { Mode, Pool, Problem } from '../problem.ts';

/** How much of each pool is there at each unit of time; machines of one come after the pools. */
export function thereOf({ horizon, pools, machines }: Problem): Int16Array[] {
	const there: Int16Array[] = [];
	for (const pool of pools) there.push(amountOf(pool, horizon));
	for (const machine of machines) {
		const amount = new Int16Array(horizon).fill(1);
		for (const { from, to } of machine.closed)
			amount.fill(0, Math.max(0, from), Math.max(0, Math.min(horizon, to)));
		there.push(amount);
	}
	return there;
}

function amountOf(pool: Pool, horizon: number): Int16Array {
	const amount = new Int16Array(horizon);
	for (const stretch of pool.there)
		for (let t = Math.max(0, stretch.from); t < Math.min(horizon, stretch.to); t += 1)
			amount[t] = (amount[t] ?? 0) + stretch.amount;
	return amount;
}

function want(wanted: Map<string, number>, pool: string, amount: number): void {
	wanted.set(pool, (wanted.get(pool) ?? 0) + amount);
}

/** True where one of the ways to do a task is on a batch machine. */
function isPortion(modes: readonly Mode[]): boolean {
	for (const { batch } of modes) if (batch !== null) return true;
	return false;
}

/** The least that is there of a pool at any time that it is there. */
function leastOf(there: Pool['there']): number {
	let least = Infinity;
	for (const { amount } of there) if (amount < least) least = amount;
	return least;
}

/** The pools that have, whenever they are there, more than all tasks together could ever take. */
export function plentyOf({ pools, tasks, batchMachines, lags }: Problem): ReadonlySet<string> {
	const wanted = new Map<string, number>();
	for (const { modes } of tasks)
		for (const { demands } of modes)
			for (const demand of demands)
				for (const pool of demand.pools) want(wanted, pool, demand.amount);
	// Every portion may be a load of its own.
	let portions = 0;
	for (const { modes } of tasks) if (isPortion(modes)) portions += 1;
	for (const { attended } of batchMachines)
		for (const demand of attended)
			for (const pool of demand.pools) want(wanted, pool, demand.amount * portions);
	for (const { windows } of lags)
		for (const { window } of windows)
			for (const { pool, amount } of window?.holds ?? []) want(wanted, pool, amount);
	const plenty = new Set<string>();
	for (const { id, there } of pools) if (leastOf(there) >= (wanted.get(id) ?? 0)) plenty.add(id);
	return plenty;
}
