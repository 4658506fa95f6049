import { sql, type Kysely } from 'kysely';

/**
 * The first schema. Quantities carry their unit in the column's name. Revisions, readings, commands,
 * order changes and plan versions are append-only, held by a trigger.
 */
const STATEMENTS = [
	`create function refuse_change() returns trigger language plpgsql as $$
	 begin
	   raise exception 'rows of % are append-only', tg_table_name using errcode = 'restrict_violation';
	 end $$`,

	`create table bakery (
	   id boolean primary key default true check (id),
	   name text not null check (length(name) between 1 and 200),
	   time_zone text not null,
	   mass_units text not null default 'metric' check (mass_units in ('metric', 'imperial')),
	   temperature_units text not null default 'celsius' check (temperature_units in ('celsius', 'fahrenheit')),
	   oven_recovery_minutes integer not null check (oven_recovery_minutes between 0 and 240),
	   assumed_room_celsius double precision not null check (assumed_room_celsius between -25 and 60),
	   assumed_flour_celsius double precision not null check (assumed_flour_celsius between -25 and 60),
	   assumed_tap_celsius double precision not null check (assumed_tap_celsius between 0 and 60),
	   hot_tap_celsius double precision not null check (hot_tap_celsius between 20 and 95),
	   hottest_water_celsius double precision not null check (hottest_water_celsius between 20 and 60),
	   ice_celsius double precision not null check (ice_celsius between -40 and 0),
	   ice_most_share double precision not null check (ice_most_share between 0 and 1),
	   row_version integer not null default 1
	 )`,
	`create table app_clock (
	   id boolean primary key default true check (id),
	   anchor_real_ms double precision not null,
	   anchor_bakery_ms double precision not null,
	   rate double precision not null check (rate > 0 and rate <= 100000)
	 )`,
	`create table person (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   role text not null check (role in ('head-baker', 'baker'))
	 )`,
	`create table command (
	   id uuid primary key,
	   sequence bigint generated always as identity unique,
	   kind text not null,
	   actor_id uuid not null references person (id),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   request jsonb not null,
	   answer jsonb not null
	 )`,

	`create table weighing_scale (
	   id uuid primary key,
	   name text not null unique,
	   capacity_g double precision not null check (capacity_g > 0),
	   division_g double precision not null check (division_g > 0 and division_g <= capacity_g)
	 )`,
	`create table mixer (
	   id uuid primary key,
	   name text not null unique,
	   least_dough_g double precision not null check (least_dough_g >= 0),
	   most_dough_g double precision not null check (most_dough_g > least_dough_g)
	 )`,
	`create table oven_deck (
	   id uuid primary key,
	   name text not null unique,
	   ordinal integer not null unique
	 )`,

	`create table ingredient (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   kind text not null check (kind in ('flour', 'water', 'culture', 'salt', 'yeast', 'fat', 'other')),
	   flour_share double precision not null check (flour_share between 0 and 1),
	   water_share double precision not null check (water_share between 0 and 1),
	   wholegrain_of_flour double precision not null default 0 check (wholegrain_of_flour between 0 and 1),
	   yeast_fresh_equivalent double precision not null default 0 check (yeast_fresh_equivalent >= 0),
	   allergens text[] not null default '{}',
	   heat_capacity_kj_per_kg_k double precision not null check (heat_capacity_kj_per_kg_k > 0),
	   retired_at timestamptz,
	   row_version integer not null default 1,
	   check (flour_share + water_share <= 1.000001)
	 )`,
	`create table preparation (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   retired_at timestamptz
	 )`,
	`create table preparation_revision (
	   id uuid primary key,
	   preparation_id uuid not null references preparation (id),
	   number integer not null check (number > 0),
	   kind text not null check (kind in ('build', 'soaker')),
	   build_loss_share double precision not null check (build_loss_share >= 0 and build_loss_share < 1),
	   take_back_g double precision not null check (take_back_g >= 0),
	   steps jsonb not null check (jsonb_typeof(steps) = 'array'),
	   made_by uuid not null references person (id),
	   recorded_at timestamptz not null default now(),
	   unique (preparation_id, number)
	 )`,
	`create table preparation_revision_line (
	   revision_id uuid not null references preparation_revision (id),
	   ordinal integer not null check (ordinal > 0),
	   ingredient_id uuid references ingredient (id),
	   preparation_id uuid references preparation (id),
	   parts double precision not null check (parts > 0),
	   primary key (revision_id, ordinal),
	   check (num_nonnulls(ingredient_id, preparation_id) = 1)
	 )`,
	`create table formula (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   retired_at timestamptz
	 )`,
	`create table formula_revision (
	   id uuid primary key,
	   formula_id uuid not null references formula (id),
	   number integer not null check (number > 0),
	   dough_loss_share double precision not null check (dough_loss_share >= 0 and dough_loss_share < 1),
	   target_dough_celsius double precision not null check (target_dough_celsius between 0 and 45),
	   friction_kj_per_kg double precision not null check (friction_kj_per_kg between 0 and 100),
	   most_dough_g double precision check (most_dough_g > 0),
	   steps jsonb not null check (jsonb_typeof(steps) = 'array'),
	   made_by uuid not null references person (id),
	   recorded_at timestamptz not null default now(),
	   unique (formula_id, number)
	 )`,
	`create table formula_revision_line (
	   revision_id uuid not null references formula_revision (id),
	   ordinal integer not null check (ordinal > 0),
	   ingredient_id uuid references ingredient (id),
	   preparation_id uuid references preparation (id),
	   percent_of_flour double precision not null check (percent_of_flour > 0),
	   addition text not null check (addition in ('start', 'held-back', 'late')),
	   primary key (revision_id, ordinal),
	   check (num_nonnulls(ingredient_id, preparation_id) = 1)
	 )`,
	`create table product (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   ordinal integer not null,
	   retired_at timestamptz
	 )`,
	`create table product_revision (
	   id uuid primary key,
	   product_id uuid not null references product (id),
	   number integer not null check (number > 0),
	   formula_id uuid not null references formula (id),
	   scaled_g double precision not null check (scaled_g > 0),
	   pieces_per_deck integer not null check (pieces_per_deck > 0),
	   steps jsonb not null check (jsonb_typeof(steps) = 'array'),
	   made_by uuid not null references person (id),
	   recorded_at timestamptz not null default now(),
	   unique (product_id, number)
	 )`,

	`create table delivery_drop (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   due_time time not null,
	   retired_at timestamptz
	 )`,
	`create table order_line (
	   bake_date date not null,
	   drop_id uuid not null references delivery_drop (id),
	   product_id uuid not null references product (id),
	   pieces integer not null check (pieces between 0 and 9999),
	   row_version integer not null default 1,
	   changed_by uuid not null references person (id),
	   primary key (bake_date, drop_id, product_id)
	 )`,
	`create table order_change (
	   id bigint generated always as identity primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   bake_date date not null,
	   drop_id uuid not null references delivery_drop (id),
	   product_id uuid not null references product (id),
	   pieces_before integer not null,
	   pieces_after integer not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create index order_change_by_date on order_change (bake_date, id)`,

	`create table reading (
	   id uuid primary key,
	   command_id uuid not null references command (id) deferrable initially deferred,
	   quantity text not null check (quantity in ('room', 'flour', 'tap', 'preferment')),
	   preparation_id uuid references preparation (id),
	   celsius double precision not null check (celsius between -25 and 60),
	   instrument text not null check (instrument in ('typed', 'core-probe', 'surface-thermometer')),
	   corrects_id uuid references reading (id),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check ((quantity = 'preferment') = (preparation_id is not null))
	 )`,
	// Two indexes, since "is null" does not count as an equality when PostgreSQL looks for an order.
	`create index reading_newest_of_place on reading (quantity, occurred_at desc, recorded_at desc)
	 where preparation_id is null`,
	`create index reading_newest_of_build on reading (quantity, preparation_id, occurred_at desc, recorded_at desc)
	 where preparation_id is not null`,
	`create index reading_corrected on reading (corrects_id) where corrects_id is not null`,

	`create table mix_lead (
	   bake_date date not null,
	   formula_id uuid not null references formula (id),
	   ordinal integer not null check (ordinal > 0),
	   minutes integer not null check (minutes between 0 and 480),
	   row_version integer not null default 1,
	   changed_by uuid not null references person (id),
	   primary key (bake_date, formula_id, ordinal)
	 )`,
	`create table plan_version (
	   id uuid primary key,
	   bake_date date not null,
	   number integer not null check (number > 0),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   accepted_by uuid not null references person (id),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   fingerprint text not null,
	   input jsonb not null,
	   placement jsonb not null,
	   unique (bake_date, number)
	 )`,
	`create table batch (
	   id uuid primary key,
	   bake_date date not null,
	   kind text not null check (kind in ('build', 'mix', 'lot', 'load')),
	   key text not null,
	   preparation_revision_id uuid references preparation_revision (id),
	   formula_revision_id uuid references formula_revision (id),
	   product_revision_id uuid references product_revision (id),
	   recorded_at timestamptz not null default now(),
	   check ((kind = 'build') = (preparation_revision_id is not null)),
	   check ((kind = 'build') = (formula_revision_id is null)),
	   check ((kind in ('lot', 'load')) = (product_revision_id is not null)),
	   unique nulls not distinct (bake_date, key, preparation_revision_id, formula_revision_id, product_revision_id)
	 )`,
	`create table plan_batch (
	   plan_id uuid not null references plan_version (id),
	   batch_id uuid not null references batch (id),
	   mass_g double precision not null check (mass_g >= 0),
	   pieces integer check (pieces >= 0),
	   primary key (plan_id, batch_id)
	 )`,
	`create table plan_task (
	   plan_id uuid not null references plan_version (id),
	   task_key text not null,
	   batch_id uuid not null references batch (id),
	   activity text not null,
	   machine_id uuid,
	   start_at timestamptz not null,
	   end_at timestamptz not null,
	   primary key (plan_id, task_key),
	   check (end_at >= start_at)
	 )`,
	`create index plan_task_by_time on plan_task (start_at)`
];

const APPEND_ONLY = [
	'command',
	'preparation_revision',
	'preparation_revision_line',
	'formula_revision',
	'formula_revision_line',
	'product_revision',
	'order_change',
	'reading',
	'plan_version',
	'batch',
	'plan_batch',
	'plan_task'
];

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
