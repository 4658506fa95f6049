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
	const ms = startOf(text);
	// A day that the calendar has not runs over into the next month.
	return !Number.isNaN(ms) && dateAt(ms) === text
		? ok(text as BakeDate)
		: fail({ kind: 'not-a-date', text });
}

export function addDays(date: BakeDate, days: number): BakeDate {
	return dateAt(startOf(date) + days * DAY_MS) as BakeDate;
}

/** Monday is 1 and Sunday 7, as in ISO 8601. */
export function weekdayOf(date: BakeDate): number {
	return new Date(startOf(date)).getUTCDay() || 7;
}

const DAY_MS = 86_400_000;

/** The beginning of a date in UTC, in which every day has the same length. */
function startOf(date: string): number {
	return Date.parse(`${date}T00:00:00Z`);
}

function dateAt(ms: number): string {
	return new Date(ms).toISOString().slice(0, 10);
}
