import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readBringIn } from '$lib/server/services/read-bring-in.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	return forPage(locals, () => readBringIn(database(), date));
};
