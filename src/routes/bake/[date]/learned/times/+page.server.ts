import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readTimes } from '$lib/server/services/read-times.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, () => readTimes(database(), date, url.searchParams.get('recipe')));
};
