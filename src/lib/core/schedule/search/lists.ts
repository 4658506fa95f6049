// An engine knows lists by how they were made: what `map` gives is of another kind before that code is compiled than after,
// and empty of another than full. What reads them at every turn would be compiled anew for each kind, in the middle of a
// search. So the lists of a compiled problem are made in one place.

/** The same list of numbers, of one kind however it was made. */
export function numbersOf(items: ArrayLike<number>): number[] {
	const made: number[] = [];
	for (let at = 0; at < items.length; at += 1) made.push(items[at] as number);
	return made;
}

/** The same list of objects, of one kind however it was made. */
export function listOf<T extends object | null>(items: ArrayLike<T>): T[] {
	const made: T[] = [];
	for (let at = 0; at < items.length; at += 1) made.push(items[at] as T);
	return made;
}
