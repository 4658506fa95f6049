import { sql, type Kysely } from 'kysely';

/**
 * What is learned of friction: the dough temperatures that were measured, each with all that it was mixed
 * from, kept raw; which of them do not count; and when a formula's learning began anew.
 */
const STATEMENTS = [
	`alter table bakery
	   add column water_school text not null default 'factor-rule'
	     check (water_school in ('factor-rule', 'base-temperature', 'heat-balance'))`,
	`alter table mixer
	   add column bowl_kj_per_k double precision not null default 0 check (bowl_kj_per_k between 0 and 1000)`,
	`create table dough_temperature (
	   id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   ordinal integer not null check (ordinal > 0),
	   dough_celsius double precision not null check (dough_celsius between -25 and 60),
	   target_celsius double precision not null check (target_celsius between 0 and 45),
	   water_celsius double precision not null check (water_celsius between -80 and 100),
	   instrument text not null check (instrument in ('typed', 'core-probe', 'surface-thermometer')),
	   friction_kj_per_kg double precision not null,
	   dough_kj_per_kg_k double precision not null check (dough_kj_per_kg_k > 0),
	   inputs jsonb not null,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index dough_temperature_of_formula on dough_temperature (formula_id, occurred_at desc, recorded_at desc)`,
	`create table dough_temperature_ignored (
	   dough_temperature_id uuid primary key references dough_temperature (id),
	   command_id uuid not null references command (id) deferrable initially deferred
	 )`,
	`create table friction_reset (
	   formula_id uuid primary key references formula (id),
	   at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   command_id uuid not null references command (id) deferrable initially deferred
	 )`,
	`create trigger dough_temperature_append_only before update or delete on dough_temperature
	 for each row execute function refuse_change()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
