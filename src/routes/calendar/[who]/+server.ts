import { writeCalendar } from '$lib/formats/calendar-of-work.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { forPage } from '$lib/server/page.ts';
import { readWorkAhead } from '$lib/server/services/read-work-ahead.ts';
import { ALARM_MINUTES, calendarEntries } from '$lib/wording/work-as-files.ts';
import type { RequestHandler } from './$types';

/**
 * The nights to come as a calendar that is subscribed to. Who has nothing to do in them has an empty one: a calendar
 * program that is told of an error stops asking.
 */
export const GET: RequestHandler = async ({ params, locals }) => {
	const work = await forPage(locals, () => readWorkAhead(database(), Date.now()));
	const text = writeCalendar(work.bakery.name, calendarEntries(work, params.who), ALARM_MINUTES);
	return fileAnswer(text, 'text/calendar', 'nights.ics');
};
