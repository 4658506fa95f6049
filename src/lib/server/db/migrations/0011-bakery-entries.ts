import { sql, type Kysely } from 'kysely';

/**
 * All that a bakery has, and who works in it, is one list of entries with revisions that apply from a date on: people,
 * mixers, ovens with their decks, places, scales, dividers, sheeters, vessels, benches, drops, customers, closed days.
 * What stood in a table of its own becomes an entry with the id it had, as it was from the first day on; what named it
 * names the entry. A count of pieces on a deck can be left to the sizes of deck and piece.
 */
const BEGINNING = '2000-01-01';

const KINDS = [
	'person',
	'mixer',
	'oven',
	'place',
	'drop',
	'customer',
	'closed-days',
	'scale',
	'divider',
	'sheeter',
	'vessel',
	'bench'
];

const MADE = [
	`create table bakery_entry (
	   id uuid primary key,
	   kind text not null check (kind in (${KINDS.map((kind) => `'${kind}'`).join(', ')})),
	   name text not null check (char_length(name) between 1 and 200),
	   unique (kind, name)
	 )`,
	`create table bakery_entry_revision (
	   id uuid primary key default gen_random_uuid(),
	   entry_id uuid not null references bakery_entry (id),
	   number integer not null check (number > 0),
	   applies_from date not null check (applies_from between '2000-01-01' and '2199-12-31'),
	   name text not null check (char_length(name) between 1 and 200),
	   retired boolean not null,
	   content jsonb not null check (jsonb_typeof(content) = 'object'),
	   made_by uuid references bakery_entry (id),
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   unique (entry_id, number)
	 )`,
	`create index bakery_entry_as_of on bakery_entry_revision (entry_id, applies_from desc, number desc)`
];

/** What stands in each table so far, as content of an entry. */
const MOVED: readonly {
	readonly table: string;
	readonly kind: string;
	readonly content: string;
}[] = [
	{
		table: 'person',
		kind: 'person',
		content: `jsonb_build_object('role', t.role, 'skills', '[]'::jsonb, 'shifts', '[]'::jsonb,
			'exceptions', '[]'::jsonb, 'pacePercent', 100)`
	},
	{
		table: 'mixer',
		kind: 'mixer',
		content: `jsonb_build_object('drive', 'machine', 'leastGrams', t.least_dough_g, 'mostGrams', t.most_dough_g,
			'stiff', null, 'bowls', 1, 'bowlKilojoulesPerKelvin', t.bowl_kj_per_k, 'speeds', 2, 'lightBeforeDark', false,
			'allergensLast', false, 'cleanDownMinutes', 0)`
	},
	{
		table: 'place',
		kind: 'place',
		content: `jsonb_build_object('placeKind', t.kind, 'role', t.role, 'celsius', t.set_celsius,
			'humidityPercent', null, 'holds', null, 'cold', (select jsonb_build_object('compressorWatts', r.compressor_w,
			'airKilojoulesPerKelvin', r.air_kj_per_k, 'wallsWattsPerKelvin', r.walls_w_per_k) from retarder r
			where r.id = t.id))`
	},
	{
		table: 'weighing_scale',
		kind: 'scale',
		content: `jsonb_build_object('capacityGrams', t.capacity_g, 'divisionGrams', t.division_g)`
	},
	{
		table: 'divider',
		kind: 'divider',
		content: `jsonb_build_object('heads', t.heads, 'leastPieceGrams', t.least_piece_g,
			'mostPieceGrams', t.most_piece_g)`
	},
	{
		table: 'vessel',
		kind: 'vessel',
		content: `jsonb_build_object('use', case when t.name ilike '%tin%' then 'tin' when t.name ilike '%tray%' then
			'tray' when t.name ilike '%board%' then 'board' else 'basket' end, 'owned', t.owned,
			'millilitres', t.volume_ml, 'holds', null)`
	},
	{
		table: 'delivery_drop',
		kind: 'drop',
		content: `jsonb_build_object('dueTime', to_char(t.due_time, 'HH24:MI'), 'weekdays', '[1,2,3,4,5,6,7]'::jsonb,
			'pickingMinutes', 0, 'loadingMinutes', 0, 'roadMinutes', 0)`
	}
];

