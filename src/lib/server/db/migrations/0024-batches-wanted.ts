import { sql, type Kysely } from 'kysely';

/** A baker may want a pre-ferment of one date in more batches than one: what takes from it is too far apart. */
const STATEMENTS = [
	`create table batches_wanted (
	   bake_date date not null,
	   preparation_id uuid not null references preparation (id),
	   -- In one where none is said.
	   batches integer check (batches between 2 and 6),
	   row_version integer not null,
	   changed_by uuid not null references bakery_entry (id),
	   primary key (bake_date, preparation_id)
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
