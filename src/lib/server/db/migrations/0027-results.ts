import { sql, type Kysely } from 'kysely';

/** What came out of a night: what was counted, weighed, scored and found wrong of each portion, and what was done about a short count. */
const STATEMENTS = [
	`create table result_entry (
	   id uuid primary key,
	   bake_date date not null,
	   /* The portion of a mix that it is told of. */
	   batch_id uuid not null references batch (id),
	   kind text not null check (kind in ('counted', 'weighed', 'scored', 'fault', 'less', 'again')),
	   good integer check (good between 0 and 9999),
	   second integer check (second between 0 and 9999),
	   lost integer check (lost between 0 and 9999),
	   /* Weighed, given less, or made again. */
	   pieces integer check (pieces between 1 and 9999),
	   baked_g double precision check (baked_g > 0),
	   crust integer check (crust between 1 and 5),
	   crumb integer check (crumb between 1 and 5),
	   taste integer check (taste between 1 and 5),
	   fault text check (char_length(fault) between 1 and 40),
	   drop_id uuid references bakery_entry (id),
	   /* Why some were lost, or what else there is to say. */
	   note text not null check (char_length(note) <= 300),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check ((kind = 'counted') = (good is not null)),
	   check ((good is null) = (second is null) and (good is null) = (lost is null)),
	   check (good is null or good + second + lost > 0),
	   check ((kind in ('weighed', 'less', 'again')) = (pieces is not null)),
	   check ((kind = 'weighed') = (baked_g is not null)),
	   check ((kind = 'scored') = (coalesce(crust, crumb, taste) is not null)),
	   check ((kind = 'fault') = (fault is not null)),
	   check ((kind = 'less') = (drop_id is not null))
	 )`,
	`create index result_entry_of_date on result_entry (bake_date, occurred_at)`,
	`create index result_entry_of_batch on result_entry (batch_id)`,
	`create trigger result_entry_append_only before update or delete on result_entry
	 for each row execute function refuse_change()`,
	// It is not so after all.
	`create table result_struck (
	   entry_id uuid primary key references result_entry (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create trigger result_struck_append_only before update or delete on result_struck
	 for each row execute function refuse_change()`,
	// A lot is asked for by its name, whichever ingredient it is of, and by what took of it.
	`create index stock_entry_by_lot on stock_entry (lower(lot) text_pattern_ops) where lot <> ''`,
	`create index weighing_by_lot on weighing (lower(lot) text_pattern_ops) where lot <> ''`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
