import { sql, type Kysely } from 'kysely';

/** A baker may want a dough of one date in more mixes than it takes: smaller ones, or one for each of two ovens. */
const STATEMENTS = [
	`create table mixes_wanted (
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   -- As few as fit where none is said.
	   mixes integer check (mixes between 1 and 60),
	   row_version integer not null,
	   changed_by uuid not null references bakery_entry (id),
	   primary key (bake_date, formula_id)
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
