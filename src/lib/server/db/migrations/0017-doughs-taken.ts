import { sql, type Kysely } from 'kysely';

/** A recipe of its own can be a dough that other doughs take from. */
const STATEMENTS = [
	`alter table preparation_revision drop constraint preparation_revision_kind_check`,
	`alter table preparation_revision add constraint preparation_revision_kind_check check (kind in
	   ('build', 'dough', 'soaker', 'scald', 'porridge', 'fat', 'filling', 'coating', 'wash', 'bath'))`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
