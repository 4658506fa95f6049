import { sql, type Kysely } from 'kysely';

/** How high a bakery stands: water boils lower there, and so does bread. */
const STATEMENT = `alter table bakery
	add column altitude_m double precision not null default 0 check (altitude_m between 0 and 4000)`;

export async function up(db: Kysely<unknown>): Promise<void> {
	await sql.raw(STATEMENT).execute(db);
}
