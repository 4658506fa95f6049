import { nameKey } from '../name-key.ts';

/** What a column may be called, the first being what is written. */
export type Heads<K extends string> = Readonly<Record<K, readonly string[]>>;

/** A head without the unit in brackets at its end. */
function withoutUnit(head: string): string {
	return nameKey(head.replace(/\s*\([^()]*\)\s*$/, ''));
}

/** Where each column of a table is; -1 for those that it does not have. */
export function columnsAt<K extends string>(
	heads: Heads<K>,
	found: readonly string[]
): Readonly<Record<K, number>> {
	const keys = found.map(withoutUnit);
	return Object.fromEntries(
		(Object.keys(heads) as K[]).map((column) => {
			const names = heads[column].map(withoutUnit);
			return [column, keys.findIndex((key) => names.includes(key))];
		})
	) as Record<K, number>;
}
