import { sql, type Kysely } from 'kysely';

/**
 * What a plan has of people and machines that other dates share, so that theirs are planned around it. Plans of before
 * keep none of it: they were made as if each date were alone.
 */
const STATEMENT = `alter table plan_version
	add column takes jsonb not null default '[]' check (jsonb_typeof(takes) = 'array')`;

export async function up(db: Kysely<unknown>): Promise<void> {
	await sql.raw(STATEMENT).execute(db);
}
