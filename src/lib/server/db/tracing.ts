import { sql } from 'kysely';
import type { BakeDate } from '../../core/time/index.ts';
import type { Arrival, OnHandEntry, Use, WentInto } from '../../core/tracing/index.ts';
import type { Db } from './client.ts';
import type { BatchKind, BatchState } from './tables.ts';

/** A batch as a trace names it. */
export interface TracedRow {
	readonly id: string;
	readonly kind: BatchKind;
	readonly date: BakeDate;
	readonly name: string;
	readonly ordinal: number;
	readonly grams: number | null;
	readonly pieces: number | null;
	readonly state: Exclude<BatchState, 'withdrawn'>;
	readonly formulaId: string | null;
	readonly productId: string | null;
	readonly revisionId: string | null;
}

export interface BatchRow {
	readonly id: string;
	readonly kind: BatchKind;
	readonly bake_date: BakeDate;
	readonly name: string;
	readonly ordinal: number;
	readonly mass_g: number | null;
	readonly pieces: number | null;
	readonly state: Exclude<BatchState, 'withdrawn'>;
	readonly formula_id: string | null;
	readonly product_id: string | null;
	readonly revision_id: string | null;
}

/** By the revision that it is pinned to: as it was called then. */
export const BATCH = sql`b.id, b.kind, b.bake_date, b.ordinal, b.mass_g, b.pieces, b.state, b.formula_id, b.product_id,
	coalesce(b.formula_revision_id, b.preparation_revision_id, b.product_revision_id) as revision_id,
	coalesce(f.name, p.name, r.name) as name`;
export const NAMED = sql`left join formula_revision f on f.id = b.formula_revision_id
	left join preparation_revision p on p.id = b.preparation_revision_id
	left join product_revision r on r.id = b.product_revision_id`;

export function tracedOf(row: BatchRow): TracedRow {
	return {
		id: row.id,
		kind: row.kind,
		date: row.bake_date,
		name: row.name,
		ordinal: row.ordinal,
		grams: row.mass_g,
		pieces: row.pieces,
		state: row.state,
		formulaId: row.formula_id,
		productId: row.product_id,
		revisionId: row.revision_id
	};
}

/**
 * Flours whose delivery was written down with what is known of them, by the ingredient's page: how much came is not said there. One that the
 * stock knows by its lot too stands there.
 */
export const DELIVERED = sql`(select d.ingredient_id, d.lot, d.received_on::timestamptz as at from flour_delivery d
	where d.lot <> '' and not exists (select 1 from stock_entry e
		where e.ingredient_id = d.ingredient_id and e.lot = d.lot)) delivered`;

/** Some batches with everything that was made of them, or that they were made of, and the links between. */
export async function loadFollowed(
	db: Db,
	from: readonly string[],
	way: 'forward' | 'back'
): Promise<{ readonly batches: readonly TracedRow[]; readonly links: readonly WentInto[] }> {
	if (from.length === 0) return { batches: [], links: [] };
	const step =
		way === 'forward'
			? sql`select p.batch_id from followed f join batch_parent p on p.parent_id = f.id`
			: sql`select p.parent_id from followed f join batch_parent p on p.batch_id = f.id`;
	const followed = sql`with recursive followed (id) as (
		select unnest(${sql.val([...from])}::uuid[]) union ${step})`;
	const [{ rows: batches }, { rows: links }] = await Promise.all([
		sql<BatchRow>`${followed}
			select ${BATCH} from followed join batch b using (id) ${NAMED}
			where b.state <> 'withdrawn'
			order by b.bake_date, array_position(array['pre-ferment', 'preparation', 'feed', 'mix', 'portion', 'load'],
				b.kind), name, b.ordinal, b.pieces, b.mass_g, b.id`.execute(db),
		sql<{ batch_id: string; parent_id: string }>`${followed}
			select p.batch_id, p.parent_id from batch_parent p
			where p.batch_id in (select id from followed) and p.parent_id in (select id from followed)`.execute(
			db
		)
	]);
	return {
		batches: batches.map(tracedOf),
		links: links.map((row) => ({ batchId: row.batch_id, parentId: row.parent_id }))
	};
}

