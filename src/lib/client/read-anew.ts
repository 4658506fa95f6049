import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** What is read anew: what follows the date, what follows the moment, or all of it. */
export type ReadAnew = 'jovet:day' | 'jovet:moment' | 'everything';

/**
 * Reads a page's data anew. While the reader is on the way to another page this waits, for otherwise the way
 * there would be cut off.
 */
export async function readAnew(what: ReadAnew): Promise<void> {
	// The way may fail or lead elsewhere; either way it is over then.
	await navigating.complete?.catch(() => undefined);
	await (what === 'everything' ? invalidateAll() : invalidate(what));
}
