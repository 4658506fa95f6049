import { sql, type Kysely } from 'kysely';

/** What bread looked like: kept beside what is told of it, so that reading a night does not read its pictures. */
const STATEMENTS = [
	`alter table result_entry drop constraint result_entry_kind_check`,
	`alter table result_entry add constraint result_entry_kind_check
	   check (kind in ('counted', 'weighed', 'scored', 'fault', 'drawn', 'judged', 'picture', 'less', 'again'))`,
	`create table result_picture (
	   entry_id uuid primary key references result_entry (id),
	   jpeg bytea not null check (length(jpeg) between 100 and 215000)
	 )`,
	`create trigger result_picture_append_only before update or delete on result_picture
	 for each row execute function refuse_change()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
