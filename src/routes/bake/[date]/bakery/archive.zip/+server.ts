import { writeArchive } from '$lib/server/archive/write-archive.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { bakeryNow } from '$lib/server/services/bakery-now.ts';
import type { RequestHandler } from './$types';

/** All that the bakery has, as one archive. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const date = dateOfPage(params.date);
	const nowMs = await forPage(locals, () => bakeryNow(database(), Date.now()));
	return new Response(writeArchive(database(), nowMs), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="bakery-${date}.zip"`,
			'cache-control': 'no-store'
		}
	});
};
