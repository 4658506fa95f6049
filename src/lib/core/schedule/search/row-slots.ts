import type { Compiled, CompiledEdge } from './compiled.ts';

/** With more components than this to keep apart, each has a place of its own. */
const MOST_TOGETHER = 64;

/**
 * By mode, which stretch of memory its row is in. Rows are wanted together only while one component is put in with what
 * follows from it; others use the same memory, so that what is worked on stays near the processor.
 */
export function rowSlots(model: Compiled): { readonly slots: Int32Array; readonly count: number } {
	const { components, edges, firstMode } = model;
	const { members, of, followers } = components;
	const slots = new Int32Array(model.modes.length);
	const modesOf = members.map((inside) =>
		inside.reduce((sum, u) => sum + (firstMode[u + 1] as number) - (firstMode[u] as number), 0)
	);
	/** By component, those that are looked at with it: it and what follows from it to the end. */
	const reached = members.map((_, component) => {
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
		return found;
	});
	if (reached.some((found) => found.length > MOST_TOGETHER)) {
		for (let m = 0; m < slots.length; m += 1) slots[m] = m;
		return { slots, count: slots.length };
	}
	const apart = members.map(() => new Set<number>());
	for (const found of reached)
		for (const one of found) for (const other of found) if (one !== other) apart[one]?.add(other);
	const first = new Int32Array(members.length).fill(-1);
	let count = 0;
	members.forEach((inside, component) => {
		const taken = [...(apart[component] as Set<number>)]
			.filter((other) => (first[other] as number) >= 0)
			.map((other) => ({ from: first[other] as number, size: modesOf[other] as number }))
			.sort((a, b) => a.from - b.from);
		let from = 0;
		for (const other of taken) {
			if (from + (modesOf[component] as number) <= other.from) break;
			from = Math.max(from, other.from + other.size);
		}
		first[component] = from;
		for (const u of inside)
			for (let m = firstMode[u] as number; m < (firstMode[u + 1] as number); m += 1) {
				slots[m] = from;
				from += 1;
			}
		count = Math.max(count, from);
	});
	return { slots, count };
}
