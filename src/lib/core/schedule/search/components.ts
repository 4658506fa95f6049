import type { CompiledEdge } from './compiled.ts';
import { listOf, numbersOf } from './lists.ts';

/** What can be taken out of a plan and put back in one go: a whole component, or a branch of one. */
export interface Atom {
	/** The task from which the others of the atom hang. */
	readonly top: number;
	readonly tasks: readonly number[];
	readonly component: number;
	/** The task from which most of it hangs. */
	readonly hub: number;
	readonly whole: boolean;
}

/**
 * Tasks that move together, as trees.
 *
 * Lags with a most tie tasks into components; each is a tree from its root on, along some of its lags (the others are
 * looked at when a task is placed). A lag without a most leads from a task to a follower: the root of a component that
 * must wait, not keep up.
 */
export interface Components {
	readonly of: Int32Array;
	readonly members: readonly (readonly number[])[];
	readonly parent: Int32Array;
	/** The lag to the parent, -1 at a root. */
	readonly parentEdge: Int32Array;
	/** By task, the lags to its children in the tree. */
	readonly children: readonly (readonly number[])[];
	/** By task, the lags to followers. */
	readonly followers: readonly (readonly number[])[];
	/** By task, 1 where it is a component of its own, or goes where what it follows goes. */
	readonly alone: Uint8Array;
	/** By lag, 1 where it leads from a task to what hangs from it. */
	readonly hangs: Uint8Array;
	/** By task, what follows it and leads to nothing more: it is lifted with it. */
	readonly tails: readonly (readonly number[])[];
	/** Those of them that follow it at once. */
	readonly ends: readonly (readonly number[])[];
	/** By task, 1 where it is such an end of others. */
	readonly isTail: Uint8Array;
	readonly atoms: readonly Atom[];
	/** By task, the atoms it is in. */
	readonly atomsOf: readonly (readonly number[])[];
}

/** More than so much is not lifted lightly with each move. */
const MOST_TAILS = 8;

/** What follows a task to the end of all, component by component; nothing where that is too much. */
function tailsOf(
	u: number,
	of: Int32Array,
	members: readonly (readonly number[])[],
	followersOf: (u: number) => readonly number[]
): readonly number[] {
	const found: number[] = [];
	const seen = new Set([of[u]]);
	const queue = [u];
	for (let at = 0; at < queue.length; at += 1)
		for (const after of followersOf(queue[at] ?? 0)) {
			const component = of[after] ?? -1;
			if (seen.has(component)) continue;
			seen.add(component);
			found.push(...(members[component] ?? []));
			if (found.length > MOST_TAILS) return [];
			queue.push(...(members[component] ?? []));
		}
	return found;
}

export function componentsOf(
	tasks: number,
	edges: readonly CompiledEdge[],
	out: readonly (readonly number[])[],
	into: readonly (readonly number[])[],
	pinned: Uint8Array
): Components {
	const of = new Int32Array(tasks).fill(-1);
	const parent = new Int32Array(tasks).fill(-1);
	const parentEdge = new Int32Array(tasks).fill(-1);
	const children: number[][] = Array.from({ length: tasks }, () => []);
	const members: number[][] = [];
	const isTight = (e: number) => edges[e]?.tight ?? false;
	const hasTightBefore = (u: number) => (into[u] ?? []).some(isTight);

	const grow = (root: number) => {
		const component = members.length;
		const found = [root];
		members.push(found);
		of[root] = component;
		for (let at = 0; at < found.length; at += 1) {
			const u = found[at] ?? 0;
			const around = [...(out[u] ?? []), ...(into[u] ?? [])].filter(isTight);
			for (const e of around) {
				const edge = edges[e];
				if (!edge) continue;
				const other = edge.before === u ? edge.after : edge.before;
				if (of[other] !== -1) continue;
				of[other] = component;
				parent[other] = u;
				parentEdge[other] = e;
				children[u]?.push(e);
				found.push(other);
			}
		}
	};
	// Sources first, so that a tree grows along time wherever it can.
	for (let u = 0; u < tasks; u += 1) if (of[u] === -1 && !hasTightBefore(u)) grow(u);
	for (let u = 0; u < tasks; u += 1) if (of[u] === -1) grow(u);

	const followers: number[][] = Array.from({ length: tasks }, () => []);
	edges.forEach((edge, e) => {
		if (edge.tight || of[edge.before] === of[edge.after]) return;
		if (parent[edge.after] !== -1) return;
		followers[edge.before]?.push(e);
	});
	const nextOf = (u: number) => (followers[u] ?? []).map((e) => edges[e]?.after ?? -1);
	const tails = Array.from({ length: tasks }, (_, u) => numbersOf(tailsOf(u, of, members, nextOf)));
	const ends = tails.map((list, u) => numbersOf(list.filter((tail) => nextOf(u).includes(tail))));
	const isTail = new Uint8Array(tasks);
	for (const list of tails) for (const u of list) isTail[u] = 1;

	const alone = Uint8Array.from(of, (component, u) =>
		isTail[u] === 1 || members[component]?.length === 1 ? 1 : 0
	);
	const hangs = new Uint8Array(edges.length);
	for (const list of [...children, ...followers]) for (const e of list) hangs[e] = 1;

	const below = (top: number): number[] => {
		const found = [top];
		for (let at = 0; at < found.length; at += 1)
			for (const e of children[found[at] ?? 0] ?? []) {
				const edge = edges[e];
				if (edge) found.push(parentEdge[edge.after] === e ? edge.after : edge.before);
			}
		return found;
	};
	const atoms: Atom[] = [];
	const atomsOf: number[][] = Array.from({ length: tasks }, () => []);
	const hubOf = (inside: readonly number[]) =>
		inside.reduce((hub, u) =>
			(children[u]?.length ?? 0) > (children[hub]?.length ?? 0) ? u : hub
		);
	const addAtom = (top: number, component: number, whole: boolean) => {
		const inside = below(top);
		const atom: Atom = { top, tasks: numbersOf(inside), component, hub: hubOf(inside), whole };
		for (const u of atom.tasks) atomsOf[u]?.push(atoms.length);
		atoms.push(atom);
	};
	members.forEach((inside, component) => {
		const root = inside[0] ?? 0;
		addAtom(root, component, true);
		for (const u of inside) {
			const under = children[u] ?? [];
			const decided = pinned[u] === 1;
			if (under.length < 2 && !decided) continue;
			for (const e of under) {
				const edge = edges[e];
				if (!edge) continue;
				const child = parentEdge[edge.after] === e ? edge.after : edge.before;
				// What hangs from something decided is as much of a whole as there is.
				addAtom(child, component, decided);
			}
		}
	});
	return {
		of,
		members: listOf(members.map(numbersOf)),
		parent,
		parentEdge,
		children: listOf(children.map(numbersOf)),
		followers: listOf(followers.map(numbersOf)),
		alone,
		hangs,
		tails: listOf(tails),
		ends: listOf(ends),
		isTail,
		atoms: listOf(atoms),
		atomsOf: listOf(atomsOf.map(numbersOf))
	};
}
