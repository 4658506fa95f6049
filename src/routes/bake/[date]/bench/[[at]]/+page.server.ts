import { error } from '@sveltejs/kit';
import { whoseAt } from '$lib/contracts/bench-paths.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readBenchMoment } from '$lib/server/services/read-bench.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const whose = whoseAt(params.at);
	if (whose === null)
		error(404, {
			message: `The bench has no page called "${params.at}".`,
			next: { href: `/bake/${date}/bench`, label: 'Go to the bench' }
		});
	return forPage(locals, async () => ({
		whose,
		moment: await readBenchMoment(database(), date)
	}));
};
