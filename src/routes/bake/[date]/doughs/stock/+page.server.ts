import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readStock } from '$lib/server/services/read-stock.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, () => readStock(database(), date));
};
