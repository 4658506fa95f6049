/**
 * What the bench shows only when a hand asks for it is fetched once the page is there: it is at hand when the server is
 * away, and does not hold the page up before.
 */
export async function fetchAhead(): Promise<void> {
	await Promise.allSettled([
		import('./NotYet.svelte'),
		import('./LookAtPieces.svelte'),
		import('./ShortDrops.svelte'),
		import('../../fields/CountPieces.svelte'),
		import('../../fields/DrawnLook.svelte')
	]);
}
