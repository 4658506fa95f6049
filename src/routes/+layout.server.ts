import { currentActor } from '$lib/server/auth/actor.ts';
import { isUnavailable } from '$lib/server/db/client.ts';
import { database } from '$lib/server/db/connection.ts';
import { BakeryNotSetUp } from '$lib/server/services/day-production.ts';
import { readBakery } from '$lib/server/services/read-bakery.ts';
import type { LayoutServerLoad } from './$types';

/** What the frame shows. Without a database there is still a frame, and the page in it says why. */
export const load: LayoutServerLoad = async ({ locals }) => {
	try {
		const actor = await currentActor(database());
		const bakery = actor ? await readBakery(database(), actor) : null;
		return { bakery, appearance: locals.appearance, servedAtMs: Date.now() };
	} catch (error) {
		if (!isUnavailable(error) && !(error instanceof BakeryNotSetUp)) throw error;
		return { bakery: null, appearance: locals.appearance, servedAtMs: Date.now() };
	}
};
