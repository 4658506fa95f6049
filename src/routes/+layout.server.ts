import { passingTrouble } from '$lib/server/page.ts';
import { clockDoubt } from '$lib/server/machine-clock.ts';
import type { LayoutServerLoad } from './$types';

/** What the frame shows. Without a database there is still a frame, and the page in it says why. */
export const load: LayoutServerLoad = async ({ locals, depends }) => {
	const frame = {
		appearance: locals.appearance,
		servedAtMs: Date.now(),
		clockDoubt: clockDoubt()
	};
	try {
		return { ...frame, bakery: await locals.bakery() };
	} catch (error) {
		if (passingTrouble(error) === null) throw error;
		// A page that is read anew once the database is back needs its frame anew as well.
		depends('jovet:day', 'jovet:moment');
		return { ...frame, bakery: null };
	}
};
