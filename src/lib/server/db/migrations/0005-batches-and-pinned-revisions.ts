import { sql, type Kysely } from 'kysely';
import { describeStoredPlans } from './stored-plans-described.ts';

/**
 * What is made gets an identity of its own, with one log of what happened to it; revisions name the
 * revisions they take from; an accepted plan is kept as it was told. Entries of the version before are
 * carried over: where several were made of one mix, the later one corrects the one before it.
 */
const REVISIONS = [
	`create table ingredient_revision (
	   id uuid primary key default gen_random_uuid(),
	   ingredient_id uuid not null references ingredient (id),
	   number integer not null check (number > 0),
	   name text not null check (length(name) between 1 and 200),
	   kind text not null check (kind in
	     ('flour', 'water', 'culture', 'salt', 'yeast', 'fat', 'liquid', 'other', 'caustic')),
	   flour_share double precision not null check (flour_share between 0 and 1),
	   water_share double precision not null check (water_share between 0 and 1),
	   fat_share double precision not null check (fat_share between 0 and 1),
	   sugar_share double precision not null check (sugar_share between 0 and 1),
	   wholegrain_of_flour double precision not null check (wholegrain_of_flour between 0 and 1),
	   yeast_fresh_equivalent double precision not null check (yeast_fresh_equivalent >= 0),
	   allergens text[] not null,
	   heat_capacity_kj_per_kg_k double precision not null check (heat_capacity_kj_per_kg_k > 0),
	   density_kg_per_l double precision check (density_kg_per_l > 0),
	   price_per_kg double precision check (price_per_kg >= 0),
	   weighing_scale_id uuid references weighing_scale (id),
	   /* Null for what was written before editors were told. */
	   made_by uuid references person (id),
	   /* The bakery's clock when it was saved. */
	   occurred_at timestamptz not null default now(),
	   recorded_at timestamptz not null default now(),
	   unique (ingredient_id, number),
	   check (flour_share + water_share + fat_share + sugar_share <= 1.000001)
	 )`,
	`insert into ingredient_revision (ingredient_id, number, name, kind, flour_share, water_share, fat_share,
	     sugar_share, wholegrain_of_flour, yeast_fresh_equivalent, allergens, heat_capacity_kj_per_kg_k,
	     density_kg_per_l, price_per_kg, weighing_scale_id)
	   select id, row_version, name, kind, flour_share, water_share, fat_share, sugar_share, wholegrain_of_flour,
	     yeast_fresh_equivalent, allergens, heat_capacity_kj_per_kg_k, density_kg_per_l, price_per_kg,
	     weighing_scale_id from ingredient`,
	`alter table ingredient drop column kind, drop column flour_share, drop column water_share,
	   drop column fat_share, drop column sugar_share, drop column wholegrain_of_flour,
	   drop column yeast_fresh_equivalent, drop column allergens, drop column heat_capacity_kj_per_kg_k,
	   drop column density_kg_per_l, drop column price_per_kg, drop column weighing_scale_id,
	   drop column row_version`,
	// A name is printed on labels: it belongs to the revision as well.
	...['formula', 'preparation', 'product'].flatMap((kind) => [
		`alter table ${kind}_revision
		   add column name text check (length(name) between 1 and 200),
		   add column cause text not null default 'edited' check (cause in ('edited', 'followed')),
		   add column occurred_at timestamptz`,
		`alter table ${kind}_revision disable trigger ${kind}_revision_append_only`,
		`update ${kind}_revision r set name = e.name, occurred_at = r.recorded_at from ${kind} e where e.id = r.${kind}_id`,
		`alter table ${kind}_revision enable trigger ${kind}_revision_append_only`,
		`alter table ${kind}_revision alter column name set not null, alter column cause drop default,
		   alter column occurred_at set not null`
	]),
	...[
		['formula_revision', 'formula_id'],
		['preparation_revision', 'preparation_id'],
		['product_revision', 'product_id']
	].map(
		([table, entity]) =>
			`alter table ${table} add constraint ${table}_of_${entity} unique (id, ${entity})`
	),
	...pinned('preparation_revision_line', 'preparation_revision', 'preparation_id'),
	...pinned('formula_revision_line', 'formula_revision', 'formula_id'),
	...pinned('product_revision_extra', 'product_revision', 'product_id')
];

/**
 * Lets lines name revisions. The newest revision of a taker takes from the newest of what it takes from; an
 * older one from what was newest when it was saved.
 */
