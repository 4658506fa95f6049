import { sql, type Kysely } from 'kysely';

/**
 * Tries at the doors that failed are written down too; what somebody changed is found by who it was, however long the log; and what names
 * a person can be taken out of it where the law asks, in a transaction that says so, and in no other way.
 */
const STATEMENTS = [
	`alter table door_entry drop constraint door_entry_act_check`,
	`alter table door_entry add constraint door_entry_act_check check (act in (
	   'signed-in', 'signed-out', 'password-set', 'code-set', 'key-made', 'session-ended', 'tablet-paired', 'hands-changed',
	   'tried', 'data-handed-out', 'person-removed'
	 ))`,
	`create index door_entry_tried on door_entry (id) where act = 'tried'`,
	`create index command_of_actor on command (actor_id, sequence)`,
	`create index command_of_kind on command (kind, sequence)`,
	`create or replace function refuse_change() returns trigger language plpgsql as $$
	 begin
	   if tg_op = 'UPDATE' and current_setting('jovet.removes_person', true) = 'yes' then
	     return new;
	   end if;
	   raise exception 'rows of % are append-only', tg_table_name using errcode = 'restrict_violation';
	 end $$`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
