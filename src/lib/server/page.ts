import { error, isHttpError, isRedirect, redirect } from '@sveltejs/kit';
import { uuidSchema } from '../contracts/border-schemas.ts';
import { TooMuchWork } from '../core/work.ts';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';
import { isOverloaded, isUnavailable, storageTrouble } from './db/client.ts';
import { Busy } from './edge/gate.ts';
import { BakeryNotSetUp } from './services/day-production.ts';

export const TOO_MUCH_FOR_A_PAGE =
	'This page asks for more work than one page may. Look for an order that is far beyond the house, or for builds that stand many times inside one another.';

/** Of a date nobody accepted a plan for, nothing can be taken along. */
export const NO_PLAN_YET = {
	message: 'There is no accepted plan for this date yet. Accept one on the plan page first.'
};

/** What a page says of a trouble that passes, or that starting Jovet anew mends; null for any other error. */
export function passingTrouble(thrown: unknown): string | null {
	if (isUnavailable(thrown))
		return 'The database does not answer. Nothing you saved is lost. It is started again by itself; reload this page in a moment.';
	switch (storageTrouble(thrown)) {
		case 'full':
			return 'The disk of Jovet’s machine is full. Nothing you saved is lost, and what waits sends itself once there is room. Tell whoever looks after the machine.';
		case 'damaged':
			return 'The disk of Jovet’s machine cannot be read or written. Tell whoever looks after the machine before anything else is done; a backup can be put back in an empty place.';
		case null:
	}
	if (thrown instanceof Busy || isOverloaded(thrown))
		return 'There is much to do at the moment. Nothing you saved is lost; reload this page in a moment.';
	return null;
}

/**
 * Runs what a page needs, beside what its frame needs, so that one cannot stand without the other; turns what
 * can go wrong outside the program into a page that says so.
 */
export async function forPage<T>(locals: App.Locals, work: () => Promise<T>): Promise<T> {
	if (locals.shut) error(locals.shut.status, locals.shut);
	try {
		const [value] = await Promise.all([work(), locals.bakery()]);
		return value;
	} catch (thrown) {
		if (isHttpError(thrown) || isRedirect(thrown)) throw thrown;
		if (thrown instanceof BakeryNotSetUp) redirect(303, '/begin');
		const message = passingTrouble(thrown);
		if (message !== null) error(503, { message });
		if (thrown instanceof TooMuchWork) error(422, { message: TOO_MUCH_FOR_A_PAGE });
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

/** Reads the id of an address; what is none leads to what it says. */
export function idOfPage(
	text: string,
	what: string,
	next: { readonly href: string; readonly label: string }
): string {
	const id = uuidSchema.safeParse(text);
	if (id.success) return id.data;
	error(404, { message: `There is no such ${what}.`, next });
}
