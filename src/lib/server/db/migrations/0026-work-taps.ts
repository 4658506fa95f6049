import { sql, type Kysely } from 'kysely';

/** What was tapped at the bench: what hands began, ended, put off or left out, of which work of a night. */
const STATEMENTS = [
	`create table work_entry (
	   id uuid primary key,
	   bake_date date not null,
	   /* The work as the list of its plan names it; the same in every plan of the date. */
	   work text not null check (char_length(work) between 1 and 300),
	   /* What it was done to; null for an oven or a drop. */
	   batch_id uuid references batch (id),
	   act text not null check (act in ('begun', 'ended', 'left-out', 'put-off')),
	   until_at timestamptz,
	   because text not null check (char_length(because) <= 200),
	   /* What was read as it was done: the stone at loading, the core at a check or as it was drawn. */
	   celsius double precision check (celsius between -25 and 400),
	   person_id uuid references bakery_entry (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check ((act = 'put-off') = (until_at is not null)),
	   check (until_at is null or until_at > occurred_at),
	   check (celsius is null or act = 'ended')
	 )`,
	`create index work_entry_of_date on work_entry (bake_date, occurred_at)`,
	`create index work_entry_of_batch on work_entry (batch_id) where batch_id is not null`,
	`create trigger work_entry_append_only before update or delete on work_entry
	 for each row execute function refuse_change()`,
	// It did not happen after all.
	`create table work_struck (
	   entry_id uuid primary key references work_entry (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create trigger work_struck_append_only before update or delete on work_struck
	 for each row execute function refuse_change()`,
	// A tap names its task, whichever plan of its date told it.
	`create index plan_task_by_key on plan_task (task_key)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
