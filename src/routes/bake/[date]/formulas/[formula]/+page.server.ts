import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readFormula } from '$lib/server/services/read-formula.ts';
import type { PageServerLoad } from './$types';

/** Which two revisions to read side by side; anything else in the address means the newest two. */
const comparison = z.object({
	from: z.coerce.number().int().min(1).max(1e6),
	to: z.coerce.number().int().min(1).max(1e6)
});

export const load: PageServerLoad = async ({ params, url, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const wanted = comparison.safeParse(Object.fromEntries(url.searchParams));
	const view = z.uuid().safeParse(params.formula).success
		? await forPage(locals, () =>
				readFormula(database(), date, params.formula, wanted.data ?? null)
			)
		: null;
	if (view) return view;
	error(404, {
		message: 'This formula is not in the book.',
		next: { href: `/bake/${date}/formulas`, label: 'Go to the formulas' }
	});
};
