import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readDayAsIf } from '$lib/server/services/read-plan.ts';
import type { RequestHandler } from './$types';

/** More of an order than this is another bakery. */
const MOST_TIMES = 5;

const asked = z.object({
	drop: z.string().max(100),
	times: z.coerce.number().min(0).max(MOST_TIMES)
});

/** The work of a date if a drop had ordered so many times as much: only to look at. */
export const GET: RequestHandler = async ({ params, url, locals }) => {
	const date = dateOfPage(params.date);
	const read = asked.safeParse(Object.fromEntries(url.searchParams));
	if (!read.success)
		error(400, `"drop" has to name a drop, and "times" a number from 0 to ${MOST_TIMES}.`);
	return json(await forPage(locals, () => readDayAsIf(database(), date, read.data)));
};
