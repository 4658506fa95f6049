import { sql, type RawBuilder } from 'kysely';
import type { ReadingView } from '../../contracts/views.ts';
import type { ReadingQuantity } from '../../core/mixing/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export interface NewestReading extends ReadingView {
	readonly quantity: ReadingQuantity;
	readonly preparationId: string | null;
}

/**
 * The newest reading of every quantity (and build) up to a moment, corrected ones left out, in one query. It
 * walks the index once per quantity, however long the history is.
 */
export async function loadNewestReadings(
	db: Db | Tx,
	wanted: readonly { readonly quantity: ReadingQuantity; readonly preparationId: string | null }[],
	upToMs: number
): Promise<readonly NewestReading[]> {
	if (wanted.length === 0) return [];
	const newest = (which: RawBuilder<boolean>) => sql`(select r.* from reading r
		where r.quantity = wanted.quantity and ${which} and r.occurred_at <= ${new Date(upToMs)}
			and not exists (select 1 from reading later where later.corrects_id = r.id)
		order by r.occurred_at desc, r.recorded_at desc limit 1)`;
	// Two branches, since "is null" does not count as an equality when PostgreSQL looks for an order.
	const { rows } = await sql<{
		id: string;
		quantity: ReadingQuantity;
		preparation_id: string | null;
		celsius: number;
		instrument: string;
		occurred_at: Date;
	}>`select found.* from unnest(
			${sql.val(wanted.map((series) => series.quantity))}::text[],
			${sql.val(wanted.map((series) => series.preparationId))}::uuid[]
		) as wanted (quantity, preparation_id)
		cross join lateral (
			${newest(sql<boolean>`r.preparation_id is null and wanted.preparation_id is null`)}
			union all
			${newest(sql<boolean>`r.preparation_id = wanted.preparation_id`)}
		) found`.execute(db);
	return rows.map((row) => ({
		id: row.id,
		quantity: row.quantity,
		preparationId: row.preparation_id,
		celsius: row.celsius,
		instrument: row.instrument,
		occurredAtMs: row.occurred_at.getTime()
	}));
}

/** Whether a reading of that very quantity is there. */
export async function isReadingKnown(
	db: Db | Tx,
	readingId: string,
	of: { readonly quantity: ReadingQuantity; readonly preparationId: string | null }
): Promise<boolean> {
	const row = await db
		.selectFrom('reading')
		.select('id')
		.where('id', '=', readingId)
		.where('quantity', '=', of.quantity)
		.where('preparation_id', of.preparationId === null ? 'is' : '=', of.preparationId)
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
		celsius: reading.celsius,
		instrument: reading.instrument,
		corrects_id: reading.correctsId,
		occurred_at: new Date(reading.occurredAtMs)
	};
	await tx.insertInto('reading').values(row).execute();
}
