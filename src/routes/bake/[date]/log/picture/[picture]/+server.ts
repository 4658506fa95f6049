import { error } from '@sveltejs/kit';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { database } from '$lib/server/db/connection.ts';
import { findPicture } from '$lib/server/db/results.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import type { RequestHandler } from './$types';

/** A picture of bread: it never changes, and is gone once it was taken back. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const date = dateOfPage(params.date);
	const picture = uuidSchema.safeParse(params.picture);
	const jpeg = picture.success
		? await forPage(locals, () => findPicture(database(), date, picture.data))
		: null;
	if (!jpeg) error(404, 'There is no such picture.');
	return new Response(new Uint8Array(jpeg), {
		headers: {
			'content-type': 'image/jpeg',
			'content-disposition': 'inline; filename="bread.jpg"',
			'cache-control': 'private, max-age=3600',
			'x-content-type-options': 'nosniff'
		}
	});
};
