import type { Tx } from './client.ts';

const TABLES = {
	formula: 'formula',
	build: 'preparation',
	product: 'product',
	ingredient: 'ingredient'
} as const;

/** Retires something of the book from a moment on, or brings it back with null; false where there is none. */
export async function setRetired(
	tx: Tx,
	what: keyof typeof TABLES,
	id: string,
	atMs: number | null
): Promise<boolean> {
	const changed = await tx
		.updateTable(TABLES[what])
		.set({ retired_at: atMs === null ? null : new Date(atMs) })
		.where('id', '=', id)
		.returning('id')
		.executeTakeFirst();
	return changed !== undefined;
}
