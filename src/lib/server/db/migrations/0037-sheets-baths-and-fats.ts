import { sql, type Kysely } from 'kysely';

/** How a product is rolled out and cut, how a bath is used, how pure a caustic is and between what temperatures a fat rolls out. */
const STATEMENTS = [
	`alter table product_revision
	   add column sheet jsonb check (
	     jsonb_typeof(sheet) = 'object'
	     and sheet -> 'cut' ->> 'kind' in ('triangles', 'rectangles', 'strips', 'rounds', 'slices')
	     and (sheet ->> 'edgeCm')::double precision >= 0
	     and (sheet ->> 'mostWidthCm')::double precision > 0
	     and (sheet ->> 'mostLengthCm')::double precision > 0
	   )`,
	`alter table preparation_revision
	   add column dip_seconds double precision check (dip_seconds between 1 and 600),
	   add column renew_after_min integer check (renew_after_min between 1 and 1440)`,
	`alter table ingredient_revision
	   add column purity_share double precision not null default 1
	     check (purity_share > 0 and purity_share <= 1),
	   add column rolls_from_c double precision,
	   add column rolls_to_c double precision,
	   add column melts_at_c double precision,
	   add check (
	     (rolls_from_c is null and rolls_to_c is null and melts_at_c is null)
	     or (rolls_from_c >= -20 and rolls_from_c < rolls_to_c and rolls_to_c < melts_at_c and melts_at_c <= 60)
	   )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
