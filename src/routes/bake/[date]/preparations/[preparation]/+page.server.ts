import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readPreparation } from '$lib/server/services/read-preparation.ts';
import type { PageServerLoad } from './$types';

/** "new" in the address begins one that is not in the book yet. */
export const load: PageServerLoad = async ({ params, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const wanted = params.preparation === 'new' ? null : params.preparation;
	const view =
		wanted === null || z.uuid().safeParse(wanted).success
			? await forPage(locals, () => readPreparation(database(), date, wanted))
			: null;
	if (view) return view;
	error(404, {
		message: 'This build is not in the book.',
		next: { href: `/bake/${date}/preparations/new`, label: 'Go to the preparations' }
	});
};
