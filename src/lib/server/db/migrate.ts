import { Migrator } from 'kysely';
import type { Db } from './client.ts';
import { dataVersion } from './data-version.ts';
import { migrations } from './migrations/index.ts';

/** The data was written by a later version of the application, which alone can read it. */
export class NewerData extends Error {
	constructor(version: string) {
		super(
			`This data was last written by a newer version of Jovet (its last change is "${version}"). Nothing of it was touched. Start that version again, or restore a backup from before it into an empty data folder.`
		);
	}
}

/** Brings the schema forward to this version of the application; a newer schema is refused. */
export async function migrateToLatest(db: Db): Promise<readonly string[]> {
	const migrator = new Migrator({ db, provider: migrations });
	const { error, results } = await migrator.migrateToLatest();
	if (/previously executed migration .* is missing/.test(String(error)))
		throw new NewerData(await dataVersion(db));
	if (error) throw error instanceof Error ? error : new Error('migration failed', { cause: error });
	return (results ?? []).map((result) => result.migrationName);
}
