import { sql, type Kysely } from 'kysely';

/** How high a piece is when it is baked; a product of before is not held against the height of a deck. */
const STATEMENT = `alter table product_revision
	add column height_cm double precision null check (height_cm between 0.5 and 150)`;

export async function up(db: Kysely<unknown>): Promise<void> {
	await sql.raw(STATEMENT).execute(db);
}
