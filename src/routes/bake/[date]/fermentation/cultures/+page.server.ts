import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readCultures } from '$lib/server/services/read-cultures.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, () => readCultures(database(), date, Date.now()));
};
