import { error, isHttpError, isRedirect, redirect } from '@sveltejs/kit';
import { passingTrouble } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

/** Where there is no bakery yet it is begun here; where there is one, the door leads on. */
export const load: PageServerLoad = async ({ locals }) => {
	try {
		if (await locals.bakery()) redirect(303, '/');
	} catch (thrown) {
		if (isHttpError(thrown) || isRedirect(thrown)) throw thrown;
		const message = passingTrouble(thrown);
		if (message === null) throw thrown;
		error(503, { message });
	}
	return {};
};