function pinned(lines: string, takers: string, entity: string): readonly string[] {
	return [
		`alter table ${lines}
		   add column ingredient_revision_id uuid references ingredient_revision (id),
		   add column preparation_revision_id uuid references preparation_revision (id)`,
		`alter table ${lines} disable trigger ${lines}_append_only`,
		`update ${lines} l set ingredient_revision_id = i.id
		   from ingredient_revision i where i.ingredient_id = l.ingredient_id`,
		`update ${lines} l set preparation_revision_id = (
		   select p.id from preparation_revision p join ${takers} t on t.id = l.revision_id
		   where p.preparation_id = l.preparation_id
		   order by (p.recorded_at <= t.recorded_at
		     or t.number = (select max(number) from ${takers} n where n.${entity} = t.${entity})) desc,
		     case when p.recorded_at <= t.recorded_at
		       or t.number = (select max(number) from ${takers} n where n.${entity} = t.${entity})
		     then p.number end desc nulls last, p.number limit 1)
		   where l.preparation_id is not null`,
		`alter table ${lines} enable trigger ${lines}_append_only`,
		`alter table ${lines} drop column ingredient_id, drop column preparation_id,
		   add constraint ${lines}_material check (num_nonnulls(ingredient_revision_id, preparation_revision_id) = 1)`,
		`create index ${lines}_by_ingredient on ${lines} (ingredient_revision_id)
		   where ingredient_revision_id is not null`,
		`create index ${lines}_by_preparation on ${lines} (preparation_revision_id)
		   where preparation_revision_id is not null`
	];
}

const BATCHES = [
	`drop trigger batch_append_only on batch`,
	`alter table batch rename to batch_before`,
	`create table batch (
	   id uuid primary key,
	   bake_date date not null,
	   kind text not null check (kind in ('pre-ferment', 'preparation', 'mix', 'portion', 'load', 'feed')),
	   ordinal integer not null check (ordinal > 0),
	   formula_id uuid references formula (id),
	   formula_revision_id uuid,
	   preparation_id uuid references preparation (id),
	   preparation_revision_id uuid,
	   product_id uuid references product (id),
	   product_revision_id uuid,
	   recipe_id uuid not null generated always as (coalesce(formula_id, preparation_id, product_id)) stored,
	   /* Null while nothing tells it: for what an earlier version wrote without its mass. */
	   mass_g double precision check (mass_g > 0 and mass_g <= 1e8),
	   pieces integer check (pieces >= 0),
	   state text not null check (state in ('planned', 'begun', 'ended', 'withdrawn')),
	   recorded_at timestamptz not null default now(),
	   unique (id, recipe_id),
	   foreign key (formula_revision_id, formula_id) references formula_revision (id, formula_id),
	   foreign key (preparation_revision_id, preparation_id)
	     references preparation_revision (id, preparation_id),
	   foreign key (product_revision_id, product_id) references product_revision (id, product_id),
	   check (num_nonnulls(formula_id, preparation_id, product_id) = 1),
	   check ((kind = 'mix') = (formula_revision_id is not null)),
	   check ((kind in ('pre-ferment', 'preparation', 'feed')) = (preparation_revision_id is not null)),
	   check ((kind in ('portion', 'load')) = (product_revision_id is not null)),
	   check (kind not in ('portion', 'load') or pieces is not null)
	 )`,
	`create table batch_parent (
	   batch_id uuid not null references batch (id),
	   parent_id uuid not null references batch (id),
	   primary key (batch_id, parent_id),
	   check (batch_id <> parent_id)
	 )`,
	`create index batch_parent_of on batch_parent (parent_id)`,
	`create table batch_event (
	   id uuid primary key,
	   batch_id uuid not null,
	   recipe_id uuid not null,
	   kind text not null check (kind in ('measured', 'checked', 'moved', 'ended', 'judged', 'struck')),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   corrects_id uuid,
	   occurred_at timestamptz not null,
	   recorded_at timestamptz not null default now(),
	   unique (id, kind),
	   unique (id, batch_id),
	   unique (corrects_id),
	   foreign key (batch_id, recipe_id) references batch (id, recipe_id),
	   foreign key (corrects_id, batch_id) references batch_event (id, batch_id),
	   check (kind <> 'struck' or corrects_id is not null)
	 )`,
	`create table event_measured (
	   event_id uuid primary key,
	   kind text not null default 'measured' check (kind = 'measured'),
	   celsius double precision not null check (celsius between -25 and 60),
	   /* Null for what has no temperature to come to. */
	   target_celsius double precision check (target_celsius between -30 and 105),
	   instrument text not null check (instrument in ('typed', 'core-probe', 'surface-thermometer')),
	   /* What a mixer did to it: null for what was stirred by hand. */
	   water_celsius double precision check (water_celsius between -80 and 100),
	   friction_kj_per_kg double precision,
	   dough_kj_per_kg_k double precision check (dough_kj_per_kg_k > 0),
	   mixer_id uuid references mixer (id),
	   slow_min double precision check (slow_min >= 0),
	   fast_min double precision check (fast_min >= 0),
	   fill_share double precision check (fill_share > 0),
	   spread_kj_per_kg double precision check (spread_kj_per_kg > 0),
	   inputs jsonb,
	   foreign key (event_id, kind) references batch_event (id, kind),
	   check ((friction_kj_per_kg is null) = (water_celsius is null))
	 )`,
	`create table event_checked (
	   event_id uuid primary key,
	   kind text not null default 'checked' check (kind = 'checked'),
	   stage text not null check (stage in ('autolyse', 'dough')),
	   celsius double precision not null check (celsius between -25 and 60),
	   instrument text not null check (instrument in ('typed', 'core-probe', 'surface-thermometer')),
	   place text not null check (place in ('room', 'proofer', 'cold')),
	   ambient_celsius double precision not null check (ambient_celsius between -25 and 60),
	   foreign key (event_id, kind) references batch_event (id, kind)
	 )`,
	`create table event_moved (
	   event_id uuid primary key,
	   kind text not null default 'moved' check (kind = 'moved'),
	   place text not null check (place in ('room', 'proofer', 'cold')),
	   ambient_celsius double precision not null check (ambient_celsius between -25 and 60),
	   time_constant_min double precision not null check (time_constant_min > 0),
	   retarder_id uuid references retarder (id),
	   foreign key (event_id, kind) references batch_event (id, kind)
	 )`,
	`create table event_judged (
	   event_id uuid primary key,
	   kind text not null default 'judged' check (kind = 'judged'),
	   sightings jsonb not null,
	   dose_min double precision not null check (dose_min >= 0),
	   book_ripe_min double precision not null check (book_ripe_min > 0),
	   seen_share double precision check (seen_share > 0),
	   seen_spread double precision check (seen_spread > 0),
	   verdict text not null check (verdict in ('not-yet', 'nearly', 'ready', 'late')),
	   decision text not null check (decision in ('wait', 'fold-again', 'go-on')),
	   foreign key (event_id, kind) references batch_event (id, kind)
	 )`,
	`create table batch_lead (
	   batch_id uuid primary key references batch (id),
	   minutes integer not null check (minutes between 0 and 480),
	   row_version integer not null,
	   changed_by uuid not null references person (id)
	 )`
];

