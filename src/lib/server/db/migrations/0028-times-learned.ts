import { sql, type Kysely } from 'kysely';

/** How long work takes is learned from the taps on it, and used by the plans to come. */
const STATEMENTS = [
	// What the book says it takes, learned shares and a person's pace left out; null for what is not learned from.
	`alter table plan_task add column book_min double precision check (book_min > 0)`,
	// What its programme wants of the stone at loading.
	`alter table plan_task add column load_celsius double precision check (load_celsius between 0 and 600)`,
	/* Worked out from the taps of one task, and anew with each tap on it: nothing that is not in work_entry. */
	`create table work_timed (
	   bake_date date not null,
	   task_key text not null check (char_length(task_key) between 1 and 250),
	   recipe_id uuid not null,
	   activity text not null,
	   machine_id uuid,
	   by_id uuid not null references bakery_entry (id),
	   book_min double precision not null check (book_min > 0),
	   real_min double precision not null check (real_min > 0),
	   stone_off_k double precision,
	   occurred_at timestamptz not null,
	   primary key (bake_date, task_key)
	 )`,
	`create index work_timed_of_recipe on work_timed (recipe_id, occurred_at desc)`,
	`create index work_timed_by_person on work_timed (by_id, occurred_at desc)`,
	`create index work_timed_of_stone on work_timed (machine_id, occurred_at desc) where stone_off_k is not null`,
	`create index result_entry_weighed on result_entry (occurred_at desc) where kind = 'weighed'`,
	`create index work_entry_of_work on work_entry (bake_date, work text_pattern_ops)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
