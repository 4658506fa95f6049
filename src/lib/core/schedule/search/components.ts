import type { CompiledEdge } from './compiled.ts';
import { emptyLists, listOf, listsOf } from './lists.ts';

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

/** Tasks and the lags between them, as trees while they are grown. */
class Grower {
	readonly of: Int32Array;
	readonly parent: Int32Array;
	readonly parentEdge: Int32Array;
	readonly children: number[][];
	readonly followers: number[][];
	readonly members: number[][] = [];
	readonly atoms: Atom[] = [];
	readonly atomsOf: number[][];

	constructor(
		private readonly tasks: number,
		private readonly edges: readonly CompiledEdge[],
		private readonly out: readonly (readonly number[])[],
		private readonly into: readonly (readonly number[])[]
	) {
		this.of = new Int32Array(tasks).fill(-1);
		this.parent = new Int32Array(tasks).fill(-1);
		this.parentEdge = new Int32Array(tasks).fill(-1);
		this.children = emptyLists(tasks);
		this.followers = emptyLists(tasks);
		this.atomsOf = emptyLists(tasks);
	}

	growAll(): void {
		// Sources first, so that a tree grows along time wherever it can.
		for (let u = 0; u < this.tasks; u += 1)
			if (this.of[u] === -1 && !this.hasTightBefore(u)) this.grow(u);
		for (let u = 0; u < this.tasks; u += 1) if (this.of[u] === -1) this.grow(u);
		for (let e = 0; e < this.edges.length; e += 1) {
			const { before, after, tight } = this.edges[e] as CompiledEdge;
			if (tight || this.of[before] === this.of[after] || this.parent[after] !== -1) continue;
			this.followers[before]?.push(e);
		}
	}

	private hasTightBefore(u: number): boolean {
		for (const e of this.into[u] ?? []) if (this.edges[e]?.tight) return true;
		return false;
	}

	private grow(root: number): void {
		const component = this.members.length;
		const found = [root];
		this.members.push(found);
		this.of[root] = component;
		for (let at = 0; at < found.length; at += 1) {
			const u = found[at] ?? 0;
			for (const e of this.out[u] ?? []) this.reach(u, e, component, found);
			for (const e of this.into[u] ?? []) this.reach(u, e, component, found);
		}
	}

	/** Takes in what a task is tied to by a lag. */
	private reach(u: number, e: number, component: number, found: number[]): void {
		const edge = this.edges[e];
		if (!edge?.tight) return;
		const other = edge.before === u ? edge.after : edge.before;
		if (this.of[other] !== -1) return;
		this.of[other] = component;
		this.parent[other] = u;
		this.parentEdge[other] = e;
		this.children[u]?.push(e);
		found.push(other);
	}

	/** What follows a task to the end of all, component by component; nothing where that is too much. */
	tailsOf(u: number): number[] {
		const found: number[] = [];
		const seen = new Set([this.of[u]]);
		const queue = [u];
		for (let at = 0; at < queue.length; at += 1)
			for (const e of this.followers[queue[at] ?? 0] ?? []) {
				const component = this.of[this.edges[e]?.after ?? -1] ?? -1;
				if (seen.has(component)) continue;
				seen.add(component);
				const inside = this.members[component] ?? [];
				for (const one of inside) found.push(one);
				if (found.length > MOST_TAILS) return [];
				for (const one of inside) queue.push(one);
			}
		return found;
	}

	/** Those of some tails that follow a task at once. */
	endsOf(u: number, tails: readonly number[]): number[] {
		const ends: number[] = [];
		for (const tail of tails)
			for (const e of this.followers[u] ?? [])
				if (this.edges[e]?.after === tail) {
					ends.push(tail);
					break;
				}
		return ends;
	}

	/** A component and its branches: what can be taken out and put back in one go. */
	addAtoms(component: number, pinned: Uint8Array): void {
		const inside = this.members[component] ?? [];
		this.addAtom(inside[0] ?? 0, component, true);
		for (const u of inside) {
			const under = this.children[u] ?? [];
			const decided = pinned[u] === 1;
			if (under.length < 2 && !decided) continue;
			// What hangs from something decided is as much of a whole as there is.
			for (const e of under) this.addAtom(this.childOf(e), component, decided);
		}
	}

	private addAtom(top: number, component: number, whole: boolean): void {
		const tasks = [top];
		for (let at = 0; at < tasks.length; at += 1)
			for (const e of this.children[tasks[at] ?? 0] ?? []) tasks.push(this.childOf(e));
		let hub = top;
		for (const u of tasks)
			if ((this.children[u]?.length ?? 0) > (this.children[hub]?.length ?? 0)) hub = u;
		for (const u of tasks) this.atomsOf[u]?.push(this.atoms.length);
		this.atoms.push({ top, tasks, component, hub, whole });
	}

	/** The task that a lag of the tree leads to from its parent. */
	private childOf(e: number): number {
		const { before, after } = this.edges[e] as CompiledEdge;
		return this.parentEdge[after] === e ? after : before;
	}
}

export function componentsOf(
	tasks: number,
	edges: readonly CompiledEdge[],
	out: readonly (readonly number[])[],
	into: readonly (readonly number[])[],
	pinned: Uint8Array
): Components {
	const grower = new Grower(tasks, edges, out, into);
	grower.growAll();
	const { of, parent, parentEdge, children, followers, members, atoms, atomsOf } = grower;
	const tails: number[][] = [];
	const ends: number[][] = [];
	const isTail = new Uint8Array(tasks);
	for (let u = 0; u < tasks; u += 1) {
		const list = grower.tailsOf(u);
		tails.push(list);
		ends.push(grower.endsOf(u, list));
		for (const tail of list) isTail[tail] = 1;
	}
	const alone = new Uint8Array(tasks);
	for (let u = 0; u < tasks; u += 1)
		if (isTail[u] === 1 || members[of[u] ?? -1]?.length === 1) alone[u] = 1;
	const hangs = new Uint8Array(edges.length);
	for (const list of children) for (const e of list) hangs[e] = 1;
	for (const list of followers) for (const e of list) hangs[e] = 1;
	for (let component = 0; component < members.length; component += 1)
		grower.addAtoms(component, pinned);
	return {
		of,
		members: listsOf(members),
		parent,
		parentEdge,
		children: listsOf(children),
		followers: listsOf(followers),
		alone,
		hangs,
		tails: listsOf(tails),
		ends: listsOf(ends),
		isTail,
		atoms: listOf(atoms),
		atomsOf: listsOf(atomsOf)
	};
}