/** Batches of plans keep their ids; what was written of a mix finds its batch, or gets one. */
const CARRIED = [
	`create temporary table entry on commit drop as
	   select 'measured' as kind, id, command_id, bake_date, formula_id, ordinal, occurred_at, recorded_at
	     from dough_temperature
	   union all select 'checked', id, command_id, bake_date, formula_id, ordinal, occurred_at, recorded_at
	     from dough_check
	   union all select case when ended then 'ended' else 'moved' end, id, command_id, bake_date, formula_id,
	     ordinal, occurred_at, recorded_at from dough_move
	   union all select 'judged', id, command_id, bake_date, formula_id, ordinal, occurred_at, recorded_at
	     from readiness_judgement`,
	`create temporary table mix_before on commit drop as
	   select wanted.*, coalesce(
	     (select b.id from batch_before b
	        join plan_batch pb on pb.batch_id = b.id join plan_version v on v.id = pb.plan_id
	      where b.bake_date = wanted.bake_date
	        and b.key = 'mix:' || wanted.formula_id || ':' || wanted.ordinal
	      order by (v.recorded_at <= wanted.first_at) desc,
	        case when v.recorded_at <= wanted.first_at then v.number end desc nulls last, v.number limit 1),
	     gen_random_uuid()) as batch_id
	   from (select bake_date, formula_id, ordinal, min(first_at) as first_at, bool_or(touched) as touched from (
	       select bake_date, formula_id, ordinal, recorded_at as first_at, true as touched from entry
	       union all select bake_date, formula_id, ordinal, 'infinity', false from mix_lead) one
	     group by bake_date, formula_id, ordinal) wanted`,
	`create temporary table planned_before on commit drop as
	   select distinct on (b.id) b.*, pb.mass_g as planned_g, pb.pieces as planned_pieces, pb.plan_id,
	     v.number = (select max(number) from plan_version n where n.bake_date = v.bake_date) as in_newest,
	     split_part(b.key, ':', 2)::uuid as of_id,
	     nullif(split_part(b.key, ':', 3), '')::integer as of_ordinal
	   from batch_before b join plan_batch pb on pb.batch_id = b.id join plan_version v on v.id = pb.plan_id
	   order by b.id, v.number desc`,
	`insert into batch (id, bake_date, kind, ordinal, formula_id, formula_revision_id, preparation_id,
	     preparation_revision_id, product_id, product_revision_id, mass_g, pieces, state, recorded_at)
	   select p.id, p.bake_date,
	     case p.kind when 'build' then case r.kind when 'build' then 'pre-ferment' else 'preparation' end
	       when 'lot' then 'portion' else p.kind end,
	     case p.kind when 'mix' then p.of_ordinal when 'load' then split_part(p.key, ':', 5)::integer else 1 end,
	     case when p.kind = 'mix' then p.of_id end, case when p.kind = 'mix' then p.formula_revision_id end,
	     case when p.kind = 'build' then p.of_id end, p.preparation_revision_id,
	     case when p.kind in ('lot', 'load') then split_part(p.key, ':', 4)::uuid end, p.product_revision_id,
	     nullif(p.planned_g, 0), p.planned_pieces,
	     case when m.touched then 'begun'
	       when p.in_newest and not exists (select 1 from mix_before other
	         where p.kind = 'mix' and other.touched and other.bake_date = p.bake_date
	           and other.formula_id = p.of_id and other.ordinal = p.of_ordinal and other.batch_id <> p.id)
	         then 'planned' else 'withdrawn' end,
	     p.recorded_at
	   from planned_before p
	     left join preparation_revision r on r.id = p.preparation_revision_id
	     left join mix_before m on m.batch_id = p.id`,
	`insert into batch (id, bake_date, kind, ordinal, formula_id, formula_revision_id, mass_g, state)
	   select m.batch_id, m.bake_date, 'mix', m.ordinal, m.formula_id,
	     (select r.id from formula_revision r where r.formula_id = m.formula_id
	      order by (r.recorded_at <= m.first_at) desc,
	        case when r.recorded_at <= m.first_at then r.number end desc nulls last, r.number limit 1),
	     (select (d.inputs -> 'water' ->> 'grams')::double precision + coalesce((
	          select sum((part -> 'mass' ->> 'grams')::double precision)
	          from jsonb_array_elements(d.inputs -> 'parts') part), 0)
	      from dough_temperature d where d.bake_date = m.bake_date and d.formula_id = m.formula_id
	        and d.ordinal = m.ordinal and d.inputs ? 'water' order by d.recorded_at limit 1),
	     case when m.touched then 'begun' else 'planned' end
	   from mix_before m where not exists (select 1 from batch b where b.id = m.batch_id)`,
	`insert into batch_parent (batch_id, parent_id)
	   select p.id, parent.id from planned_before p
	     join plan_batch pb on pb.plan_id = p.plan_id
	     join batch_before parent on parent.id = pb.batch_id
	   where (p.kind = 'lot' and parent.key = 'mix:' || p.of_id || ':' || p.of_ordinal)
	     or (p.kind = 'load' and parent.key =
	       'lot:' || p.of_id || ':' || p.of_ordinal || ':' || split_part(p.key, ':', 4))
	     or (p.kind = 'mix' and parent.kind = 'build' and exists (
	       select 1 from formula_revision_line l join preparation_revision r on r.id = l.preparation_revision_id
	       where l.revision_id = p.formula_revision_id and 'build:' || r.preparation_id = parent.key))
	     or (p.kind = 'build' and parent.kind = 'build' and exists (
	       select 1 from preparation_revision_line l join preparation_revision r on r.id = l.preparation_revision_id
	       where l.revision_id = p.preparation_revision_id and 'build:' || r.preparation_id = parent.key))`,
	`insert into batch_event (id, batch_id, recipe_id, kind, command_id, corrects_id, occurred_at, recorded_at)
	   select e.id, m.batch_id, e.formula_id, e.kind, e.command_id,
	     case when e.kind = 'measured' then lag(e.id) over (partition by e.kind, m.batch_id
	       order by e.occurred_at, e.recorded_at, e.id) end,
	     e.occurred_at, e.recorded_at
	   from entry e join mix_before m using (bake_date, formula_id, ordinal)
	   order by e.occurred_at, e.recorded_at, e.id`,
	`insert into event_measured (event_id, celsius, target_celsius, instrument, water_celsius, friction_kj_per_kg,
	     dough_kj_per_kg_k, mixer_id, slow_min, fast_min, fill_share, spread_kj_per_kg, inputs)
	   select id, dough_celsius, target_celsius, instrument, water_celsius, friction_kj_per_kg, dough_kj_per_kg_k,
	     mixer_id, slow_min, fast_min, fill_share, spread_kj_per_kg, inputs from dough_temperature`,
	`insert into event_checked (event_id, stage, celsius, instrument, place, ambient_celsius)
	   select id, stage, celsius, instrument, place, ambient_celsius from dough_check`,
	`insert into event_moved (event_id, place, ambient_celsius, time_constant_min, retarder_id)
	   select id, place, ambient_celsius, time_constant_min, retarder_id from dough_move where not ended`,
	`insert into event_judged (event_id, sightings, dose_min, book_ripe_min, seen_share, seen_spread, verdict, decision)
	   select id, sightings, dose_min, book_ripe_min, seen_share, seen_spread, verdict, decision
	   from readiness_judgement`,
	`update batch b set state = 'ended' where state = 'begun' and 'ended' = (
	   select kind from batch_event e where e.batch_id = b.id and kind in ('moved', 'ended')
	   order by occurred_at desc, recorded_at desc limit 1)`,
	`insert into batch_lead (batch_id, minutes, row_version, changed_by)
	   select m.batch_id, l.minutes, l.row_version, l.changed_by
	   from mix_lead l join mix_before m using (bake_date, formula_id, ordinal)`
];

