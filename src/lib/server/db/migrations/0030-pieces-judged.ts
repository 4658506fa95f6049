import { sql, type Kysely } from 'kysely';

/** Pieces in proof are looked at, and what was seen and decided is kept with what came of them. */
const STATEMENTS = [
	`alter table result_entry drop constraint result_entry_kind_check`,
	`alter table result_entry add constraint result_entry_kind_check
	   check (kind in ('counted', 'weighed', 'scored', 'fault', 'judged', 'less', 'again'))`,
	`alter table result_entry add column sightings jsonb check (jsonb_typeof(sightings) = 'array')`,
	// How far the clock was, and where it says early and late: parts of the time until ready.
	`alter table result_entry add column clock_share double precision check (clock_share between 0 and 100)`,
	`alter table result_entry add column early_share double precision check (early_share < 1)`,
	`alter table result_entry add column late_share double precision check (late_share > 1)`,
	`alter table result_entry add column decision text
	   check (decision in ('wait', 'cold', 'load', 'pre-shape-again'))`,
	`alter table result_entry add constraint result_entry_judged check (
	   (kind = 'judged') = (decision is not null)
	   and (decision is null) = (sightings is null) and (decision is null) = (clock_share is null)
	   and (decision is null) = (early_share is null) and (decision is null) = (late_share is null))`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
