import { sql, type Kysely } from 'kysely';

/**
 * Devices and what they read; what the taps and the ice of the bakery can give; what was seen of a dough
 * after its mix, where it was moved, and how ready it was judged; and a word to all servers when something
 * was written, so that open screens follow.
 */
const STATEMENTS = [
	`alter table bakery
	   add column ice_form text not null default 'cubes' check (ice_form in ('none', 'flakes', 'cubes')),
	   add column chilled_water_celsius double precision check (chilled_water_celsius between 0 and 20)`,

	`alter table reading drop constraint reading_instrument_check`,
	`alter table reading add constraint reading_instrument_check
	   check (instrument in ('typed', 'probe', 'core-probe', 'surface-thermometer'))`,

	`create table device (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   key_sha256 text not null unique check (key_sha256 ~ '^[0-9a-f]{64}$'),
	   command_id uuid references command (id) deferrable initially deferred,
	   revoked_at timestamptz
	 )`,
	`create table device_sensor (
	   id uuid primary key,
	   device_id uuid not null references device (id),
	   name text not null check (length(name) between 1 and 200),
	   kind text not null
	     check (kind in ('room-probe', 'tap-probe', 'flour-probe', 'core-probe', 'surface-thermometer')),
	   report_every_s integer not null check (report_every_s between 1 and 3600),
	   unique (device_id, name)
	 )`,
	`create table device_reading (
	   id uuid primary key,
	   sensor_id uuid not null references device_sensor (id),
	   celsius double precision not null check (celsius between -40 and 120),
	   measured_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index device_reading_newest on device_reading (sensor_id, measured_at desc, recorded_at desc)`,
	// What every day came to, kept as readings arrive: a year is 365 rows, however often a probe speaks.
	`create table temperature_day (
	   quantity text not null check (quantity in ('room', 'flour', 'tap')),
	   day date not null,
	   readings integer not null check (readings > 0),
	   sum_celsius double precision not null,
	   least_celsius double precision not null,
	   most_celsius double precision not null,
	   primary key (quantity, day)
	 )`,

	`create table retarder (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   set_celsius double precision not null check (set_celsius between -10 and 20),
	   compressor_w double precision not null check (compressor_w > 0),
	   air_kj_per_k double precision not null check (air_kj_per_k > 0),
	   walls_w_per_k double precision not null check (walls_w_per_k >= 0)
	 )`,

	// What the mixer did to a measured dough; not known of those that were measured before.
	`alter table dough_temperature
	   add column mixer_id uuid references mixer (id),
	   add column slow_min double precision check (slow_min >= 0),
	   add column fast_min double precision check (fast_min >= 0),
	   add column fill_share double precision check (fill_share > 0),
	   add column spread_kj_per_kg double precision check (spread_kj_per_kg > 0)`,
	`create index dough_temperature_of_mix on dough_temperature (bake_date, occurred_at)`,

	`create table dough_check (
	   id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   ordinal integer not null check (ordinal > 0),
	   stage text not null check (stage in ('autolyse', 'dough')),
	   celsius double precision not null check (celsius between -25 and 60),
	   instrument text not null check (instrument in ('typed', 'core-probe', 'surface-thermometer')),
	   place text not null check (place in ('room', 'proofer', 'cold')),
	   ambient_celsius double precision not null check (ambient_celsius between -25 and 60),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index dough_check_of_mix on dough_check (bake_date, occurred_at)`,
	`create index dough_check_of_formula on dough_check (formula_id, occurred_at desc, recorded_at desc)`,
	`create table dough_move (
	   id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   ordinal integer not null check (ordinal > 0),
	   place text not null check (place in ('room', 'proofer', 'cold')),
	   ambient_celsius double precision not null check (ambient_celsius between -25 and 60),
	   time_constant_min double precision not null check (time_constant_min > 0),
	   retarder_id uuid references retarder (id),
	   /* True where the dough leaves the wait altogether: it is divided, or baked. */
	   ended boolean not null default false,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index dough_move_of_mix on dough_move (bake_date, occurred_at)`,
	`create table readiness_judgement (
	   id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   ordinal integer not null check (ordinal > 0),
	   sightings jsonb not null,
	   /* Minutes at the reference temperature: worked by then, and ripe by the book. */
	   dose_min double precision not null check (dose_min >= 0),
	   book_ripe_min double precision not null check (book_ripe_min > 0),
	   /* What was seen by itself, as a share of ripe; null where only the clock spoke. */
	   seen_share double precision check (seen_share > 0),
	   seen_spread double precision check (seen_spread > 0),
	   verdict text not null check (verdict in ('not-yet', 'nearly', 'ready', 'late')),
	   decision text not null check (decision in ('wait', 'fold-again', 'go-on')),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	// An observation that does not count, whichever it is; and when the learning of a figure began anew.
	`create table observation_ignored (
	   observation_id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred
	 )`,
	`insert into observation_ignored (observation_id, command_id)
	   select dough_temperature_id, command_id from dough_temperature_ignored`,
	`drop table dough_temperature_ignored`,
	`create table learning_reset (
	   subject text not null check (subject in ('friction', 'time-constant', 'clock')),
	   formula_id uuid not null references formula (id),
	   at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   primary key (subject, formula_id)
	 )`,
	`insert into learning_reset (subject, formula_id, at, recorded_at, command_id)
	   select 'friction', formula_id, at, recorded_at, command_id from friction_reset`,
	`drop table friction_reset`,
	`create index readiness_judgement_of_formula on readiness_judgement (formula_id, occurred_at desc, recorded_at desc)`,
	`create index readiness_judgement_of_mix on readiness_judgement (bake_date, occurred_at)`,

	// A word between servers: a number and a topic, never what was written.
	`create sequence announcement`,
	`create function announce_readings() returns trigger language plpgsql as $$
	 begin
	   perform pg_notify('jovet', nextval('announcement') || ' readings');
	   return null;
	 end $$`,
	`create trigger device_reading_announced after insert on device_reading
	 for each statement execute function announce_readings()`,
	`create function announce_command() returns trigger language plpgsql as $$
	 begin
	   perform pg_notify('jovet', nextval('announcement') || ' ' || new.kind);
	   return null;
	 end $$`,
	`create trigger command_announced after insert on command
	 for each row execute function announce_command()`
];

const APPEND_ONLY = ['device_reading', 'dough_check', 'dough_move', 'readiness_judgement'];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
	for (const table of APPEND_ONLY)
		await sql
			.raw(
				`create trigger ${table}_append_only before update or delete on ${table}
				 for each row execute function refuse_change()`
			)
			.execute(db);
}
