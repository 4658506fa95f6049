/** Which batch went into which. */
export interface WentInto {
	readonly batchId: string;
	readonly parentId: string;
}

/**
 * Everything that was made of some batches, or that they were made of, themselves first, each once.
 * Range: any links; circles end. Source: definition. Failures: none.
 * Example: of a levain its mixes, their portions and loads.
 */
export function followed(
	from: readonly string[],
	links: readonly WentInto[],
	way: 'forward' | 'back'
): readonly string[] {
	const next = new Map<string, string[]>();
	for (const { batchId, parentId } of links) {
		const [here, there] = way === 'forward' ? [parentId, batchId] : [batchId, parentId];
		next.set(here, [...(next.get(here) ?? []), there]);
	}
	const found = new Set(from);
	for (const id of found) for (const one of next.get(id) ?? []) found.add(one);
	return [...found];
}
