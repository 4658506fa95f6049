import { sql, type Kysely } from 'kysely';

/**
 * Orders stand by weekday, from a date on and until another; what is typed for one date goes before them, and can be
 * left to them again.
 */
const STATEMENTS = [
	`create extension if not exists btree_gist`,
	`create table standing_order (
	   drop_id uuid not null references bakery_entry (id),
	   product_id uuid not null references product (id),
	   row_version integer not null,
	   changed_by uuid not null references bakery_entry (id),
	   primary key (drop_id, product_id)
	 )`,
	`create table standing_stretch (
	   drop_id uuid not null,
	   product_id uuid not null,
	   weekday smallint not null check (weekday between 1 and 7),
	   from_date date not null,
	   until_date date check (until_date >= from_date),
	   pieces integer not null check (pieces between 1 and 9999),
	   primary key (drop_id, product_id, weekday, from_date),
	   foreign key (drop_id, product_id) references standing_order,
	   -- What is asked for on a date is one number.
	   exclude using gist (drop_id with =, product_id with =, weekday with =,
	     daterange(from_date, until_date, '[]') with &&)
	 )`,
	// Those that are over lie at its end and are not read.
	`create index standing_stretch_in_force on standing_stretch (weekday, (coalesce(until_date, 'infinity'::date)))`,
	`create table standing_change (
	   id bigint generated always as identity primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   drop_id uuid not null references bakery_entry (id),
	   product_id uuid not null references product (id),
	   weekday smallint not null check (weekday between 1 and 7),
	   from_date date not null,
	   until_date date check (until_date >= from_date),
	   pieces integer not null check (pieces between 0 and 9999),
	   recorded_at timestamptz not null default now()
	 )`,
	`create index standing_change_by_order on standing_change (drop_id, product_id, id)`,
	`create trigger standing_change_append_only before update or delete on standing_change
	 for each row execute function refuse_change()`,
	// No pieces is an order of none; nothing leaves it to the standing order.
	`alter table order_line alter column pieces drop not null`,
	`alter table order_change add column left_to_standing boolean not null default false`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
