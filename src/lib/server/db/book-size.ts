import { sql } from 'kysely';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';

/** How much there is in the book, and of a date: enough to know what is still missing. */
export interface BookSize {
	readonly formulas: number;
	readonly products: number;
	/** Something for the date, or by weekday. */
	readonly isOrdered: boolean;
	readonly isPlanAccepted: boolean;
}

export async function loadBookSize(db: Db | Tx, date: BakeDate): Promise<BookSize> {
	const { rows } = await sql<BookSize>`select
		(select count(*)::int from formula where retired_at is null) as formulas,
		(select count(*)::int from product where retired_at is null) as products,
		(exists (select from order_line where bake_date = ${date} and pieces > 0)
			or exists (select from standing_stretch)) as "isOrdered",
		exists (select from plan_version) as "isPlanAccepted"`.execute(db);
	return rows[0] ?? { formulas: 0, products: 0, isOrdered: false, isPlanAccepted: false };
}
