import { sql } from 'kysely';
import type { Db, Tx } from './client.ts';

/** The version that the data is in: the last change that was made to it. */
export async function dataVersion(db: Db | Tx): Promise<string> {
	const { rows } = await sql<{
		name: string;
	}>`select name from kysely_migration order by name desc limit 1`.execute(db);
	return rows[0]?.name ?? '';
}