/** What came, was counted and was used of one ingredient. */
export interface IngredientHistory {
	readonly arrivals: readonly Arrival[];
	readonly onHand: readonly OnHandEntry[];
	/** By batch; what a culture was fed with by `feedKey`. */
	readonly uses: readonly Use[];
}

/** A feed of a culture stands among the batches that an ingredient went into. */
export function feedKey(entryId: string): string {
	return `feed ${entryId}`;
}

/**
 * The history of some ingredients between two moments, from the last count before them on; three queries, whatever the number of
 * ingredients. A lot that was told of a batch stands with its use.
 */
export async function loadIngredientHistories(
	db: Db,
	ingredientIds: readonly string[],
	fromMs: number,
	toMs: number
): Promise<ReadonlyMap<string, IngredientHistory>> {
	const ids = sql.val([...ingredientIds]);
	const from = new Date(fromMs);
	const to = new Date(toMs);
	const since = sql`(select i.id, coalesce((select max(c.occurred_at) from stock_entry c
		where c.ingredient_id = i.id and c.kind = 'counted' and c.occurred_at <= ${from}), ${from}) as at
		from unnest(${ids}::uuid[]) as i (id)) since`;
	const [{ rows: entries }, { rows: uses }, { rows: told }] = await Promise.all([
		sql<{
			ingredient_id: string;
			kind: 'counted' | 'received' | 'taken-out';
			amount_g: number;
			lot: string;
			occurred_at: Date;
		}>`select e.ingredient_id, e.kind, e.amount_g, e.lot, e.occurred_at from ${since}
			join stock_entry e on e.ingredient_id = since.id
			where e.occurred_at <= ${to} and (e.occurred_at >= since.at or e.kind = 'received' and e.occurred_at >= ${from})
			union all
			select delivered.ingredient_id, 'received', 0, delivered.lot, delivered.at from ${DELIVERED}
			where delivered.ingredient_id = any(${ids}::uuid[]) and delivered.at between ${from} and ${to}
			order by occurred_at`.execute(db),
		sql<{ ingredient_id: string; batch: string; amount_g: number; occurred_at: Date }>`
			select u.ingredient_id, u.batch_id::text as batch, u.amount_g, u.occurred_at from ${since}
			join stock_use u on u.ingredient_id = since.id
			where u.occurred_at between since.at and ${to}
			union all
			select f.flour_id, 'feed ' || f.entry_id, f.amount_g, f.occurred_at from ${since}
			join culture_feed_flour f on f.flour_id = since.id
			where f.occurred_at between since.at and ${to}
				and not exists (select 1 from culture_struck s where s.entry_id = f.entry_id)`.execute(db),
		sql<{ ingredient_id: string; batch_id: string; lot: string }>`
			select distinct w.ingredient_id, w.batch_id, w.lot from weighing w
			where w.ingredient_id = any(${ids}::uuid[]) and w.lot <> '' and w.occurred_at between ${from} and ${to}
				and not exists (select 1 from weighing_struck s where s.weighing_id = w.id)`.execute(db)
	]);
	const lots = new Map<string, string[]>();
	for (const { ingredient_id, batch_id, lot } of told) {
		const key = `${ingredient_id} ${batch_id}`;
		lots.set(key, [...(lots.get(key) ?? []), lot]);
	}
	return new Map(
		ingredientIds.map((ingredientId) => {
			const own = entries.filter((entry) => entry.ingredient_id === ingredientId);
			return [
				ingredientId,
				{
					arrivals: own.flatMap(({ kind, lot, amount_g, occurred_at }) =>
						kind === 'received' ? [{ lot, grams: amount_g, atMs: occurred_at.getTime() }] : []
					),
					onHand: own.flatMap(({ kind, amount_g, occurred_at }) =>
						kind === 'received' ? [] : [{ kind, grams: amount_g, atMs: occurred_at.getTime() }]
					),
					uses: uses
						.filter((use) => use.ingredient_id === ingredientId)
						.map(({ batch, amount_g, occurred_at }) => ({
							batchId: batch,
							grams: amount_g,
							atMs: occurred_at.getTime(),
							told: lots.get(`${ingredientId} ${batch}`) ?? []
						}))
				}
			];
		})
	);
}

