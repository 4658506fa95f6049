import { followed, type WentInto } from './follow.ts';
import type { LotKnown, LotOfUse } from './lots.ts';

/** A batch that a lot went into, at first hand or by what it was made of. */
export interface RecalledBatch {
	readonly batchId: string;
	readonly known: LotKnown;
	/** It was weighed into it; false where it came by what went into it. */
	readonly firstHand: boolean;
}

/**
 * Every batch that holds a lot, or may.
 *
 * Model: what was made of a batch holds what went into that; it is told where any way to it is told. Range: lots by batch (`lotsOfUses`), all links from
 * those batches on. Source: definition. Failures: none.
 * Example: a flour told into a levain and only possible in a mix of it: the mix holds it, told.
 */
export function recallOf(
	lot: string,
	lots: ReadonlyMap<string, readonly LotOfUse[]>,
	links: readonly WentInto[]
): readonly RecalledBatch[] {
	const firstHand = new Map<string, LotKnown>();
	for (const [batchId, of] of lots) {
		const one = of.find((other) => other.lot === lot);
		if (one) firstHand.set(batchId, one.known);
	}
	const told = [...firstHand].flatMap(([batchId, known]) => (known === 'told' ? [batchId] : []));
	const surely = new Set(followed(told, links, 'forward'));
	return followed([...firstHand.keys()], links, 'forward').map((batchId) => ({
		batchId,
		known: surely.has(batchId) ? 'told' : 'possible',
		firstHand: firstHand.has(batchId)
	}));
}
