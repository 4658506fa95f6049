import { sql, type Kysely } from 'kysely';

/** Somebody says which times teach nothing, and from when on a recipe's are learned anew. */
const STATEMENTS = [
	// By the task: its time is worked out anew with each tap on it, and stays one that does not count.
	`create table time_ignored (
	   bake_date date not null,
	   task_key text not null check (char_length(task_key) between 1 and 250),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   primary key (bake_date, task_key)
	 )`,
	`create table times_reset (
	   recipe_id uuid primary key,
	   at timestamptz not null,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index result_entry_judged on result_entry (occurred_at desc) where kind = 'judged' and looked_at = 'proof'`,
	`create index batch_of_recipe on batch (recipe_id, bake_date desc)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
