import { error } from '@sveltejs/kit';
import { sheetAt } from '$lib/contracts/sheet-paths.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readRunSheet } from '$lib/server/services/read-run-sheet.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const sheet = sheetAt(params.sheet);
	if (sheet === null)
		error(404, {
			message: `The run sheet has no page called "${params.sheet}".`,
			next: { href: `/bake/${date}/run-sheet`, label: 'Go to the run sheet' }
		});
	return forPage(locals, async () => ({
		sheet,
		view: await readRunSheet(database(), date, Date.now())
	}));
};
