import { sql, type Kysely } from 'kysely';

/** Pieces are looked at on the bench too, and what is drawn has a colour and a sound. */
const STATEMENTS = [
	`alter table result_entry drop constraint result_entry_kind_check`,
	`alter table result_entry add constraint result_entry_kind_check
	   check (kind in ('counted', 'weighed', 'scored', 'fault', 'drawn', 'judged', 'less', 'again'))`,
	`alter table result_entry drop constraint result_entry_decision_check`,
	`alter table result_entry add constraint result_entry_decision_check
	   check (decision in ('wait', 'cold', 'load', 'pre-shape-again', 'shape'))`,
	`alter table result_entry add column looked_at text check (looked_at in ('rest', 'proof'))`,
	// Until now they were looked at in proof alone.
	`alter table result_entry disable trigger result_entry_append_only`,
	`update result_entry set looked_at = 'proof' where kind = 'judged'`,
	`alter table result_entry enable trigger result_entry_append_only`,
	// How many times the book's minutes its plan gave it: what was learned by then is in the clock.
	`alter table result_entry add column book_factor double precision check (book_factor between 0.1 and 10)`,
	`alter table result_entry add constraint result_entry_looked_at
	   check ((kind = 'judged') = (looked_at is not null))`,
	`alter table result_entry add column browning text check (browning in ('pale', 'golden', 'brown', 'dark'))`,
	`alter table result_entry add column sound text check (sound in ('dull', 'hollow'))`,
	`alter table result_entry add constraint result_entry_drawn
	   check ((kind = 'drawn') = (browning is not null or sound is not null))`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
