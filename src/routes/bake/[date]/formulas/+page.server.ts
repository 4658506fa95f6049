import { redirect } from '@sveltejs/kit';
import { resolve } from '$app/paths';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readOpening } from '$lib/server/services/read-formula.ts';
import type { PageServerLoad } from './$types';

/** The room opens with the first formula of the book. */
export const load: PageServerLoad = async ({ params, locals }) => {
	const date = dateOfPage(params.date);
	const { first, book } = await forPage(locals, () => readOpening(database()));
	if (first !== null) redirect(303, resolve(`/bake/${date}/formulas/${first}`));
	return { date, book };
};
