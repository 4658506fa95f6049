import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readTraceSearch } from '$lib/server/services/read-trace.ts';
import type { PageServerLoad } from './$types';

/** No name, lot or date is longer. */
const MOST_TYPED = 120;

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const query = (url.searchParams.get('q') ?? '').replaceAll('\0', '').slice(0, MOST_TYPED);
	return forPage(locals, async () => ({ view: await readTraceSearch(database(), date, query) }));
};
