/** Rows in groups by a key, each turned into what is wanted of it, in their order. */
export function groupBy<Row, Value>(
	rows: readonly Row[],
	keyOf: (row: Row) => string,
	valueOf: (row: Row) => Value
): ReadonlyMap<string, readonly Value[]> {
	const groups = new Map<string, Value[]>();
	for (const row of rows) {
		const group = groups.get(keyOf(row));
		if (group) group.push(valueOf(row));
		else groups.set(keyOf(row), [valueOf(row)]);
	}
	return groups;
}
