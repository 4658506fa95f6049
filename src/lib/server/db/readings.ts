import type { ReadingView } from '../../contracts/views.ts';
import type { ReadingQuantity } from '../../contracts/commands.ts';
import type { Db, Tx } from './client.ts';

export interface NewestReading extends ReadingView {
	readonly quantity: ReadingQuantity;
	readonly preparationId: string | null;
}

/**
 * The newest reading of every quantity (and build), corrected ones left out. It walks the index once
 * per quantity, however long the history is.
 */
export async function loadNewestReadings(
	db: Db | Tx,
	wanted: readonly { readonly quantity: ReadingQuantity; readonly preparationId: string | null }[]
): Promise<readonly NewestReading[]> {
	if (wanted.length === 0) return [];
	const rows = await Promise.all(
		wanted.map((one) =>
			db
				.selectFrom('reading')
				.selectAll()
				.where('quantity', '=', one.quantity)
				.where('preparation_id', one.preparationId === null ? 'is' : '=', one.preparationId)
				.where((where) =>
					where.not(
						where.exists(
							where
								.selectFrom('reading as correction')
								.select('correction.id')
								.whereRef('correction.corrects_id', '=', 'reading.id')
						)
					)
				)
				.orderBy('occurred_at', 'desc')
				.orderBy('recorded_at', 'desc')
				.limit(1)
				.executeTakeFirst()
		)
	);
	return rows.flatMap((row) =>
		row
			? [
					{
						id: row.id,
						quantity: row.quantity,
						preparationId: row.preparation_id,
						celsius: row.celsius,
						instrument: row.instrument,
						occurredAtMs: row.occurred_at.getTime()
					}
				]
			: []
	);
}
