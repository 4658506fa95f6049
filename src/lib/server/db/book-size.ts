import { sql } from 'kysely';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';

/** How much there is in the book, and of a date: enough to know what is still missing. */
export interface BookSize {
	readonly formulas: number;
	readonly products: number;
	readonly pieces: number;
	readonly isPlanAccepted: boolean;
}

export async function loadBookSize(db: Db | Tx, date: BakeDate): Promise<BookSize> {
	const { rows } = await sql<BookSize>`select
		(select count(*)::int from formula where retired_at is null) as formulas,
		(select count(*)::int from product where retired_at is null) as products,
		(select coalesce(sum(pieces), 0)::int from order_line where bake_date = ${date}) as pieces,
		exists (select from plan_version) as "isPlanAccepted"`.execute(db);
	return rows[0] ?? { formulas: 0, products: 0, pieces: 0, isPlanAccepted: false };
}
