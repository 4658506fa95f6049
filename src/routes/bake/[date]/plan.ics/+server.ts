import { error } from '@sveltejs/kit';
import { EVERYBODY } from '$lib/contracts/sheet-paths.ts';
import { writeCalendar } from '$lib/formats/calendar-of-work.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { dateOfPage, forPage, NO_PLAN_YET } from '$lib/server/page.ts';
import { readWorkOn } from '$lib/server/services/read-work-ahead.ts';
import { ALARM_MINUTES, calendarEntries, isInWork } from '$lib/wording/work-as-files.ts';
import type { RequestHandler } from './$types';

/** The accepted plan of a date as a calendar: everybody's, or one person's. */
export const GET: RequestHandler = async ({ params, url, locals }) => {
	const date = dateOfPage(params.date);
	const who = url.searchParams.get('who') ?? EVERYBODY;
	const work = await forPage(locals, () => readWorkOn(database(), date));
	if (!work) error(404, NO_PLAN_YET);
	if (!isInWork(work, who)) error(404, { message: 'Nobody in this plan is known by that.' });
	const text = writeCalendar(work.bakery.name, calendarEntries(work, who), ALARM_MINUTES);
	return fileAnswer(text, 'text/calendar', `plan-${date}.ics`);
};
