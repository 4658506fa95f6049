/** A component that waits to be put in. */
export interface Turn {
	readonly at: number;
	readonly trouble: number;
	readonly rank: number;
}

/** What gave most trouble first, then by rank. */
export function byTrouble(a: Turn, b: Turn): number {
	return b.trouble - a.trouble || a.rank - b.rank || a.at - b.at;
}
