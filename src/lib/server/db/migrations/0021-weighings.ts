import { sql, type Kysely } from 'kysely';

/** Every weight that goes into a bowl, as it went in. */
const STATEMENTS = [
	`create table weighing (
	   id uuid primary key,
	   batch_id uuid not null references batch (id),
	   ingredient_id uuid references ingredient (id),
	   preparation_id uuid references preparation (id),
	   addition text not null check (char_length(addition) between 1 and 40),
	   -- Nothing was wanted of what is added by feel.
	   wanted_g double precision not null check (wanted_g between 0 and 5000000),
	   weighed_g double precision not null check (weighed_g > 0 and weighed_g <= 5000000),
	   how text not null check (how in ('typed', 'scale', 'by-feel')),
	   close_enough boolean not null,
	   scale text not null check (char_length(scale) <= 200),
	   lot text not null check (char_length(lot) <= 100),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check ((ingredient_id is null) <> (preparation_id is null))
	 )`,
	`create index weighing_by_batch on weighing (batch_id, occurred_at)`,
	// The lot that was weighed last of each ingredient.
	`create index weighing_lot on weighing (ingredient_id, occurred_at desc) where lot <> ''`,
	`create trigger weighing_append_only before update or delete on weighing
	 for each row execute function refuse_change()`,
	// It did not go in after all.
	`create table weighing_struck (
	   weighing_id uuid primary key references weighing (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create trigger weighing_struck_append_only before update or delete on weighing_struck
	 for each row execute function refuse_change()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
