import { sql } from 'kysely';
import type { WorkAct, WorkEntry } from '../../core/bench/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** What was tapped for a date, or for one work of it, in the order in which it happened; what was struck is left out. */
export async function loadWorkEntries(
	db: Db | Tx,
	date: BakeDate,
	work: string | null = null
): Promise<readonly WorkEntry[]> {
	const { rows } = await sql<{
		id: string;
		work: string;
		act: WorkAct;
		until_at: Date | null;
		because: string;
		celsius: number | null;
		occurred_at: Date;
		by: string;
	}>`
		select e.id, e.work, e.act, e.until_at, e.because, e.celsius, e.occurred_at, coalesce(person.name, actor.name) as by
		from work_entry e
		join command c on c.id = e.command_id
		join bakery_entry actor on actor.id = c.actor_id
		left join bakery_entry person on person.id = e.person_id
		where e.bake_date = ${date} and ${work === null ? sql`true` : sql`e.work = ${work}`}
			and not exists (select 1 from work_struck s where s.entry_id = e.id)
		order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	return rows.map((row) => ({
		id: row.id,
		work: row.work,
		act: row.act,
		atMs: row.occurred_at.getTime(),
		by: row.by,
		untilMs: row.until_at?.getTime() ?? null,
		because: row.because,
		celsius: row.celsius
	}));
}

export async function insertWorkEntry(tx: Tx, row: EveryColumn<'work_entry'>): Promise<void> {
	await tx.insertInto('work_entry').values(row).execute();
}

export async function isWorkEntryKnown(tx: Tx, entryId: string): Promise<boolean> {
	const row = await tx
		.selectFrom('work_entry')
		.select('id')
		.where('id', '=', entryId)
		.executeTakeFirst();
	return row !== undefined;
}

/** Says that something tapped did not happen; said twice, it is said once. */
export async function strikeWorkEntry(
	tx: Tx,
	entryId: string,
	by: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const row: EveryColumn<'work_struck'> = {
		entry_id: entryId,
		command_id: by.commandId,
		occurred_at: new Date(by.occurredAtMs)
	};
	await tx
		.insertInto('work_struck')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}

/** The batch of a task, by the newest plan of a date that has it; null where none has. */
export async function findBatchOfTask(
	tx: Tx,
	date: BakeDate,
	taskId: string
): Promise<{ readonly batchId: string } | null> {
	const row = await tx
		.selectFrom('plan_task')
		.innerJoin('plan_version', 'plan_version.id', 'plan_task.plan_id')
		.select('plan_task.batch_id')
		.where('plan_task.task_key', '=', taskId)
		.where('plan_version.bake_date', '=', date)
		.orderBy('plan_version.number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return row ? { batchId: row.batch_id } : null;
}

export async function hasPlan(tx: Tx, date: BakeDate): Promise<boolean> {
	const row = await tx
		.selectFrom('plan_version')
		.select('id')
		.where('bake_date', '=', date)
		.limit(1)
		.executeTakeFirst();
	return row !== undefined;
}
