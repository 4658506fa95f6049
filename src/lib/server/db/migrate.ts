import { Migrator } from 'kysely';
import type { Db } from './client.ts';
import { migrations } from './migrations/index.ts';

/** Brings the schema forward to this version of the application; a newer schema is refused. */
export async function migrateToLatest(db: Db): Promise<readonly string[]> {
	const migrator = new Migrator({ db, provider: migrations });
	const { error, results } = await migrator.migrateToLatest();
	if (error) throw error instanceof Error ? error : new Error('migration failed', { cause: error });
	return (results ?? []).map((result) => result.migrationName);
}
