/** So many of something, from one moment to another. */
export interface Use {
	readonly fromMs: number;
	readonly toMs: number;
	readonly count: number;
}

/** When most are in use at once, the first such moment; null where none ever is. */
export function peakOf(
	uses: readonly Use[]
): { readonly wanted: number; readonly atMs: number } | null {
	let peak: { readonly wanted: number; readonly atMs: number } | null = null;
	for (const { fromMs } of uses) {
		const wanted = uses
			.filter((use) => use.fromMs <= fromMs && fromMs < use.toMs)
			.reduce((total, use) => total + use.count, 0);
		if (!peak || wanted > peak.wanted || (wanted === peak.wanted && fromMs < peak.atMs))
			peak = { wanted, atMs: fromMs };
	}
	return peak;
}
