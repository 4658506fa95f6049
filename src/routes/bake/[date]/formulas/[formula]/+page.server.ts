import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readFormula } from '$lib/server/services/read-formula.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const view = z.uuid().safeParse(params.formula).success
		? await forPage(() => readFormula(database(), date, params.formula))
		: null;
	if (view) return view;
	error(404, {
		message: 'This formula is not in the book.',
		next: { href: `/bake/${date}/formulas`, label: 'Go to the formulas' }
	});
};
