import { sql } from 'kysely';
import type { Tx } from './client.ts';

/** What somebody is called from now on of whom nothing else is kept. */
const CALLED = 'Somebody who left';

/** Whether somebody's own name was taken out already. */
export const isNobody = (name: string) => name.startsWith(`${CALLED} `);

/** A name that says nothing of whose it was, and is nobody else's. */
export async function nameForNobody(tx: Tx): Promise<string> {
	const { rows } = await sql<{ last: number | null }>`
		select max(substring(name from ${`^${CALLED} (\\d+)$`})::integer) as last from bakery_entry where kind = 'person'`.execute(
		tx
	);
	return `${CALLED} ${(rows[0]?.last ?? 0) + 1}`;
}

/**
 * Takes the name of a person, and what was noted of their absences, out of everything that has them: the entry with all of its
 * revisions, the log of commands, the plans in which they stood. What was done stays, and when, and that one person did it.
 */
export async function takeNameOut(tx: Tx, personId: string, called: string): Promise<void> {
	// Nothing else may change what is only added to; this transaction says that it does.
	await sql`select set_config('jovet.removes_person', 'yes', true)`.execute(tx);
	// Years of plans are looked through.
	await sql`set local statement_timeout = '10min'`.execute(tx);
	const names = await tx
		.selectFrom('bakery_entry_revision')
		.select('name')
		.distinct()
		.where('entry_id', '=', personId)
		.execute();
	await tx.updateTable('bakery_entry').set({ name: called }).where('id', '=', personId).execute();
	await sql`update bakery_entry_revision set name = ${called}, content = ${withoutNotes(sql.ref('content'), ['exceptions'])}
		where entry_id = ${personId}`.execute(tx);
	await sql`update command set request = jsonb_set(${withoutNotes(sql.ref('request'), ['content', 'exceptions'])}, '{name}', to_jsonb(${called}::text))
		where kind = 'save-entry' and request ->> 'entryId' = ${personId}`.execute(tx);
	await sql`update command set request = jsonb_set(request, '{person}', to_jsonb(${called}::text))
		where kind = 'found-bakery' and request ->> 'personId' = ${personId}`.execute(tx);
	for (const { name } of names) {
		const said = `"by": ${JSON.stringify(name)}`;
		await sql`update command set answer = replace(answer::text, ${said}, ${`"by": ${JSON.stringify(called)}`})::jsonb
			where strpos(answer::text, ${said}) > 0`.execute(tx);
	}
	await sql`update plan_version set document = jsonb_set(document, '{input,people}', (
			select jsonb_agg(case when one ->> 'id' = ${personId} then jsonb_set(one, '{name}', to_jsonb(${called}::text)) else one end order by n)
			from jsonb_array_elements(document #> '{input,people}') with ordinality as people (one, n)))
		where document #> '{input,people}' @> jsonb_build_array(jsonb_build_object('id', ${personId}::text))`.execute(
		tx
	);
	await sql`select set_config('jovet.removes_person', '', true)`.execute(tx);
}

/** The same with each note of a list inside emptied: why somebody was not there is nobody's business any more. */
function withoutNotes(json: ReturnType<typeof sql.ref>, at: readonly string[]) {
	const path = sql.val(`{${at.join(',')}}`);
	return sql`case when jsonb_typeof(${json} #> ${path}::text[]) = 'array' then
		jsonb_set(${json}, ${path}::text[], (select coalesce(jsonb_agg(jsonb_set(one, '{note}', '""') order by n), '[]')
			from jsonb_array_elements(${json} #> ${path}::text[]) with ordinality as noted (one, n)))
		else ${json} end`;
}

/** Takes away all of somebody's ways in, and where they came in from. */
export async function takeWaysInAway(tx: Tx, personId: string, nowMs: number): Promise<void> {
	await tx.deleteFrom('credential').where('person_id', '=', personId).execute();
	await tx.deleteFrom('door_hand').where('person_id', '=', personId).execute();
	await tx.deleteFrom('door_key').where('person_id', '=', personId).execute();
	await tx
		.updateTable('door_session')
		.set({ person_id: null })
		.where('person_id', '=', personId)
		.where('kind', '=', 'tablet')
		.execute();
	await tx
		.updateTable('door_session')
		.set({ ended_at: new Date(nowMs) })
		.where('person_id', '=', personId)
		.where('ended_at', 'is', null)
		.execute();
	await tx
		.updateTable('door_session')
		.set({ name: 'a desk' })
		.where('person_id', '=', personId)
		.execute();
	await tx.updateTable('door_entry').set({ about: '' }).where('person_id', '=', personId).execute();
}
