import { sql, type Kysely } from 'kysely';

/** How long weighing up one mix takes; 0 where a plan has no task of its own for it, as in all bakeries of before. */
const STATEMENT = `alter table bakery
	add column weigh_minutes double precision not null default 0 check (weigh_minutes between 0 and 60)`;

export async function up(db: Kysely<unknown>): Promise<void> {
	await sql.raw(STATEMENT).execute(db);
}