/** What stands on the new tables. */
const SHAPED = [
	`alter table plan_batch drop constraint plan_batch_batch_id_fkey,
	   add foreign key (batch_id) references batch (id)`,
	`alter table plan_task drop constraint plan_task_batch_id_fkey,
	   add foreign key (batch_id) references batch (id)`,
	`drop table batch_before, dough_temperature, dough_check, dough_move, readiness_judgement, mix_lead`,
	`alter table observation_ignored add foreign key (observation_id) references batch_event (id)`,
	`create unique index batch_mix_of_date on batch (bake_date, formula_id, ordinal)
	   where kind = 'mix' and state <> 'withdrawn'`,
	`create unique index batch_preparation_of_date on batch (bake_date, preparation_id, ordinal)
	   where kind in ('pre-ferment', 'preparation') and state <> 'withdrawn'`,
	`create index batch_of_date on batch (bake_date)`,
	`create index batch_event_of_batch on batch_event (batch_id, occurred_at)`,
	`create index batch_event_of_recipe on batch_event (recipe_id, kind, occurred_at desc, recorded_at desc)`,
	// What is planned may still change; what was begun never does, but for how far it came.
	`create function guard_batch() returns trigger language plpgsql as $$
	 begin
	   if tg_op = 'DELETE' then
	     raise exception 'a batch is never deleted' using errcode = 'restrict_violation';
	   end if;
	   if old.state = 'withdrawn'
	     or (old.state in ('begun', 'ended') and (new.state not in ('begun', 'ended')
	       or (to_jsonb(new) - array['state', 'recipe_id']) <> (to_jsonb(old) - array['state', 'recipe_id']))) then
	     raise exception 'batch % is % and stays as it is', old.id, old.state using errcode = 'restrict_violation';
	   end if;
	   return new;
	 end $$`,
	`create trigger batch_guarded before update or delete on batch for each row execute function guard_batch()`
];

