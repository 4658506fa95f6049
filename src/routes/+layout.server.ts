import { passingTrouble } from '$lib/server/page.ts';
import type { LayoutServerLoad } from './$types';

/** What the frame shows. Without a database there is still a frame, and the page in it says why. */
export const load: LayoutServerLoad = async ({ locals }) => {
	const frame = { appearance: locals.appearance, servedAtMs: Date.now() };
	try {
		return { ...frame, bakery: await locals.bakery() };
	} catch (error) {
		if (passingTrouble(error) === null) throw error;
		return { ...frame, bakery: null };
	}
};
