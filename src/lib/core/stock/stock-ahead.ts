import type { BakeDate } from '../time/index.ts';

/** What a date takes of an ingredient, and what for. */
export interface StockNeed {
	readonly date: BakeDate;
	readonly grams: number;
	/** The doughs, preparations and products that take it. */
	readonly takers: readonly string[];
}

/** An ingredient over the dates to come. */
export interface StockAhead {
	/** What is left of it after each date; below 0 where it does not last. */
	readonly left: readonly { readonly date: BakeDate; readonly grams: number }[];
	/** The first date for which it does not last; null where it lasts over all of them. */
	readonly shortOn: BakeDate | null;
	/** What is missing over all the dates. */
	readonly missingGrams: number;
	/** What is not made on that date and those after it, unless more comes. */
	readonly stops: readonly string[];
}

/** A difference of less than this is dust of binary sums. */
const DUST_GRAMS = 1e-6;

/**
 * Follows what is on hand of an ingredient over the dates to come.
 *
 * Model: each date takes its need, the earliest first; from the first date on whose need is not covered everything that
 * takes it is stopped or made less of. Range: needs by date, the earliest first, of 0 or more. Source: domain (ingredients
 * to have, with shortages). Failures: none.
 * Example: 100 kg on hand and 40 kg a night last two nights; on the third 20 kg are missing.
 */
export function stockAhead(onHandGrams: number, needs: readonly StockNeed[]): StockAhead {
	let grams = onHandGrams;
	const left = needs.map((need) => {
		grams -= need.grams;
		return { date: need.date, grams };
	});
	const at = left.findIndex(
		(one, index) => one.grams < -DUST_GRAMS && (needs[index]?.grams ?? 0) > 0
	);
	if (at < 0) return { left, shortOn: null, missingGrams: 0, stops: [] };
	return {
		left,
		shortOn: left[at]?.date ?? null,
		missingGrams: -grams,
		stops: [...new Set(needs.slice(at).flatMap(({ takers }) => takers))]
	};
}
