import { Temporal } from 'temporal-polyfill';
import { fail, ok, type Result } from '../result.ts';

/** A calendar day of the bakery as YYYY-MM-DD: the local date of the drops a dough is made for. */
export type BakeDate = string & { readonly __brand: 'bake-date' };

export type BakeDateFailure = { readonly kind: 'not-a-date'; readonly text: string };

/** Days further from the year 2000 than this are a typing error rather than a plan. */
const EARLIEST = '2000-01-01';
const LATEST = '2199-12-31';

/**
 * Reads a date written as YYYY-MM-DD; the day must exist in the calendar.
 * Range: 2000-01-01 to 2199-12-31.
 * Failure: `not-a-date` with the text as it stood.
 * Example: "2027-02-29" is refused, since that year has no such day.
 */
export function parseBakeDate(text: string): Result<BakeDate, BakeDateFailure> {
	if (!/^\d{4}-\d{2}-\d{2}$/.test(text) || text < EARLIEST || text > LATEST)
		return fail({ kind: 'not-a-date', text });
	try {
		return ok(Temporal.PlainDate.from(text, { overflow: 'reject' }).toString() as BakeDate);
	} catch (error) {
		if (error instanceof RangeError) return fail({ kind: 'not-a-date', text });
		throw error;
	}
}

export function addDays(date: BakeDate, days: number): BakeDate {
	return Temporal.PlainDate.from(date).add({ days }).toString() as BakeDate;
}

/** Monday is 1 and Sunday 7, as in ISO 8601. */
export function weekdayOf(date: BakeDate): number {
	return Temporal.PlainDate.from(date).dayOfWeek;
}
