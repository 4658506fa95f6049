import { writeCalendar } from '$lib/formats/calendar-of-work.ts';
import { mayRole } from '$lib/contracts/rights.ts';
import { calendarKey, isSameSecret } from '$lib/server/auth/secrets.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadCalendarSecret } from '$lib/server/db/doors.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { forPage } from '$lib/server/page.ts';
import { readWorkAhead } from '$lib/server/services/read-work-ahead.ts';
import { ALARM_MINUTES, calendarEntries } from '$lib/wording/work-as-files.ts';
import type { RequestHandler } from './$types';

/**
 * The nights to come as a calendar that is subscribed to. Who has nothing to do in them has an empty one: a calendar
 * program that is told of an error stops asking.
 */
export const GET: RequestHandler = async ({ params, locals, url }) => {
	const [secret, { actor }] = await forPage(locals, () =>
		Promise.all([loadCalendarSecret(database()), locals.visitor()])
	);
	const key = url.searchParams.get('key') ?? '';
	if (
		!isSameSecret(key, calendarKey(secret, params.who)) &&
		!(actor && mayRole(actor.role, 'see-the-day'))
	)
		return new Response(
			'This address opens no calendar any more. Take the new one from the run sheet of any night.\n',
			{
				status: 401,
				headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' }
			}
		);
	const work = await forPage(locals, () => readWorkAhead(database(), Date.now()));
	const text = writeCalendar(work.bakery.name, calendarEntries(work, params.who), ALARM_MINUTES);
	return fileAnswer(text, 'text/calendar', 'nights.ics');
};