/** What went into some batches, with what it is called; water has no lot. */
export async function loadUsesOf(
	db: Db,
	batchIds: readonly string[]
): Promise<
	readonly {
		readonly batchId: string;
		readonly ingredientId: string;
		readonly ingredient: string;
		readonly grams: number;
		readonly atMs: number;
	}[]
> {
	const { rows } = await sql<{
		batch_id: string;
		ingredient_id: string;
		name: string;
		amount_g: number;
		occurred_at: Date;
	}>`select u.batch_id, u.ingredient_id, i.name, u.amount_g, u.occurred_at from stock_use u
		join ingredient i on i.id = u.ingredient_id
		join lateral (select kind from ingredient_revision r where r.ingredient_id = i.id
			order by r.number desc limit 1) r on r.kind <> 'water'
		where u.batch_id = any(${sql.val([...batchIds])}::uuid[])
		order by u.amount_g desc, i.name`.execute(db);
	return rows.map((row) => ({
		batchId: row.batch_id,
		ingredientId: row.ingredient_id,
		ingredient: row.name,
		grams: row.amount_g,
		atMs: row.occurred_at.getTime()
	}));
}

/** When a lot first came or was first told, and when last; null where nobody ever told of it. */
export async function findLot(
	db: Db,
	ingredientId: string,
	lot: string
): Promise<{
	readonly ingredient: string;
	readonly receivedAtMs: number | null;
	readonly firstMs: number;
	readonly lastMs: number;
} | null> {
	const { rows } = await sql<{
		name: string;
		received_at: Date | null;
		first: Date;
		last: Date;
	}>`select i.name, min(told.at) filter (where told.came) as received_at, min(told.at) as first, max(told.at) as last
		from ingredient i join (
			select e.occurred_at as at, true as came from stock_entry e
			where e.ingredient_id = ${ingredientId} and e.lot = ${lot}
			union all
			select at, true from ${DELIVERED} where ingredient_id = ${ingredientId} and lot = ${lot}
			union all
			select w.occurred_at, false from weighing w where w.ingredient_id = ${ingredientId} and w.lot = ${lot}
		) told on true
		where i.id = ${ingredientId} group by i.name`.execute(db);
	const [row] = rows;
	return row
		? {
				ingredient: row.name,
				receivedAtMs: row.received_at?.getTime() ?? null,
				firstMs: row.first.getTime(),
				lastMs: row.last.getTime()
			}
		: null;
}

/** Which cultures some feeds were of, and when. */
export async function loadFeeds(
	db: Db,
	entryIds: readonly string[]
): Promise<
	readonly { readonly entryId: string; readonly culture: string; readonly atMs: number }[]
> {
	const { rows } = await sql<{ id: string; name: string; occurred_at: Date }>`
		select e.id, i.name, e.occurred_at from culture_entry e join ingredient i on i.id = e.ingredient_id
		where e.id = any(${sql.val([...entryIds])}::uuid[]) order by e.occurred_at`.execute(db);
	return rows.map((row) => ({
		entryId: row.id,
		culture: row.name,
		atMs: row.occurred_at.getTime()
	}));
}

/** The allergens of everything some batches took, by what each is now said to hold. */
export async function loadAllergensOf(
	db: Db,
	ingredientIds: readonly string[]
): Promise<readonly string[]> {
	const { rows } = await sql<{ name: string }>`
		select distinct unnest(r.allergens) as name from unnest(${sql.val([...ingredientIds])}::uuid[]) as i (id)
		join lateral (select allergens from ingredient_revision r where r.ingredient_id = i.id
			order by r.number desc limit 1) r on true
		order by name`.execute(db);
	return rows.map(({ name }) => name);
}
