/** A delivery of one ingredient that came into the house. */
export interface Arrival {
	/** As its label says; empty where nobody told. */
	readonly lot: string;
	readonly grams: number;
	readonly atMs: number;
}

/** What else tells how much of an ingredient there was: it was counted, or something was taken out of it. */
export interface OnHandEntry {
	readonly kind: 'counted' | 'taken-out';
	readonly grams: number;
	readonly atMs: number;
}

/** What a batch took of one ingredient. */
export interface Use {
	readonly batchId: string;
	readonly grams: number;
	readonly atMs: number;
	/** The lots that were told as it was weighed; empty where nobody told. */
	readonly told: readonly string[];
}

/** How it is known that a lot went in: told at the scale, or only possible by what was in the house. */
export type LotKnown = 'told' | 'possible';

export interface LotOfUse {
	readonly lot: string;
	readonly known: LotKnown;
	/** When it came; null for a lot that was told and never received. */
	readonly atMs: number | null;
}

/** So much more than is known may lie there: bags hold a little more than they say, hands take a little less (our default). */
const SLACK_SHARE = 0.05;

/**
 * Which deliveries of an ingredient may have gone into each batch that took of it, by the batch.
 *
 * Model: what was told at the scale is what went in. Otherwise the oldest goes first: what lies there is of the newest deliveries that make up what was on hand, so each
 * of those is possible, and nothing older. Where nothing was counted before, every delivery before it is possible. Range: entries of one ingredient, any
 * order. Source: our default, on the side of naming a batch too many. Failures: a batch that nothing was delivered before has none.
 * Example: 50 kg each on Monday and on Wednesday with nothing used between, 60 kg on hand on Thursday: a mix of Thursday may hold either.
 */
export function lotsOfUses(
	arrivals: readonly Arrival[],
	onHand: readonly OnHandEntry[],
	uses: readonly Use[]
): ReadonlyMap<string, readonly LotOfUse[]> {
	type Moment =
		| { readonly atMs: number; readonly arrival: Arrival }
		| { readonly atMs: number; readonly entry: OnHandEntry }
		| { readonly atMs: number; readonly use: Use };
	// What arrives at the minute of a use is there for it.
	const order = (one: Moment) => ('arrival' in one ? 0 : 'entry' in one ? 1 : 2);
	const moments: readonly Moment[] = [
		...arrivals.map((arrival) => ({ atMs: arrival.atMs, arrival })),
		...onHand.map((entry) => ({ atMs: entry.atMs, entry })),
		...uses.map((use) => ({ atMs: use.atMs, use }))
	].sort((a, b) => a.atMs - b.atMs || order(a) - order(b));
	const found = new Map<string, readonly LotOfUse[]>();
	const came: Arrival[] = [];
	/** null until something was counted. */
	let grams: number | null = null;
	for (const one of moments) {
		if ('arrival' in one) {
			came.push(one.arrival);
			if (grams !== null) grams += one.arrival.grams;
		} else if ('entry' in one) {
			if (one.entry.kind === 'counted') grams = one.entry.grams;
			else if (grams !== null) grams = Math.max(0, grams - one.entry.grams);
		} else {
			found.set(one.use.batchId, lotsOf(one.use, came, grams));
			if (grams !== null) grams = Math.max(0, grams - one.use.grams);
		}
	}
	return found;
}

function lotsOf(use: Use, came: readonly Arrival[], grams: number | null): readonly LotOfUse[] {
	if (use.told.length > 0)
		return [...new Set(use.told)].map((lot) => ({
			lot,
			known: 'told',
			atMs: came.findLast((arrival) => arrival.lot === lot)?.atMs ?? null
		}));
	const possible: Arrival[] = [];
	let newer = 0;
	for (const arrival of came.toReversed()) {
		// What is wanted now lay there a moment ago, whatever was counted.
		if (grams !== null && newer > Math.max(grams, use.grams) * (1 + SLACK_SHARE)) break;
		possible.push(arrival);
		newer += arrival.grams;
	}
	const named = new Map<string, LotOfUse>();
	for (const { lot, atMs } of possible)
		if (!named.has(lot)) named.set(lot, { lot, known: 'possible', atMs });
	return [...named.values()];
}
