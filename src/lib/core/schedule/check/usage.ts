/** What is used of each pool over time: collected from all that uses it, then held against what is there. */
export class Usage {
	private readonly uses = new Map<string, { from: number; to: number; amount: number }[]>();

	add(pool: string, from: number, to: number, amount: number): void {
		if (from >= to) return;
		const list = this.uses.get(pool) ?? [];
		list.push({ from, to, amount });
		this.uses.set(pool, list);
	}

	/** The stretches over which more is used than is there, and by how much. */
	over(
		pool: string,
		there: readonly { readonly from: number; readonly to: number; readonly amount: number }[]
	): { readonly from: number; readonly to: number; readonly over: number }[] {
		const changes = new Map<number, { used: number; there: number }>();
		const change = (t: number, used: number, is: number) => {
			const known = changes.get(t) ?? { used: 0, there: 0 };
			changes.set(t, { used: known.used + used, there: known.there + is });
		};
		for (const { from, to, amount } of this.uses.get(pool) ?? []) {
			change(from, amount, 0);
			change(to, -amount, 0);
		}
		for (const { from, to, amount } of there) {
			if (from >= to) continue;
			change(from, 0, amount);
			change(to, 0, -amount);
		}
		const times = [...changes.keys()].sort((a, b) => a - b);
		const found: { from: number; to: number; over: number }[] = [];
		let used = 0;
		let is = 0;
		for (const [at, from] of times.entries()) {
			used += changes.get(from)?.used ?? 0;
			is += changes.get(from)?.there ?? 0;
			const to = times[at + 1];
			if (to !== undefined && used > 0 && used > is) found.push({ from, to, over: used - is });
		}
		return found;
	}
}

/** True where the pools that give are as many as asked and among those that may. */
export function isMet(
	demand: { readonly pools: readonly string[]; readonly amount: number },
	given: readonly string[] | undefined
): given is readonly string[] {
	return (
		given !== undefined &&
		given.length === demand.amount &&
		given.every((pool) => demand.pools.includes(pool))
	);
}
