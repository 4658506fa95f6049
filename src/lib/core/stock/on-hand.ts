/** What was counted of an ingredient, and what came and went since. */
export interface StockSince {
	/** Null where it was never counted. */
	readonly countedGrams: number | null;
	readonly receivedGrams: number;
	readonly takenOutGrams: number;
	/** What went into batches that were begun. */
	readonly usedGrams: number;
}

/**
 * Gives what is on hand: what was counted last, what came since, less what went; null where nothing was ever counted, for
 * what came alone says nothing of what is there.
 * Range: grams of 0 or more; below 0 where more was used than was there, which a new count mends. Source: domain (stock
 * counted, received, used). Failures: none.
 * Example: 80 kg counted, 25 received, 40 used and 1 spilled are 64 kg.
 */
export function onHand(since: StockSince): number | null {
	if (since.countedGrams === null) return null;
	return since.countedGrams + since.receivedGrams - since.takenOutGrams - since.usedGrams;
}
