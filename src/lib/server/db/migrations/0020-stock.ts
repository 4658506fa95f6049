import { sql, type Kysely } from 'kysely';

/** Ingredients are counted, received and used; suppliers bring them. */
const STATEMENTS = [
	`alter table bakery_entry drop constraint bakery_entry_kind_check`,
	`alter table bakery_entry add constraint bakery_entry_kind_check check (kind in ('person', 'mixer', 'oven',
	   'place', 'drop', 'customer', 'supplier', 'closed-days', 'scale', 'divider', 'sheeter', 'vessel', 'bench'))`,
	`create table stock_entry (
	   id uuid primary key,
	   ingredient_id uuid not null references ingredient (id),
	   kind text not null check (kind in ('counted', 'received', 'taken-out')),
	   amount_g double precision not null check (amount_g between 0 and 100000000),
	   lot text not null default '' check (char_length(lot) <= 100),
	   note text not null default '' check (char_length(note) <= 500),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check (kind = 'received' or lot = '')
	 )`,
	`create index stock_entry_by_ingredient on stock_entry (ingredient_id, kind, occurred_at desc)`,
	`create trigger stock_entry_append_only before update or delete on stock_entry
	 for each row execute function refuse_change()`,
	// What went into a batch when it was begun.
	`create table stock_use (
	   batch_id uuid not null references batch (id),
	   ingredient_id uuid not null references ingredient (id),
	   amount_g double precision not null check (amount_g >= 0),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   primary key (batch_id, ingredient_id)
	 )`,
	`create index stock_use_by_ingredient on stock_use (ingredient_id, occurred_at desc)`,
	`create trigger stock_use_append_only before update or delete on stock_use
	 for each row execute function refuse_change()`,
	`create table stock_keeping (
	   ingredient_id uuid primary key references ingredient (id),
	   supplier_id uuid references bakery_entry (id),
	   pack_g double precision check (pack_g > 0 and pack_g <= 10000000),
	   least_g double precision not null default 0 check (least_g between 0 and 100000000),
	   row_version integer not null,
	   changed_by uuid not null references bakery_entry (id)
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
