import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { forPage } from '$lib/server/page.ts';
import { readNextBakeDate } from '$lib/server/services/read-bakery.ts';
import type { PageServerLoad } from './$types';

/** The door leads to the orders of the bake that comes next. */
export const load: PageServerLoad = async ({ locals }) => {
	const date = await forPage(locals, () => readNextBakeDate(database(), { epochMs: Date.now() }));
	redirect(303, `/bake/${date}/orders`);
};