const PLANS_BEFORE = [
	`alter table plan_version add column document jsonb, add column document_schema integer`
];
const PLANS_AFTER = [
	`alter table plan_version alter column document set not null, alter column document_schema set not null,
	   add check (document_schema > 0), drop column input, drop column placement`
];

const APPEND_ONLY = [
	'ingredient_revision',
	'batch_event',
	'event_measured',
	'event_checked',
	'event_moved',
	'event_judged'
];

export async function up(db: Kysely<unknown>): Promise<void> {
	const run = async (statements: readonly string[]) => {
		for (const statement of statements) await sql.raw(statement).execute(db);
	};
	// A table with rows whose deferred checks wait cannot be altered.
	const settle = sql`set constraints all immediate`;
	await settle.execute(db);
	await run(REVISIONS);
	await run(BATCHES);
	await run(CARRIED);
	await settle.execute(db);
	await run(SHAPED);
	await run(PLANS_BEFORE);
	for (const table of ['plan_version', 'plan_task'])
		await sql.raw(`alter table ${table} disable trigger ${table}_append_only`).execute(db);
	await describeStoredPlans(db);
	for (const table of ['plan_version', 'plan_task'])
		await sql.raw(`alter table ${table} enable trigger ${table}_append_only`).execute(db);
	await run(PLANS_AFTER);
	await run(
		APPEND_ONLY.map(
			(table) =>
				`create trigger ${table}_append_only before update or delete on ${table}
				 for each row execute function refuse_change()`
		)
	);
}
