import type { Migration, MigrationProvider } from 'kysely';
import * as firstSlice from './0001-first-slice.ts';

/** Migrations in the order of their names; they only ever go forward. */
const MIGRATIONS: Record<string, Migration> = {
	'0001-first-slice': firstSlice
};

export const migrations: MigrationProvider = {
	getMigrations: () => Promise.resolve(MIGRATIONS)
};
