import { sql } from 'kysely';
import { sightingsSchema } from '../../contracts/sightings.ts';
import type { CultureKeeping } from '../../contracts/culture-keeping.ts';
import type { Beginning } from '../../core/culture/index.ts';
import type { Sighting } from '../../core/fermentation/index.ts';
import type { WallTime } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { CultureEntryKind } from './culture-tables.ts';
import { orNone } from './or-none.ts';
import type { EveryColumn } from './tables.ts';

/** How a culture is kept, with its version. */
export interface KeptCulture {
	readonly keeping: CultureKeeping;
	readonly version: number;
}

/** What happened to a culture, as it was written. */
export interface CultureEntryRow {
	readonly id: string;
	readonly ingredientId: string;
	readonly kind: CultureEntryKind;
	readonly atMs: number;
	readonly by: string;
	readonly beginning: Beginning | null;
	readonly seedGrams: number;
	readonly flourGrams: number;
	readonly waterGrams: number;
	readonly grams: number;
	readonly celsius: number | null;
	readonly batchId: string | null;
	readonly placeId: string | null;
	readonly sightings: readonly Sighting[];
	readonly clockShare: number;
	readonly seenShare: number | null;
	readonly seenSpread: number | null;
}

/** What of a culture went into a batch. */
export interface CultureUsedRow {
	readonly ingredientId: string;
	readonly batchId: string;
	readonly grams: number;
	readonly atMs: number;
	/** The formula or preparation that took it. */
	readonly by: string;
}

/** So many of the newest entries are read of each: more than a month of a culture that is fed twice a day. */
const NEWEST = 120;

/** How each culture is kept that somebody set up. */
export async function loadKeptCultures(
	db: Db | Tx,
	ingredientIds: readonly string[]
): Promise<ReadonlyMap<string, KeptCulture>> {
	const which = orNone(ingredientIds);
	const [rows, flours, times] = await Promise.all([
		db.selectFrom('culture').selectAll().where('ingredient_id', 'in', which).execute(),
		db
			.selectFrom('culture_flour')
			.selectAll()
			.where('ingredient_id', 'in', which)
			.orderBy('parts', 'desc')
			.orderBy('flour_id')
			.execute(),
		db
			.selectFrom('culture_feed_time')
			.selectAll()
			.where('ingredient_id', 'in', which)
			.orderBy('wall_time')
			.execute()
	]);
	return new Map(
		rows.map((row) => [
			row.ingredient_id,
			{
				version: row.row_version,
				keeping: {
					ratio: { seed: row.seed_parts, flour: row.flour_parts, water: row.water_parts },
					flours: flours
						.filter((flour) => flour.ingredient_id === row.ingredient_id)
						.map(({ flour_id: flourId, parts }) => ({ flourId, parts })),
					placeId: row.place_id,
					restPlaceId: row.rest_place_id,
					timeConstantMinutes: row.time_constant_min,
					fedCelsius: row.fed_celsius,
					clock: {
						referenceCelsius: row.reference_celsius,
						underMinutes: row.under_min,
						ripeMinutes: row.ripe_min,
						overMinutes: row.over_min
					},
					keepGrams: row.keep_g,
					feedTimes: times
						.filter((time) => time.ingredient_id === row.ingredient_id)
						.map((time) => time.wall_time as WallTime),
					coldDays: row.cold_days,
					refreshes: row.refreshes
				}
			}
		])
	);
}