const HEAD_BAKER = `(select id from person order by role = 'head-baker' desc, name limit 1)`;

/** Decks become decks of one oven, with the ids that plans name them by. */
const OVEN = [
	`insert into bakery_entry (id, kind, name)
	   select gen_random_uuid(), 'oven', 'Oven' where exists (select from oven_deck)`,
	`insert into bakery_entry_revision (entry_id, number, applies_from, name, retired, content, made_by, occurred_at)
	   select e.id, 1, '${BEGINNING}', e.name, false, jsonb_build_object(
	     'decks', (select jsonb_agg(jsonb_build_object('id', d.id, 'name', d.name, 'kind', 'sole', 'count', 1,
	       'lengthCm', 160, 'widthCm', 120, 'heightCm', null, 'steam', true, 'stone', true, 'hotSpots', '')
	       order by d.ordinal) from oven_deck d),
	     'sharesHeat', false, 'topAndBottom', false, 'fan', false, 'loader', false, 'switchOnTimer', false,
	     'preheatMinutes', 90, 'recoveryMinutes', coalesce((select oven_recovery_minutes from bakery), 10),
	     'heatMinutesPerTenKelvin', 3, 'coolMinutesPerTenKelvin', 6), ${HEAD_BAKER}, now()
	   from bakery_entry e where e.kind = 'oven'`
];

const AFTER = [
	`drop table retarder, place, oven_deck, mixer, weighing_scale, divider, vessel, delivery_drop, person`,
	`alter table bakery drop column oven_recovery_minutes`,
	`create trigger bakery_entry_revision_append_only before update or delete on bakery_entry_revision
	 for each row execute function refuse_change()`,
	`alter table product_revision alter column pieces_per_deck drop not null,
	   add column spacing_cm double precision not null default 3 check (spacing_cm between 0 and 50)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of MADE) await sql.raw(statement).execute(db);
	for (const { table, kind, content } of MOVED) {
		await sql
			.raw(`insert into bakery_entry (id, kind, name) select id, '${kind}', name from ${table}`)
			.execute(db);
		await sql
			.raw(
				`insert into bakery_entry_revision
				   (entry_id, number, applies_from, name, retired, content, made_by, occurred_at)
				 select t.id, 1, '${BEGINNING}', t.name, ${table === 'delivery_drop' ? 't.retired_at is not null' : 'false'},
				   ${content}, ${HEAD_BAKER}, now() from ${table} t`
			)
			.execute(db);
	}
	for (const statement of OVEN) await sql.raw(statement).execute(db);
	await nameTheEntries(db);
	for (const statement of AFTER) await sql.raw(statement).execute(db);
}

/** Every foreign key that led to one of the tables leads to the entries. */
async function nameTheEntries(db: Kysely<unknown>): Promise<void> {
	const { rows } = await sql<{ name: string; from: string; columns: string }>`
		select conname as name, conrelid::regclass::text as from,
		  (select string_agg(quote_ident(attname), ', ') from pg_attribute
		   where attrelid = conrelid and attnum = any (conkey)) as columns
		from pg_constraint
		where contype = 'f' and confrelid in (${sql.join(
			['retarder', ...MOVED.map(({ table }) => table)].map((table) => sql`${table}::regclass`)
		)}) and conrelid <> 'retarder'::regclass`.execute(db);
	for (const { name, from, columns } of rows)
		await sql
			.raw(
				`alter table ${from} drop constraint "${name}",
				   add constraint "${name}" foreign key (${columns}) references bakery_entry (id)`
			)
			.execute(db);
}
