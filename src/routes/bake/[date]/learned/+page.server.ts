import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readLearned } from '$lib/server/services/read-learned.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const wanted = {
		formulaId: url.searchParams.get('formula'),
		mixerId: url.searchParams.get('mixer')
	};
	return forPage(locals, () => readLearned(database(), date, wanted, Date.now()));
};
