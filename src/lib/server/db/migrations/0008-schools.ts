import { sql, type Kysely } from 'kysely';

/**
 * Each school learns from its own doughs and is held against what came out: with a measured mix stand the rise that
 * either rule reads from it, the water each school asked for before it was mixed, and how warm the room was. A bakery
 * may count its soakers, and a dough may have a base that its baker typed.
 */
const STATEMENTS = [
	`alter table event_measured
	   add column rule_rise_k double precision,
	   add column base_rise_k double precision,
	   add column asked_factor_rule_celsius double precision,
	   add column asked_base_celsius double precision,
	   add column asked_balance_celsius double precision,
	   add column water_degrees_per_dough double precision check (water_degrees_per_dough > 0),
	   add column room_celsius double precision,
	   add constraint measured_schools_together check (
	     num_nonnulls(rule_rise_k, base_rise_k, asked_factor_rule_celsius, asked_base_celsius, asked_balance_celsius,
	       water_degrees_per_dough, room_celsius) in (0, 7))`,
	`alter table bakery add column factor_counts_soakers boolean not null default false`,
	`create table dough_base (
	   formula_id uuid primary key references formula (id),
	   celsius double precision not null check (celsius between -50 and 150)
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
