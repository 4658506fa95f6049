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

/** So many empty lists, for numbers; to be filled, and then written out by `listsOf`. */
export function emptyLists(count: number): number[][] {
	const lists: number[][] = [];
	for (let at = 0; at < count; at += 1) lists.push([]);
	return lists;
}

/** The same lists of numbers, of one kind however they were made. */
export function listsOf(lists: readonly (readonly number[])[]): number[][] {
	const made: number[][] = [];
	for (let at = 0; at < lists.length; at += 1) made.push(numbersOf(lists[at] as readonly number[]));
	return made;
}
