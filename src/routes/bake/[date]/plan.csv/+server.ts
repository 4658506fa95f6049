import { error } from '@sveltejs/kit';
import { writeTable } from '$lib/formats/table-of-work.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { dateOfPage, forPage, NO_PLAN_YET } from '$lib/server/page.ts';
import { readWorkOn } from '$lib/server/services/read-work-ahead.ts';
import { tableOfWork, WORK_COLUMNS } from '$lib/wording/work-as-files.ts';
import type { RequestHandler } from './$types';

/** The accepted plan of a date as a table. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const date = dateOfPage(params.date);
	const work = await forPage(locals, () => readWorkOn(database(), date));
	if (!work) error(404, NO_PLAN_YET);
	return fileAnswer(writeTable(WORK_COLUMNS, tableOfWork(work)), 'text/csv', `plan-${date}.csv`);
};
