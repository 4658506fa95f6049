import { sql, type Kysely } from 'kysely';

/** Cultures: how each is kept, and all that happens to it. */
const STATEMENTS = [
	// A culture is what an ingredient of that kind stands for in the house.
	`create table culture (
	   ingredient_id uuid primary key references ingredient (id),
	   seed_parts double precision not null check (seed_parts > 0 and seed_parts <= 1000),
	   flour_parts double precision not null check (flour_parts > 0 and flour_parts <= 1000),
	   water_parts double precision not null check (water_parts > 0 and water_parts <= 1000),
	   -- Where it ferments after a feed, and where it goes when it is ripe; null for the room, and for nowhere else.
	   place_id uuid references bakery_entry (id),
	   rest_place_id uuid references bakery_entry (id),
	   time_constant_min double precision not null check (time_constant_min between 1 and 10000),
	   fed_celsius double precision not null check (fed_celsius between -5 and 60),
	   reference_celsius double precision not null check (reference_celsius between 1 and 41),
	   under_min double precision not null check (under_min > 0),
	   ripe_min double precision not null check (ripe_min >= under_min),
	   over_min double precision not null check (over_min >= ripe_min and over_min <= 60480),
	   keep_g double precision not null check (keep_g >= 0 and keep_g <= 5000000),
	   cold_days integer not null check (cold_days between 1 and 365),
	   refreshes integer not null check (refreshes between 0 and 10),
	   row_version integer not null,
	   changed_by uuid not null references bakery_entry (id)
	 )`,
	`create table culture_flour (
	   ingredient_id uuid not null references culture (ingredient_id),
	   flour_id uuid not null references ingredient (id),
	   parts double precision not null check (parts > 0 and parts <= 1000),
	   primary key (ingredient_id, flour_id)
	 )`,
	`create table culture_feed_time (
	   ingredient_id uuid not null references culture (ingredient_id),
	   wall_time text not null check (wall_time ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'),
	   primary key (ingredient_id, wall_time)
	 )`,
	`create table culture_entry (
	   id uuid primary key,
	   ingredient_id uuid not null references ingredient (id),
	   kind text not null check (kind in ('begun', 'fed', 'stirred', 'trusted', 'counted', 'kept-back', 'taken-out',
	     'moved', 'measured', 'seen')),
	   beginning text check (beginning in ('flour-and-water', 'fruit-water', 'ripe-culture', 'dried-culture')),
	   seed_g double precision check (seed_g between 0 and 5000000),
	   flour_g double precision check (flour_g between 0 and 5000000),
	   water_g double precision check (water_g between 0 and 5000000),
	   amount_g double precision check (amount_g between 0 and 5000000),
	   celsius double precision check (celsius between -25 and 60),
	   batch_id uuid references batch (id),
	   place_id uuid references bakery_entry (id),
	   sightings jsonb,
	   clock_share double precision check (clock_share >= 0),
	   seen_share double precision check (seen_share > 0),
	   seen_spread double precision check (seen_spread > 0),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   check ((kind = 'begun') = (beginning is not null)),
	   check ((kind in ('begun', 'fed')) = (seed_g is not null and flour_g is not null and water_g is not null)),
	   check ((kind in ('counted', 'kept-back', 'taken-out')) = (amount_g is not null)),
	   check (kind <> 'measured' or celsius is not null),
	   check (batch_id is null or kind = 'kept-back'),
	   check (place_id is null or kind = 'moved'),
	   check ((kind = 'seen') = (sightings is not null and clock_share is not null)),
	   check ((seen_share is null) = (seen_spread is null))
	 )`,
	`create index culture_entry_by_culture on culture_entry (ingredient_id, occurred_at desc)`,
	`create index culture_entry_by_batch on culture_entry (batch_id) where batch_id is not null`,
	`create trigger culture_entry_append_only before update or delete on culture_entry
	 for each row execute function refuse_change()`,
	// The flours of a feed: they are used as those of a batch are.
	`create table culture_feed_flour (
	   entry_id uuid not null references culture_entry (id),
	   flour_id uuid not null references ingredient (id),
	   amount_g double precision not null check (amount_g >= 0),
	   occurred_at timestamptz not null,
	   primary key (entry_id, flour_id)
	 )`,
	`create index culture_feed_flour_by_flour on culture_feed_flour (flour_id, occurred_at desc)`,
	`create trigger culture_feed_flour_append_only before update or delete on culture_feed_flour
	 for each row execute function refuse_change()`,
	// It did not happen after all.
	`create table culture_struck (
	   entry_id uuid primary key references culture_entry (id),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now()
	 )`,
	`create trigger culture_struck_append_only before update or delete on culture_struck
	 for each row execute function refuse_change()`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
