import { sql, type Kysely } from 'kysely';

/** A scald that goes into a dough can stand hotter than anything else that is read. */
const STATEMENTS = [
	`alter table reading drop constraint reading_celsius_check`,
	`alter table reading add constraint reading_celsius_check
	   check (celsius between -25 and case when quantity = 'preferment' then 105 else 60 end)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
