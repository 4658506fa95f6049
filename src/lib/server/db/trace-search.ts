import { sql } from 'kysely';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from './client.ts';
import { BATCH, DELIVERED, NAMED, tracedOf, type BatchRow, type TracedRow } from './tracing.ts';

/** Batches of a date, from what is made first to what is sold. */
const BY_KIND = sql`array_position(array['pre-ferment', 'preparation', 'feed', 'mix', 'portion'], b.kind)`;

/** Text as a pattern of SQL looks for it, with nothing in it that the pattern would take for its own. */
function like(text: string): string {
	return text.toLowerCase().replace(/[\\%_]/g, '\\$&');
}

/** So many weighings of an ingredient are looked through for lots that no delivery tells. */
const WEIGHINGS_LOOKED_AT = 500;

/**
 * Ingredients whose names hold some text, retired ones too: what was made of them is still about; at the most so many. Water has
 * no lot.
 */
export async function findIngredients(
	db: Db,
	text: string,
	most: number
): Promise<readonly { readonly id: string; readonly name: string }[]> {
	const { rows } = await sql<{ id: string; name: string }>`
		select i.id, i.name from ingredient i
		join lateral (select kind from ingredient_revision r where r.ingredient_id = i.id
			order by r.number desc limit 1) r on r.kind <> 'water'
		where lower(i.name) like ${`%${like(text)}%`} order by i.name limit ${most}`.execute(db);
	return rows;
}

/**
 * Lots whose names begin like some text, and the newest lots of some ingredients; the newest first, at the most so many.
 * Of an ingredient only its newest entries are read, however long its history is.
 */
export async function findLots(
	db: Db,
	text: string,
	ingredientIds: readonly string[],
	most: number
): Promise<
	readonly {
		readonly ingredientId: string;
		readonly ingredient: string;
		readonly lot: string;
		readonly receivedAtMs: number | null;
	}[]
> {
	const pattern = `${like(text)}%`;
	const ids = sql.val([...ingredientIds]);
	const { rows } = await sql<{
		ingredient_id: string;
		name: string;
		lot: string;
		received_at: Date | null;
	}>`
		select found.ingredient_id, i.name, found.lot, max(found.received_at) as received_at
		from (
			select ingredient_id, lot, occurred_at as received_at, occurred_at from stock_entry
			where lot <> '' and lower(lot) like ${pattern}
			union all
			select ingredient_id, lot, at, at from ${DELIVERED}
			where lower(lot) like ${pattern} or ingredient_id = any(${ids}::uuid[])
			union all
			select ingredient_id, lot, null, occurred_at from weighing
			where lot <> '' and lower(lot) like ${pattern} and ingredient_id is not null
			union all
			select named.id, own.lot, own.received_at, own.occurred_at from unnest(${ids}::uuid[]) as named (id)
			cross join lateral (
				(select lot, occurred_at as received_at, occurred_at from stock_entry
				where ingredient_id = named.id and kind = 'received' and lot <> ''
				order by occurred_at desc limit ${most})
				union all
				(select lot, null, occurred_at from weighing where ingredient_id = named.id and lot <> ''
				order by occurred_at desc limit ${WEIGHINGS_LOOKED_AT})
			) own
		) found join ingredient i on i.id = found.ingredient_id
		group by found.ingredient_id, i.name, found.lot
		order by max(found.occurred_at) desc, i.name, found.lot limit ${most}`.execute(db);
	return rows.map((row) => ({
		ingredientId: row.ingredient_id,
		ingredient: row.name,
		lot: row.lot,
		receivedAtMs: row.received_at?.getTime() ?? null
	}));
}

/** Batches of a date, or of the newest dates until one, whose names hold some text; loads are told with their portions. */
export async function findBatches(
	db: Db,
	wanted: {
		readonly text: string;
		readonly on: BakeDate | null;
		readonly from: BakeDate;
		readonly until: BakeDate;
	},
	most: number
): Promise<readonly TracedRow[]> {
	const { text, on, from, until } = wanted;
	const { rows } = await sql<BatchRow>`
		select ${BATCH} from batch b ${NAMED}
		where ${on === null ? sql`b.bake_date between ${from} and ${until}` : sql`b.bake_date = ${on}`}
			and b.state <> 'withdrawn' and b.kind <> 'load'
			and lower(coalesce(f.name, p.name, r.name)) like ${`%${like(text)}%`}
		order by b.bake_date desc, ${BY_KIND},
			name, b.ordinal, b.pieces, b.mass_g, b.id
		limit ${most}`.execute(db);
	return rows.map(tracedOf);
}

/** A pre-ferment is fed, and a preparation made, at the most so many days before the date it is for. */
const DAYS_BEFORE = 14;

/** Batches between two dates that some ingredients went into themselves, the newest first. */
export async function findBatchesOf(
	db: Db,
	ingredientIds: readonly string[],
	{ from, until }: { readonly from: BakeDate; readonly until: BakeDate },
	most: number
): Promise<readonly TracedRow[]> {
	const { rows } = await sql<BatchRow>`
		select ${BATCH} from batch b ${NAMED}
		where b.bake_date between ${from} and ${until} and b.state <> 'withdrawn'
			and b.id in (select u.batch_id from stock_use u where u.ingredient_id = any(${sql.val([...ingredientIds])}::uuid[])
				and u.occurred_at > ${from}::date - ${DAYS_BEFORE}::int)
		order by b.bake_date desc, ${BY_KIND}, name, b.ordinal, b.pieces, b.mass_g, b.id
		limit ${most}`.execute(db);
	return rows.map(tracedOf);
}
