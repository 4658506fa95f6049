import { error } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage, idOfPage } from '$lib/server/page.ts';
import { readBatchTrace } from '$lib/server/services/read-trace.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const next = { href: `/bake/${date}/trace`, label: 'Trace another' };
	const batchId = idOfPage(params.batch, 'batch', next);
	return forPage(locals, async () => {
		const view = await readBatchTrace(database(), batchId);
		if (!view) error(404, { message: 'There is no such batch.', next });
		return { view, date };
	});
};
