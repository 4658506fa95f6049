import { sql, type RawBuilder } from 'kysely';
import type { ReadingView } from '../../contracts/water-views.ts';
import type { ReadingQuantity } from '../../core/mixing/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** What a reading is of: the room, the flour, the tap, a build or another place. */
export interface ReadingSubject {
	readonly quantity: ReadingQuantity;
	readonly preparationId: string | null;
	readonly placeId: string | null;
}

export interface NewestReading extends ReadingView, ReadingSubject {}

/**
 * The newest reading of every quantity (and build or place) up to a moment, corrected ones left out, in one query. It
 * walks the index once per quantity, however long the history is.
 */
export async function loadNewestReadings(
	db: Db | Tx,
	wanted: readonly ReadingSubject[],
	upToMs: number
): Promise<readonly NewestReading[]> {
	if (wanted.length === 0) return [];
	const newest = (which: RawBuilder<boolean>) => sql`(select r.* from reading r
		where r.quantity = wanted.quantity and ${which} and r.occurred_at <= ${new Date(upToMs)}
			and not exists (select 1 from reading later where later.corrects_id = r.id)
		order by r.occurred_at desc, r.recorded_at desc limit 1)`;
	// Three branches, since "is null" does not count as an equality when PostgreSQL looks for an order.
	const { rows } = await sql<{
		id: string;
		quantity: ReadingQuantity;
		preparation_id: string | null;
		place_id: string | null;
		celsius: number;
		instrument: string;
		occurred_at: Date;
	}>`select found.* from unnest(
			${sql.val(wanted.map((series) => series.quantity))}::text[],
			${sql.val(wanted.map((series) => series.preparationId))}::uuid[],
			${sql.val(wanted.map((series) => series.placeId))}::uuid[]
		) as wanted (quantity, preparation_id, place_id)
		cross join lateral (
			${newest(sql<boolean>`r.preparation_id is null and wanted.preparation_id is null and wanted.place_id is null`)}
			union all
			${newest(sql<boolean>`r.place_id = wanted.place_id`)}
			union all
			${newest(sql<boolean>`r.preparation_id = wanted.preparation_id`)}
		) found`.execute(db);
	return rows.map((row) => ({
		id: row.id,
		quantity: row.quantity,
		preparationId: row.preparation_id,
		placeId: row.place_id,
		celsius: row.celsius,
		instrument: row.instrument,
		occurredAtMs: row.occurred_at.getTime()
	}));
}

/** Whether a reading of that very quantity is there. */
export async function isReadingKnown(
	db: Db | Tx,
	readingId: string,
	of: ReadingSubject
): Promise<boolean> {
	const row = await db
		.selectFrom('reading')
		.select('id')
		.where('id', '=', readingId)
		.where('quantity', '=', of.quantity)
		.where('preparation_id', of.preparationId === null ? 'is' : '=', of.preparationId)
		.where('place_id', of.placeId === null ? 'is' : '=', of.placeId)
		.executeTakeFirst();
	return row !== undefined;
}

export async function insertReading(
	tx: Tx,
	reading: Omit<NewestReading, 'instrument'> & {
		readonly commandId: string;
		readonly correctsId: string | null;
		readonly instrument: EveryColumn<'reading'>['instrument'];
	}
): Promise<void> {
	const row: EveryColumn<'reading'> = {
		id: reading.id,
		command_id: reading.commandId,
		quantity: reading.quantity,
		preparation_id: reading.preparationId,
		place_id: reading.placeId,
		celsius: reading.celsius,
		instrument: reading.instrument,
		corrects_id: reading.correctsId,
		occurred_at: new Date(reading.occurredAtMs)
	};
	await tx.insertInto('reading').values(row).execute();
}
