import { sql, type Kysely } from 'kysely';

/** How a product is cut before it is baked, and how deep. */
const STATEMENTS = [
	`alter table product_revision
	   add column score text not null default '' check (length(score) <= 200),
	   add column score_mm double precision check (score_mm between 0.5 and 50)`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
