import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { loadWorkEntries } from '$lib/server/db/work.ts';
import { readPlan } from '$lib/server/services/read-plan.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const [view, tapped] = await Promise.all([
			readPlan(database(), date),
			loadWorkEntries(database(), date)
		]);
		return { view, tapped, fromTaps: url.searchParams.get('from') === 'taps' };
	});
};
