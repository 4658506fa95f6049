import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import { answers } from './answers.ts';
import { keptAge } from './kept-age.svelte.ts';
import { patiently } from './patient-reading.ts';

/** What is read anew: what follows the date, what follows the moment, or all of it. */
export type ReadAnew = 'jovet:day' | 'jovet:moment' | 'everything';

/**
 * Reads a page's data anew; tells whether it could. While the reader is on the way to another page this waits,
 * for otherwise the way there would be cut off. A page that cannot be read stays as it is: reading it all the
 * same would put an error in the place of what stands there.
 */
export async function readAnew(what: ReadAnew): Promise<boolean> {
	await theWayIsOver();
	if (!(await answers())) return false;
	// A hand may have gone on its way while the server was asked.
	await theWayIsOver();
	// A page that was opened from what is kept here is old in all its parts.
	const isAll = what === 'everything' || keptAge.atMs !== null;
	await patiently(() => (isAll ? invalidateAll() : invalidate(what)));
	// What was kept tells nothing new.
	return keptAge.atMs === null;
}

/** The way may fail or lead elsewhere; either way it is over then. */
async function theWayIsOver(): Promise<void> {
	while (navigating.complete) await navigating.complete.catch(() => undefined);
}
