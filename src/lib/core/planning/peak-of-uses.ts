import type { BakeDayInput } from './input.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/** So many of something, from one moment to another. */
export interface Use {
	readonly fromMs: number;
	readonly toMs: number;
	readonly count: number;
}

/** When most are in use at once, the first such moment, with what is in use `beside`; null where none ever is. */
export function peakOf(
	uses: readonly Use[],
	beside: readonly Use[] = []
): { readonly wanted: number; readonly atMs: number } | null {
	let peak: { readonly wanted: number; readonly atMs: number } | null = null;
	const inUse = (all: readonly Use[], atMs: number) =>
		all
			.filter((use) => use.fromMs <= atMs && atMs < use.toMs)
			.reduce((total, use) => total + use.count, 0);
	for (const { fromMs } of [...uses, ...beside]) {
		const own = inUse(uses, fromMs);
		// What others do by themselves is theirs.
		if (own === 0) continue;
		const wanted = own + inUse(beside, fromMs);
		if (!peak || wanted > peak.wanted || (wanted === peak.wanted && fromMs < peak.atMs))
			peak = { wanted, atMs: fromMs };
	}
	return peak;
}

/** What other dates have of a vessel or of the room in a place. */
export function usesElsewhere(
	of: TakenElsewhere['of'],
	id: string,
	{ elsewhere }: Pick<BakeDayInput, 'elsewhere'>
): readonly Use[] {
	return elsewhere
		.filter((one) => one.of === of && one.id === id)
		.map(({ fromMs, toMs, amount }) => ({ fromMs, toMs, count: amount }));
}
