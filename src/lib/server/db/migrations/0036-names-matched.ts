import { sql, type Kysely } from 'kysely';

/** What a name in somebody's file is in this bakery, as it was decided last. */
const STATEMENTS = [
	`create table name_matched (
	   key text primary key check (length(key) between 1 and 900),
	   ingredient_id uuid references ingredient (id),
	   preparation_id uuid references preparation (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   check ((ingredient_id is null) <> (preparation_id is null))
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
