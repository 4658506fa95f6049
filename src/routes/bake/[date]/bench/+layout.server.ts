import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readBench } from '$lib/server/services/read-bench.ts';
import type { LayoutServerLoad } from './$types';

/** The plan of the night is read when it changes, not with each tap. */
export const load: LayoutServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	return forPage(locals, async () => ({ bench: await readBench(database(), date, Date.now()) }));
};
