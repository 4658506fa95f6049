import { sql, type Kysely } from 'kysely';

/** What a plan puts into named places, and which taps tell that it is there: a cold room is learned from without reading whole plans. */
const STATEMENTS = [
	`create table plan_stay (
	   plan_id uuid not null references plan_version (id),
	   bake_date date not null,
	   task_key text not null,
	   leg smallint not null check (leg >= 0),
	   place_id uuid not null,
	   planned_in_at timestamptz not null,
	   into_work text not null,
	   out_works text[] not null,
	   kilograms double precision not null check (kilograms > 0),
	   celsius double precision not null,
	   time_constant_min double precision not null check (time_constant_min > 0),
	   primary key (plan_id, task_key, leg)
	 )`,
	`create index plan_stay_by_place on plan_stay (place_id, bake_date)`,
	`create trigger plan_stay_append_only before update or delete on plan_stay
	 for each row execute function refuse_change()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
