import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { forPage } from '$lib/server/page.ts';
import { readNextBake } from '$lib/server/services/read-bakery.ts';
import type { PageServerLoad } from './$types';

/**
 * The door leads to the orders of the bake that comes next; where nothing can be ordered yet, to what is missing; a tablet or a
 * wall screen to its page of the bench.
 */
export const load: PageServerLoad = async ({ locals }) => {
	const { date, hasDrops } = await forPage(locals, () =>
		readNextBake(database(), { epochMs: Date.now() })
	);
	const { session } = await locals.visitor();
	if (session && session.kind !== 'desk')
		redirect(303, `/bake/${date}/bench${session.opensAt === '' ? '' : `/${session.opensAt}`}`);
	redirect(303, `/bake/${date}/${hasDrops ? 'orders' : 'bakery'}`);
};
