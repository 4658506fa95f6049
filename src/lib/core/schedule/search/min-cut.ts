/**
 * A graph with two ends whose cheapest cut is found (Dinic's maximum flow), made once and filled anew for each use.
 * Capacities are whole numbers.
 */
export class MinCut {
	private readonly first: Int32Array;
	private readonly level: Int32Array;
	private readonly turn: Int32Array;
	private readonly queue: Int32Array;
	private readonly stack: Int32Array;
	private target: Int32Array;
	private room: Int32Array;
	private next: Int32Array;
	private arcs = 0;
	private readonly source: number;
	private readonly sink: number;

	/** For nodes 0 to `nodes` - 1; the two ends are apart from these. */
	constructor(private readonly nodes: number) {
		const all = nodes + 2;
		this.source = nodes;
		this.sink = nodes + 1;
		this.first = new Int32Array(all);
		this.level = new Int32Array(all);
		this.turn = new Int32Array(all);
		this.queue = new Int32Array(all);
		this.stack = new Int32Array(all);
		this.target = new Int32Array(1024);
		this.room = new Int32Array(1024);
		this.next = new Int32Array(1024);
	}

	clear(): void {
		this.first.fill(-1);
		this.arcs = 0;
	}

	/** Cutting `from` (kept) off from `to` (left) costs so much, and the other way round so much. */
	join(from: number, to: number, there: number, back: number): void {
		if (this.arcs + 2 > this.target.length) this.grow();
		const { target, room, next, first } = this;
		const at = this.arcs;
		target[at] = to;
		room[at] = there;
		next[at] = first[from] as number;
		first[from] = at;
		target[at + 1] = from;
		room[at + 1] = back;
		next[at + 1] = first[to] as number;
		first[to] = at + 1;
		this.arcs += 2;
	}

	/** Leaving a node costs so much; or, where negative, keeping it costs its opposite. */
	price(node: number, ofKeeping: number): void {
		if (ofKeeping > 0) this.join(node, this.sink, ofKeeping, 0);
		else if (ofKeeping < 0) this.join(this.source, node, -ofKeeping, 0);
	}

	/** The nodes on the source's side of the cheapest cut; the fewest there can be. */
	solve(kept: Uint8Array): void {
		while (this.rank()) {
			this.turn.set(this.first);
			while (this.push() > 0);
		}
		for (let at = 0; at < this.nodes; at += 1) kept[at] = (this.level[at] as number) >= 0 ? 1 : 0;
	}

	private rank(): boolean {
		const { level, queue, first, next, target, room, source, sink } = this;
		level.fill(-1);
		level[source] = 0;
		queue[0] = source;
		let tail = 1;
		for (let head = 0; head < tail; head += 1) {
			const u = queue[head] as number;
			for (let a = first[u] as number; a >= 0; a = next[a] as number) {
				const v = target[a] as number;
				if ((room[a] as number) <= 0 || (level[v] as number) >= 0) continue;
				level[v] = (level[u] as number) + 1;
				queue[tail] = v;
				tail += 1;
			}
		}
		return (level[sink] as number) >= 0;
	}

	/** Sends flow along one path of rising level; the amount, 0 where there is no more. */
	private push(): number {
		const { level, turn, stack, next, target, room, source, sink } = this;
		let depth = 0;
		let u = source;
		while (u !== sink) {
			let a = turn[u] as number;
			while (
				a >= 0 &&
				((room[a] as number) <= 0 ||
					(level[target[a] as number] as number) !== (level[u] as number) + 1)
			)
				a = next[a] as number;
			turn[u] = a;
			if (a >= 0) {
				stack[depth] = a;
				depth += 1;
				u = target[a] as number;
				continue;
			}
			if (depth === 0) return 0;
			// A dead end: its arc is passed over from now on.
			depth -= 1;
			const back = stack[depth] as number;
			u = target[back ^ 1] as number;
			turn[u] = next[back] as number;
		}
		let amount = 1 << 30;
		for (let at = 0; at < depth; at += 1)
			amount = Math.min(amount, room[stack[at] as number] as number);
		for (let at = 0; at < depth; at += 1) {
			const a = stack[at] as number;
			room[a] = (room[a] as number) - amount;
			room[a ^ 1] = (room[a ^ 1] as number) + amount;
		}
		return amount;
	}

	private grow(): void {
		const wider = (old: Int32Array) => {
			const made = new Int32Array(old.length * 2);
			made.set(old);
			return made;
		};
		this.target = wider(this.target);
		this.room = wider(this.room);
		this.next = wider(this.next);
	}
}
