import { database } from '$lib/server/db/connection.ts';
import { isOverloaded, isUnavailable } from '$lib/server/db/client.ts';
import { json } from '@sveltejs/kit';
import { sql } from 'kysely';
import type { RequestHandler } from './$types';

const NO_STORE = { 'cache-control': 'no-store' };

/** Says whether the application and its database answer. */
export const GET: RequestHandler = async () => {
	try {
		await sql`select 1`.execute(database());
		return json({ database: 'answers' }, { headers: NO_STORE });
	} catch (error) {
		if (!isUnavailable(error) && !isOverloaded(error)) throw error;
		return json({ database: 'does not answer' }, { status: 503, headers: NO_STORE });
	}
};
