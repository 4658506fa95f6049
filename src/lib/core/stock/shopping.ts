import { goesOn, type SupplierContent } from '../bakery/index.ts';
import { addDays, type BakeDate } from '../time/index.ts';

/** An ingredient over the dates that are looked at. */
export interface Lasting {
	readonly ingredientId: string;
	readonly name: string;
	/** What is left of it after the last of them; below 0 where it does not last. */
	readonly leftGrams: number;
	/** The date whose bread wants more than there is; null where it lasts. */
	readonly shortOn: BakeDate | null;
	/** What it comes in; null for any weight. */
	readonly packGrams: number | null;
	/** What is kept in the house at the least. */
	readonly leastGrams: number;
}

/** What to order of an ingredient. */
export interface ToOrder {
	readonly ingredientId: string;
	readonly name: string;
	readonly leftGrams: number;
	/** In whole packs, where it comes in packs. */
	readonly orderGrams: number;
	readonly packs: number | null;
	readonly shortOn: BakeDate | null;
}

/**
 * Gives what to order: the whole packs that bring each ingredient back to what is kept of it at the least.
 * Range: grams of any sign left, 0 or more to keep. Source: our default. Failures: none; what has enough is left out.
 * Example: 61 kg short, 10 kg to keep and sacks of 25 kg are three sacks.
 */
export function toOrder(lasting: readonly Lasting[]): readonly ToOrder[] {
	return lasting.flatMap(({ ingredientId, name, leftGrams, shortOn, packGrams, leastGrams }) => {
		const wanted = leastGrams - leftGrams;
		if (wanted <= 0) return [];
		const packs = packGrams === null ? null : Math.ceil(wanted / packGrams - 1e-9);
		const orderGrams = packs === null || packGrams === null ? wanted : packs * packGrams;
		return [{ ingredientId, name, leftGrams, orderGrams, packs, shortOn }];
	});
}

/** When a supplier comes, and by when it has to be told. */
export interface LastDelivery {
	readonly comesOn: BakeDate;
	readonly orderBy: BakeDate;
}

/** No supplier is waited for longer than this. */
const MOST_DAYS = 28;

/**
 * Gives the last delivery that is there before an ingredient is wanted.
 *
 * Model: bread of a date is begun the day before; the last day before that one on which the supplier comes, told so many
 * days ahead. Range: any dates. Source: our default. Failures: null where no such delivery can be ordered any more.
 * Example: wanted for Friday's bread, a supplier that comes on Wednesdays and is told a day before is told on Tuesday.
 */
export function lastDelivery(
	supplier: Pick<SupplierContent, 'weekdays' | 'daysAhead'>,
	shortOn: BakeDate,
	today: BakeDate
): LastDelivery | null {
	for (let days = 1; days <= MOST_DAYS; days += 1) {
		const comesOn = addDays(shortOn, -days);
		const orderBy = addDays(comesOn, -supplier.daysAhead);
		if (orderBy < today) return null;
		if (goesOn(supplier, comesOn)) return { comesOn, orderBy };
	}
	return null;
}

/** The first delivery that can still be ordered; null for a supplier that comes on no day. */
export function nextDelivery(
	supplier: Pick<SupplierContent, 'weekdays' | 'daysAhead'>,
	today: BakeDate
): LastDelivery | null {
	for (let days = 0; days <= MOST_DAYS; days += 1) {
		const comesOn = addDays(today, supplier.daysAhead + days);
		if (goesOn(supplier, comesOn))
			return { comesOn, orderBy: addDays(comesOn, -supplier.daysAhead) };
	}
	return null;
}
