import type { Kernel } from '../kernel/kernel.ts';
import type { Row } from '../kernel/row.ts';
import type { Compiled, CompiledEdge } from './compiled.ts';

/**
 * Rows that are wanted only while a task and what hangs from it are looked at: what each branch costs by the start or end
 * of its parent. They are taken from a stack and given back, so that the same few stay near the processor.
 */
export class Messages {
	private readonly rows: Row[] = [];
	private used = 0;
	/** By lag, where its own begin. */
	private readonly firstOf: Int32Array;

	constructor(
		lags: number,
		private readonly horizon: number,
		private readonly kernel: Kernel
	) {
		this.firstOf = new Int32Array(lags);
	}

	/** How many are taken, to give back all that are taken from now on. */
	mark(): number {
		return this.used;
	}

	giveBack(mark: number): void {
		this.used = mark;
	}

	/** A row for whatever is wanted for a while. */
	take(): Row {
		this.used += 1;
		return this.at(this.used - 1);
	}

	/** Takes so many rows for a lag: one, or one for each mode that tells. */
	takeFor(e: number, count: number): void {
		this.firstOf[e] = this.used;
		this.used += count;
	}

	of(e: number, row: number): Row {
		return this.at((this.firstOf[e] as number) + row);
	}

	private at(index: number): Row {
		return (this.rows[index] ??= this.kernel.row(this.horizon + 1));
	}
}

/** How many are taken at once at the most: while all that hangs from some task is looked at and nothing of it stands. */
export function mostMessages(model: Compiled): number {
	const known = new Int32Array(model.tasks).fill(-1);
	let most = 0;
	for (let u = 0; u < model.tasks; u += 1) most = Math.max(most, messagesOf(u, model, known));
	return most;
}

function messagesOf(u: number, model: Compiled, known: Int32Array): number {
	if ((known[u] as number) >= 0) return known[u] as number;
	const { components, edges, firstMode } = model;
	const hanging = [
		...(components.children[u] as readonly number[]),
		...(components.followers[u] as readonly number[])
	];
	let taken = hanging.length > 1 ? 1 : 0;
	let most = taken;
	for (const e of hanging) {
		const edge = edges[e] as CompiledEdge;
		const after = edge.before === u;
		most = Math.max(most, taken + messagesOf(after ? edge.after : edge.before, model, known));
		const modes = (firstMode[u + 1] as number) - (firstMode[u] as number);
		taken += (after ? edge.sameForBefore : edge.sameForAfter) ? 1 : modes;
	}
	most = Math.max(most, taken);
	known[u] = most;
	return most;
}
