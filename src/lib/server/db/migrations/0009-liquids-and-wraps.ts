import { sql, type Kysely } from 'kysely';

/**
 * A baker may pick which liquids of a dough are warmed or cooled: what a row names is, and the others stand as they are.
 * A piece may be one dough wrapped in itself.
 */
const STATEMENTS = [
	`create table dough_liquid (
	   formula_id uuid not null references formula (id),
	   ingredient_id uuid not null references ingredient (id),
	   addition text not null check
	     (addition ~ '^(autolyse|start|held-back|late|after-([1-9]|[1-5][0-9]|60))$'),
	   primary key (formula_id, ingredient_id, addition)
	 )`,
	`alter table product_revision_dough drop constraint product_revision_dough_revision_id_formula_id_key`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
