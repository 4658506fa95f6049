import type { CompiledEdge } from './compiled.ts';
import type { Components } from './components.ts';

/** With more components than this to keep apart, each has a place of its own. */
const MOST_TOGETHER = 64;

/** By mode, the place of its row; and how many places there are. */
export interface RowSlots {
	readonly slots: Int32Array;
	readonly count: number;
}

interface Taken {
	readonly from: number;
	readonly size: number;
}

function bySlot(a: Taken, b: Taken): number {
	return a.from - b.from;
}

/**
 * By mode, which stretch of memory its row is in. Rows are wanted together only while one component is put in with what
 * follows from it; others use the same memory, so that what is worked on stays near the processor.
 */
export function rowSlots(
	{ members, of, followers }: Components,
	edges: readonly CompiledEdge[],
	firstMode: Int32Array
): RowSlots {
	const slots = new Int32Array(firstMode[firstMode.length - 1] as number);
	const modesOf = new Int32Array(members.length);
	/** By component, those that are looked at with it: it and what follows from it to the end. */
	const reached: number[][] = [];
	let most = 0;
	for (let component = 0; component < members.length; component += 1) {
		for (const u of members[component] as readonly number[])
			modesOf[component] =
				(modesOf[component] as number) + (firstMode[u + 1] as number) - (firstMode[u] as number);
		const found = [component];
		const seen = new Set(found);
		for (let at = 0; at < found.length && found.length <= MOST_TOGETHER; at += 1)
			for (const u of members[found[at] as number] as readonly number[])
				for (const e of followers[u] as readonly number[]) {
					const next = of[(edges[e] as CompiledEdge).after] as number;
					if (seen.has(next)) continue;
					seen.add(next);
					found.push(next);
				}
		reached.push(found);
		most = Math.max(most, found.length);
	}
	if (most > MOST_TOGETHER) {
		for (let m = 0; m < slots.length; m += 1) slots[m] = m;
		return { slots, count: slots.length };
	}
	const apart: Set<number>[] = [];
	for (let at = 0; at < members.length; at += 1) apart.push(new Set());
	for (const found of reached)
		for (const one of found) for (const other of found) if (one !== other) apart[one]?.add(other);
	const first = new Int32Array(members.length).fill(-1);
	let count = 0;
	for (let component = 0; component < members.length; component += 1) {
		const taken: Taken[] = [];
		for (const other of apart[component] as Set<number>)
			if ((first[other] as number) >= 0)
				taken.push({ from: first[other] as number, size: modesOf[other] as number });
		taken.sort(bySlot);
		let from = 0;
		for (const other of taken) {
			if (from + (modesOf[component] as number) <= other.from) break;
			from = Math.max(from, other.from + other.size);
		}
		first[component] = from;
		for (const u of members[component] as readonly number[])
			for (let m = firstMode[u] as number; m < (firstMode[u + 1] as number); m += 1) {
				slots[m] = from;
				from += 1;
			}
		count = Math.max(count, from);
	}
	return { slots, count };
}
