import { sql } from 'kysely';
import type { WorkAct, WorkEntry } from '../../core/bench/index.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** A tap as it is read. */
export interface WorkEntryRow {
	readonly id: string;
	readonly work: string;
	readonly act: WorkAct;
	readonly until_at: Date | null;
	readonly because: string;
	readonly celsius: number | null;
	readonly occurred_at: Date;
	readonly by: string;
}

const ENTRY = sql`e.id, e.work, e.act, e.until_at, e.because, e.celsius, e.occurred_at,
	coalesce(person.name, actor.name) as by`;
const BY = sql`join command c on c.id = e.command_id
	join bakery_entry actor on actor.id = c.actor_id
	left join bakery_entry person on person.id = e.person_id`;

export function workEntryOf(row: WorkEntryRow): WorkEntry {
	return {
		id: row.id,
		work: row.work,
		act: row.act,
		atMs: row.occurred_at.getTime(),
		by: row.by,
		untilMs: row.until_at?.getTime() ?? null,
		because: row.because,
		celsius: row.celsius
	};
}

/** What was tapped for a date, or for one work of it, in the order in which it happened; what was struck is left out. */
export async function loadWorkEntries(
	db: Db | Tx,
	date: BakeDate,
	work: string | null = null
): Promise<readonly WorkEntry[]> {
	const { rows } = await sql<WorkEntryRow>`
		select ${ENTRY} from work_entry e ${BY}
		where e.bake_date = ${date} and ${work === null ? sql`true` : sql`e.work = ${work}`}
			and not exists (select 1 from work_struck s where s.entry_id = e.id)
		order by e.occurred_at, e.recorded_at, e.id`.execute(db);
	return rows.map(workEntryOf);
}

/** Everything that was tapped for a date, what was struck too, with who took it back and when. */
export async function loadWorkLog(
	db: Db | Tx,
	date: BakeDate
): Promise<
	readonly (WorkEntry & {
		readonly struck: { readonly by: string; readonly atMs: number } | null;
	})[]
> {
	const standing = await loadWorkEntries(db, date);
	const { rows } = await sql<WorkEntryRow & { struck_at: Date; struck_by: string }>`
		select ${ENTRY}, s.occurred_at as struck_at, striker.name as struck_by
		from work_entry e ${BY}
		join work_struck s on s.entry_id = e.id
		join command sc on sc.id = s.command_id
		join bakery_entry striker on striker.id = sc.actor_id
		where e.bake_date = ${date}`.execute(db);
	return [
		...standing.map((entry) => ({ ...entry, struck: null })),
		...rows.map((row) => ({
			...workEntryOf(row),
			struck: { by: row.struck_by, atMs: row.struck_at.getTime() }
		}))
	].sort((a, b) => a.atMs - b.atMs);
}

/** How far back it is looked whether a bakery taps (our default). */
const HABIT_DAYS = 28;

/** Whether anything was tapped for the dates before one. */
export async function tappedBefore(db: Db | Tx, date: BakeDate): Promise<boolean> {
	const row = await db
		.selectFrom('work_entry')
		.select('id')
		.where('bake_date', '<', date)
		.where('bake_date', '>=', addDays(date, -HABIT_DAYS))
		.limit(1)
		.executeTakeFirst();
	return row !== undefined;
}

export async function insertWorkEntry(tx: Tx, row: EveryColumn<'work_entry'>): Promise<void> {
	await tx.insertInto('work_entry').values(row).execute();
}

/** Which work of which date a tap was on; null where there is no such tap. */
export async function findWorkOfEntry(
	tx: Tx,
	entryId: string
): Promise<{ readonly date: BakeDate; readonly work: string } | null> {
	const row = await tx
		.selectFrom('work_entry')
		.select(['bake_date', 'work'])
		.where('id', '=', entryId)
		.executeTakeFirst();
	return row ? { date: row.bake_date as BakeDate, work: row.work } : null;
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
