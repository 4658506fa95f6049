/** SQL has no empty list; an id that no row has stands for it. */
export function orNone(ids: readonly string[]): readonly string[] {
	return ids.length > 0 ? ids : ['00000000-0000-0000-0000-000000000000'];
}
