import { weightOf, type Feed } from './keeping.ts';

/** What happened to the weight of a culture. */
export type CultureEvent = { readonly atMs: number } & (
	| { readonly kind: 'counted'; readonly grams: number }
	/** What of it was not taken as seed was given away or thrown away. */
	| ({ readonly kind: 'fed' } & Feed)
	/** Ripe culture that came back from a pre-ferment it seeded. */
	| { readonly kind: 'kept-back'; readonly grams: number }
	/** It went into a batch. */
	| { readonly kind: 'used'; readonly grams: number }
	| { readonly kind: 'taken-out'; readonly grams: number }
);

/** An event with what it did to the weight. */
export interface LedgerLine {
	readonly event: CultureEvent;
	/** What came into the jar: flour, water, and what was kept back. */
	readonly inGrams: number;
	/** What was taken out of it to be used, and to be thrown or given away. */
	readonly outGrams: number;
	/** What nobody wrote down: more was counted, or taken as seed, than there was; below 0 for less. */
	readonly foundGrams: number;
	/** null until it was weighed or fed for the first time. */
	readonly afterGrams: number | null;
}

/**
 * Follows the weight of a culture.
 *
 * Model: a count is what there is. A feed leaves what it is made of; the rest of what was there went out. What came
 * before anything was weighed says nothing of what is there. Range: events in order of time, 0 or more grams; more used
 * than there was leaves 0 and is told as found. Source: definition. Failures: none.
 * Example: 500 g, fed 1:4:4 from 50 g of them, are 450 g, and 450 g went out.
 */
export function ledgerOf(events: readonly CultureEvent[]): readonly LedgerLine[] {
	let there: number | null = null;
	return events.map((event) => {
		const line = lineOf(event, there);
		there = line.afterGrams;
		return line;
	});
}

function lineOf(event: CultureEvent, there: number | null): LedgerLine {
	switch (event.kind) {
		case 'counted':
			return {
				event,
				inGrams: 0,
				outGrams: 0,
				foundGrams: there === null ? event.grams : event.grams - there,
				afterGrams: event.grams
			};
		case 'fed': {
			const before = there ?? event.seedGrams;
			const foundGrams = Math.max(0, event.seedGrams - before);
			return {
				event,
				inGrams: event.flourGrams + event.waterGrams,
				outGrams: before + foundGrams - event.seedGrams,
				foundGrams: there === null ? event.seedGrams : foundGrams,
				afterGrams: weightOf(event)
			};
		}
		case 'kept-back':
			return {
				event,
				inGrams: event.grams,
				outGrams: 0,
				foundGrams: 0,
				afterGrams: there === null ? null : there + event.grams
			};
		case 'used':
		case 'taken-out': {
			const foundGrams = there === null ? 0 : Math.max(0, event.grams - there);
			return {
				event,
				inGrams: 0,
				outGrams: event.grams,
				foundGrams,
				afterGrams: there === null ? null : Math.max(0, there - event.grams)
			};
		}
	}
}

/** What there is of a culture after all that happened; null while nobody weighed or fed it. */
export function massOf(events: readonly CultureEvent[]): number | null {
	return ledgerOf(events).at(-1)?.afterGrams ?? null;
}
