import { sql, type Kysely } from 'kysely';

/**
 * The whole formula book: what an ingredient is made of and costs, deliveries of flour, every time a line
 * can go in, products of several doughs with what goes on and in them, dividers and vessels, and drafts
 * beside a formula that someone else saved first.
 */
const STATEMENTS = [
	`alter table bakery
	   add column currency text not null default '' check (length(currency) <= 8),
	   add column caustic_most_share double precision not null default 0.04
	     check (caustic_most_share >= 0 and caustic_most_share <= 0.1)`,

	`alter table ingredient
	   drop constraint ingredient_kind_check,
	   add constraint ingredient_kind_check check (kind in
	     ('flour', 'water', 'culture', 'salt', 'yeast', 'fat', 'liquid', 'other', 'caustic')),
	   add column fat_share double precision not null default 0 check (fat_share between 0 and 1),
	   add column sugar_share double precision not null default 0 check (sugar_share between 0 and 1),
	   add column density_kg_per_l double precision check (density_kg_per_l > 0),
	   add column price_per_kg double precision check (price_per_kg >= 0),
	   add column weighing_scale_id uuid references weighing_scale (id),
	   add check (flour_share + water_share + fat_share + sugar_share <= 1.000001)`,
	`create table flour_delivery (
	   id uuid primary key,
	   ingredient_id uuid not null references ingredient (id),
	   command_id uuid references command (id) deferrable initially deferred,
	   received_on date not null,
	   lot text not null check (length(lot) between 1 and 100),
	   extraction_percent double precision check (extraction_percent between 0 and 100),
	   protein_percent double precision check (protein_percent between 0 and 100),
	   ash_percent double precision check (ash_percent between 0 and 100),
	   moisture_percent double precision check (moisture_percent between 0 and 100),
	   falling_number_s double precision check (falling_number_s between 0 and 2000),
	   absorption_points double precision check (absorption_points between -50 and 50),
	   milling text check (milling in ('stone', 'roller')),
	   wholegrain_percent double precision check (wholegrain_percent between 0 and 100),
	   recorded_at timestamptz not null default now(),
	   unique (ingredient_id, lot)
	 )`,
	`create index flour_delivery_newest on flour_delivery (ingredient_id, received_on desc)`,

	`alter table preparation_revision
	   drop constraint preparation_revision_kind_check,
	   add constraint preparation_revision_kind_check check (kind in
	     ('build', 'soaker', 'scald', 'porridge', 'fat', 'filling', 'coating', 'wash', 'bath'))`,
	`alter table formula_revision_line
	   drop constraint formula_revision_line_addition_check,
	   add constraint formula_revision_line_addition_check check
	     (addition ~ '^(autolyse|start|held-back|late|fold-in|roll-in|after-([1-9]|[1-5][0-9]|60))$')`,
	`create table formula_revision_delivery (
	   revision_id uuid not null references formula_revision (id),
	   ingredient_id uuid not null references ingredient (id),
	   delivery_id uuid not null references flour_delivery (id),
	   primary key (revision_id, ingredient_id)
	 )`,
	`create table formula_draft (
	   id uuid primary key,
	   formula_id uuid not null references formula (id),
	   base_revision integer not null check (base_revision > 0),
	   command_id uuid not null references command (id) deferrable initially deferred,
	   made_by uuid not null references person (id),
	   content jsonb not null,
	   recorded_at timestamptz not null default now(),
	   set_aside_at timestamptz
	 )`,
	`create index formula_draft_open on formula_draft (formula_id) where set_aside_at is null`,

	`create table divider (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   heads integer not null check (heads between 2 and 200),
	   least_piece_g double precision not null check (least_piece_g > 0),
	   most_piece_g double precision not null check (most_piece_g >= least_piece_g)
	 )`,
	`create table vessel (
	   id uuid primary key,
	   name text not null unique check (length(name) between 1 and 200),
	   owned integer not null check (owned >= 0),
	   volume_ml double precision check (volume_ml > 0)
	 )`,
	`create table product_revision_dough (
	   revision_id uuid not null references product_revision (id),
	   ordinal integer not null check (ordinal > 0),
	   formula_id uuid not null references formula (id),
	   scaled_g double precision not null check (scaled_g > 0),
	   primary key (revision_id, ordinal),
	   unique (revision_id, formula_id)
	 )`,
	`insert into product_revision_dough (revision_id, ordinal, formula_id, scaled_g)
	 select id, 1, formula_id, scaled_g from product_revision`,
	`create table product_revision_extra (
	   revision_id uuid not null references product_revision (id),
	   ordinal integer not null check (ordinal > 0),
	   use text not null check (use in
	     ('filling', 'coating', 'topping', 'wash', 'bath', 'glaze', 'dusting')),
	   ingredient_id uuid references ingredient (id),
	   preparation_id uuid references preparation (id),
	   amount_g double precision not null check (amount_g > 0),
	   for_pieces integer not null check (for_pieces between 1 and 9999),
	   primary key (revision_id, ordinal),
	   check (num_nonnulls(ingredient_id, preparation_id) = 1)
	 )`,
	`alter table product_revision
	   drop column formula_id,
	   drop column scaled_g,
	   add column baked_g double precision check (baked_g > 0),
	   add column bake_loss_share double precision not null default 0.12
	     check (bake_loss_share >= 0 and bake_loss_share < 0.6),
	   add column shape text not null default '' check (length(shape) <= 200),
	   add column vessel_id uuid references vessel (id),
	   add column divider_id uuid references divider (id),
	   add column footprint_length_cm double precision check (footprint_length_cm > 0),
	   add column footprint_width_cm double precision check (footprint_width_cm > 0),
	   add check ((footprint_length_cm is null) = (footprint_width_cm is null))`
];

const APPEND_ONLY = [
	'flour_delivery',
	'formula_revision_delivery',
	'product_revision_dough',
	'product_revision_extra'
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
