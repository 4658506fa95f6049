import { sql, type Kysely } from 'kysely';

/**
 * So many more pieces of a product than are ordered, for breakage and seconds, as a share of them. A scald is measured
 * hotter than any dough.
 */
const STATEMENTS = [
	`alter table product_revision
	   add column spares_share double precision not null default 0
	     check (spares_share >= 0 and spares_share <= 0.5)`,
	`alter table event_measured drop constraint event_measured_celsius_check`,
	`alter table event_measured
	   add constraint event_measured_celsius_check check (celsius between -25 and 105)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
