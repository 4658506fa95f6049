import { error, isHttpError, isRedirect } from '@sveltejs/kit';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';
import { isUnavailable } from './db/client.ts';
import { BakeryNotSetUp } from './services/day-production.ts';

/**
 * Runs what a page needs and turns what can go wrong outside the program into a page that says so:
 * a database that does not answer, or one that holds no bakery yet.
 */
export async function forPage<T>(work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (thrown) {
		if (isHttpError(thrown) || isRedirect(thrown)) throw thrown;
		if (isUnavailable(thrown))
			error(503, {
				message:
					'The database does not answer. Nothing you saved is lost. Start it again (npm run demo does), then reload this page.'
			});
		if (thrown instanceof BakeryNotSetUp)
			error(503, {
				message:
					'This database holds no bakery yet. Start Jovet with "npm run demo" to load the Saltmarrow Bakehouse.'
			});
		throw thrown;
	}
}

/** Reads the date of an address; a date that is none leads back to the next bake. */
export function dateOfPage(text: string): BakeDate {
	const date = parseBakeDate(text);
	if (date.ok) return date.value;
	error(404, {
		message: `"${text}" is not a date of the calendar. Dates are written year-month-day, for example 2027-03-28.`,
		next: { href: '/', label: 'Go to the next bake' }
	});
}
