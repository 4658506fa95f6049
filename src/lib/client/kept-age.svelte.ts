/** Since when what stands on the page was kept, on the real clock; null where the server gave it just now. */
class KeptAge {
	atMs: number | null = $state(null);
}

/** One page, one age. */
export const keptAge = new KeptAge();
