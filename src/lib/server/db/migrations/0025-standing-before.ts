import { sql, type Kysely } from 'kysely';

/** What stood before each change of standing orders, so that the change can be taken back as a whole. */
const STATEMENTS = [
	`create table standing_before (
	   command_id uuid not null references command (id) deferrable initially deferred,
	   drop_id uuid not null references bakery_entry (id),
	   product_id uuid not null references product (id),
	   weekday smallint not null check (weekday between 1 and 7),
	   from_date date not null,
	   until_date date check (until_date >= from_date),
	   pieces integer not null check (pieces between 0 and 9999),
	   recorded_at timestamptz not null default now(),
	   primary key (command_id, drop_id, product_id, weekday, from_date)
	 )`,
	`create trigger standing_before_append_only before update or delete on standing_before
	 for each row execute function refuse_change()`,
	`create index standing_change_by_command on standing_change (command_id)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
