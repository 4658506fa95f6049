import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { nightAddresses } from '$lib/server/services/night-addresses.ts';
import type { RequestHandler } from './$types';

/** Which pages of a night a browser keeps for when there is no network. */
export const GET: RequestHandler = ({ params, locals }) => {
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const [{ session }, pages] = await Promise.all([
			locals.visitor(),
			nightAddresses(database(), date, Date.now())
		]);
		return json([...(session?.kind === 'tablet' ? ['/hands'] : []), ...pages]);
	});
};