/** The newest entries of some cultures in order of time, those struck left out; by the index, however long they are kept. */
export async function loadCultureEntries(
	db: Db | Tx,
	ingredientIds: readonly string[]
): Promise<readonly CultureEntryRow[]> {
	const { rows } = await sql<{
		id: string;
		ingredient_id: string;
		kind: CultureEntryKind;
		occurred_at: Date;
		by: string;
		beginning: Beginning | null;
		seed_g: number | null;
		flour_g: number | null;
		water_g: number | null;
		amount_g: number | null;
		celsius: number | null;
		batch_id: string | null;
		place_id: string | null;
		sightings: unknown;
		clock_share: number | null;
		seen_share: number | null;
		seen_spread: number | null;
	}>`
		select e.id, e.ingredient_id, e.kind, e.occurred_at, person.name as by, e.beginning, e.seed_g, e.flour_g, e.water_g,
			e.amount_g, e.celsius, e.batch_id, e.place_id, e.sightings, e.clock_share, e.seen_share, e.seen_spread
		from unnest(${sql.val(ingredientIds)}::uuid[]) as wanted (id)
		cross join lateral (select * from culture_entry one where one.ingredient_id = wanted.id
			and not exists (select 1 from culture_struck struck where struck.entry_id = one.id)
			order by one.occurred_at desc, one.recorded_at desc limit ${NEWEST}) e
		join command on command.id = e.command_id
		join bakery_entry person on person.id = command.actor_id
		order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	return rows.map((row) => ({
		id: row.id,
		ingredientId: row.ingredient_id,
		kind: row.kind,
		atMs: row.occurred_at.getTime(),
		by: row.by,
		beginning: row.beginning,
		seedGrams: row.seed_g ?? 0,
		flourGrams: row.flour_g ?? 0,
		waterGrams: row.water_g ?? 0,
		grams: row.amount_g ?? 0,
		celsius: row.celsius,
		batchId: row.batch_id,
		placeId: row.place_id,
		sightings: row.sightings === null ? [] : sightingsSchema.parse(row.sightings),
		clockShare: row.clock_share ?? 0,
		seenShare: row.seen_share,
		seenSpread: row.seen_spread
	}));
}

/** What of some cultures went into batches, the newest of each, in order of time. */
export async function loadCultureUses(
	db: Db | Tx,
	ingredientIds: readonly string[]
): Promise<readonly CultureUsedRow[]> {
	const { rows } = await sql<{
		ingredient_id: string;
		batch_id: string;
		amount_g: number;
		occurred_at: Date;
		by: string;
	}>`
		select u.ingredient_id, u.batch_id, u.amount_g, u.occurred_at, coalesce(formula.name, preparation.name, '') as by
		from unnest(${sql.val(ingredientIds)}::uuid[]) as wanted (id)
		cross join lateral (select * from stock_use one where one.ingredient_id = wanted.id
			order by one.occurred_at desc limit ${NEWEST}) u
		join batch on batch.id = u.batch_id
		left join formula on formula.id = batch.formula_id
		left join preparation on preparation.id = batch.preparation_id
		order by u.occurred_at, u.batch_id`.execute(db);
	return rows.map((row) => ({
		ingredientId: row.ingredient_id,
		batchId: row.batch_id,
		grams: row.amount_g,
		atMs: row.occurred_at.getTime(),
		by: row.by
	}));
}

/** A culture as it is kept, locked; null where nobody set it up. Two who set one up queue here. */
export async function lockCulture(
	tx: Tx,
	ingredientId: string
): Promise<{ version: number } | null> {
	await sql`select pg_advisory_xact_lock(hashtext(${'culture ' + ingredientId}))`.execute(tx);
	const row = await tx
		.selectFrom('culture')
		.select('row_version')
		.where('ingredient_id', '=', ingredientId)
		.executeTakeFirst();
	return row ? { version: row.row_version } : null;
}

/** Writes how a culture is kept. */
export async function putCulture(
	tx: Tx,
	ingredientId: string,
	keeping: CultureKeeping,
	{ version, changedBy }: { readonly version: number; readonly changedBy: string }
): Promise<void> {
	const { ratio, clock } = keeping;
	const row: EveryColumn<'culture'> = {
		ingredient_id: ingredientId,
		seed_parts: ratio.seed,
		flour_parts: ratio.flour,
		water_parts: ratio.water,
		place_id: keeping.placeId,
		rest_place_id: keeping.restPlaceId,
		time_constant_min: keeping.timeConstantMinutes,
		fed_celsius: keeping.fedCelsius,
		reference_celsius: clock.referenceCelsius,
		under_min: clock.underMinutes,
		ripe_min: clock.ripeMinutes,
		over_min: clock.overMinutes,
		keep_g: keeping.keepGrams,
		cold_days: keeping.coldDays,
		refreshes: keeping.refreshes,
		row_version: version,
		changed_by: changedBy
	};
	const { ingredient_id: _, ...set } = row;
	await tx
		.insertInto('culture')
		.values(row)
		.onConflict((conflict) => conflict.column('ingredient_id').doUpdateSet(set))
		.execute();
	await tx.deleteFrom('culture_flour').where('ingredient_id', '=', ingredientId).execute();
	await tx.deleteFrom('culture_feed_time').where('ingredient_id', '=', ingredientId).execute();
	const flours = keeping.flours.map(({ flourId, parts }): EveryColumn<'culture_flour'> => ({
		ingredient_id: ingredientId,
		flour_id: flourId,
		parts
	}));
	await tx.insertInto('culture_flour').values(flours).execute();
	const times = keeping.feedTimes.map((wall_time): EveryColumn<'culture_feed_time'> => ({
		ingredient_id: ingredientId,
		wall_time
	}));
	if (times.length > 0) await tx.insertInto('culture_feed_time').values(times).execute();
}

/** What an entry holds beside what every entry has. */
export type NewCultureEntry = Pick<
	EveryColumn<'culture_entry'>,
	'id' | 'ingredient_id' | 'kind' | 'command_id' | 'occurred_at'
> &
	Partial<EveryColumn<'culture_entry'>>;

/** Writes an entry; what it does not say stays open. */
export async function insertCultureEntry(tx: Tx, entry: NewCultureEntry): Promise<void> {
	const row: EveryColumn<'culture_entry'> = {
		beginning: null,
		seed_g: null,
		flour_g: null,
		water_g: null,
		amount_g: null,
		celsius: null,
		batch_id: null,
		place_id: null,
		sightings: null,
		clock_share: null,
		seen_share: null,
		seen_spread: null,
		...entry
	};
	await tx.insertInto('culture_entry').values(row).execute();
}

/** Books the flours of a feed. */
export async function insertFeedFlours(
	tx: Tx,
	entryId: string,
	flours: readonly { readonly flourId: string; readonly grams: number }[],
	occurredAtMs: number
): Promise<void> {
	const rows = flours.map(({ flourId, grams }): EveryColumn<'culture_feed_flour'> => ({
		entry_id: entryId,
		flour_id: flourId,
		amount_g: grams,
		occurred_at: new Date(occurredAtMs)
	}));
	if (rows.length > 0) await tx.insertInto('culture_feed_flour').values(rows).execute();
}

export async function isCultureEntryKnown(tx: Tx, entryId: string): Promise<boolean> {
	const row = await tx
		.selectFrom('culture_entry')
		.select('id')
		.where('id', '=', entryId)
		.executeTakeFirst();
	return row !== undefined;
}

/** Says that an entry did not happen; said twice, it is said once. */
export async function strikeCultureEntry(
	tx: Tx,
	entryId: string,
	by: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const row: EveryColumn<'culture_struck'> = {
		entry_id: entryId,
		command_id: by.commandId,
		occurred_at: new Date(by.occurredAtMs)
	};
	await tx
		.insertInto('culture_struck')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}
