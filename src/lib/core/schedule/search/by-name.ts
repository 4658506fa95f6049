/** Where each of some things stands in its list, by its name. */
export function indexOf(items: readonly { readonly id: string }[]): Map<string, number> {
	const index = new Map<string, number>();
	for (let at = 0; at < items.length; at += 1) index.set((items[at] as { id: string }).id, at);
	return index;
}

/** Throws where the problem names what it does not have, which `faultOf` would have told. */
export function found(index: ReadonlyMap<string, number>, id: string): number {
	const at = index.get(id);
	if (at === undefined) throw new Error(`the problem names ${id}, which it does not have`);
	return at;
}

/** The same for several names. */
export function foundAll(index: ReadonlyMap<string, number>, ids: readonly string[]): number[] {
	const all: number[] = [];
	for (let at = 0; at < ids.length; at += 1) all.push(found(index, ids[at] as string));
	return all;
}
