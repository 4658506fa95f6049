/** The value below which a share of the values lies; NaN of none. */
export function quantile(values: readonly number[], share: number): number {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
}
