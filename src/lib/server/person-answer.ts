import { error } from '@sveltejs/kit';
import type { Db } from './db/client.ts';
import { personFile } from './services/person-file.ts';

/** The file of what is kept of somebody, as an answer that a browser keeps. */
export async function personAnswer(db: Db, personId: string, byId: string): Promise<Response> {
	const file = await personFile(db, { personId, byId }, Date.now());
	if (!file) error(404, { message: 'There is nobody like that here. Open the page Doors anew.' });
	return new Response(file, {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': 'attachment; filename="what-is-kept.json"',
			'cache-control': 'no-store'
		}
	});
}
