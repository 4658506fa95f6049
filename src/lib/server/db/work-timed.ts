import { sql } from 'kysely';
import type { TimedTask } from '../../core/bench/index.ts';
import { workEntryOf, type WorkEntryRow } from './work.ts';
import type { WorkEntry } from '../../core/bench/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { LearnedUntil } from './batch-log.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** A task that is learned from, as the newest plan that has it tells it. */
export interface TaskToTime {
	readonly recipeId: string;
	readonly activity: string;
	readonly machineId: string | null;
	readonly bookMinutes: number;
	readonly loadCelsius: number | null;
}

/** A task by its key; null where nothing is learned from it. */
export async function findTaskToTime(
	tx: Tx,
	date: BakeDate,
	taskId: string
): Promise<TaskToTime | null> {
	const { rows } = await sql<{
		recipe_id: string;
		activity: string;
		machine_id: string | null;
		book_min: number | null;
		load_celsius: number | null;
	}>`select b.recipe_id, t.activity, t.machine_id, t.book_min, t.load_celsius
		from plan_task t join plan_version v on v.id = t.plan_id join batch b on b.id = t.batch_id
		where t.task_key = ${taskId} and v.bake_date = ${date}
		order by v.number desc limit 1`.execute(tx);
	const [row] = rows;
	return !row || row.book_min === null
		? null
		: {
				recipeId: row.recipe_id,
				activity: row.activity,
				machineId: row.machine_id,
				bookMinutes: row.book_min,
				loadCelsius: row.load_celsius
			};
}

/** The taps on every work of one task, whoever tapped them; what was struck is left out. */
export async function loadEntriesOfTask(
	tx: Tx,
	date: BakeDate,
	taskId: string
): Promise<readonly WorkEntry[]> {
	const { rows } = await sql<WorkEntryRow>`
		select e.id, e.work, e.act, e.until_at, e.because, e.celsius, e.occurred_at, '' as by from work_entry e
		where e.bake_date = ${date} and e.work like ${`${taskId.replace(/[\\%_]/g, '\\$&')} %`}
			and not exists (select 1 from work_struck s where s.entry_id = e.id)
		order by e.occurred_at, e.recorded_at, e.id`.execute(tx);
	return rows.map(workEntryOf);
}

/** Keeps how long a task really took, in place of what was kept of it before; nothing where its taps do not tell. */
export async function keepTimed(
	tx: Tx,
	date: BakeDate,
	taskId: string,
	task: TaskToTime,
	timed: TimedTask | null,
	/** Who taps now: their command is written after this. */
	actorId: string
): Promise<void> {
	await tx
		.deleteFrom('work_timed')
		.where('bake_date', '=', date)
		.where('task_key', '=', taskId)
		.execute();
	if (!timed) return;
	const stone =
		timed.stoneCelsius === null || task.loadCelsius === null
			? null
			: timed.stoneCelsius - task.loadCelsius;
	await sql`insert into work_timed
			(bake_date, task_key, recipe_id, activity, machine_id, by_id, book_min, real_min, stone_off_k, occurred_at)
		select ${date}, ${taskId}, ${task.recipeId}, ${task.activity}, ${task.machineId},
			coalesce(e.person_id, c.actor_id, ${actorId}::uuid), ${task.bookMinutes}, ${timed.minutes}, ${stone}, ${new Date(timed.atMs)}
		from work_entry e left join command c on c.id = e.command_id where e.id = ${timed.entryId}`.execute(
		tx
	);
}

/** Something timed. */
export interface TimedRow {
	readonly id: string;
	readonly date: string;
	readonly taskId: string;
	readonly recipeId: string;
	readonly activity: string;
	readonly machineId: string | null;
	readonly by: string;
	readonly bookMinutes: number;
	readonly realMinutes: number;
	readonly occurredAtMs: number;
	/** Somebody said that it does not count. */
	readonly ignored: boolean;
}

/** As many of the newest times as anything is learned from; what is older says little of today. */
const NEWEST_TIMES = 60;

/** Nobody said that it does not count. */
const COUNTS = sql`not exists (select 1 from time_ignored i where i.bake_date = w.bake_date and i.task_key = w.task_key)`;

function upTo(until: LearnedUntil | null) {
	return until === null
		? sql`true`
		: sql`w.occurred_at < ${new Date(until.atMs)} and w.bake_date < ${until.date}`;
}

/** The newest times of some recipes since they were learned anew and up to then, newest first; one query, whatever the history. */
export async function loadTimes(
	db: Db | Tx,
	recipeIds: readonly string[],
	/** Everything where it is left out. */
	until: LearnedUntil | null = null
): Promise<readonly TimedRow[]> {
	const { rows } = await sql<{
		bake_date: string;
		task_key: string;
		recipe_id: string;
		activity: string;
		machine_id: string | null;
		by: string;
		book_min: number;
		real_min: number;
		occurred_at: Date;
		ignored: boolean;
	}>`select found.*, person.name as by from unnest(${sql.val([...new Set(recipeIds)])}::uuid[]) as recipe (id)
		left join times_reset reset on reset.recipe_id = recipe.id
		cross join lateral (
			select w.*, not (${COUNTS}) as ignored from work_timed w where w.recipe_id = recipe.id
				and (reset.at is null or w.occurred_at >= reset.at)
				and ${upTo(until)}
			order by w.occurred_at desc limit ${NEWEST_TIMES}
		) found
		join bakery_entry person on person.id = found.by_id
		order by found.occurred_at desc, found.task_key`.execute(db);
	return rows.map((row) => ({
		id: `${row.bake_date} ${row.task_key}`,
		date: row.bake_date,
		taskId: row.task_key,
		recipeId: row.recipe_id,
		activity: row.activity,
		machineId: row.machine_id,
		by: row.by,
		bookMinutes: row.book_min,
		realMinutes: row.real_min,
		occurredAtMs: row.occurred_at.getTime(),
		ignored: row.ignored
	}));
}

/** How long hands took of somebody, newest first. */
export interface TimeOfPerson {
	readonly id: string;
	readonly byId: string;
	readonly bookMinutes: number;
	readonly realMinutes: number;
}

/** The newest times of some people's hands; what an oven did is nobody's pace. */
export async function loadTimesByPerson(
	db: Db | Tx,
	personIds: readonly string[]
): Promise<readonly TimeOfPerson[]> {
	const { rows } = await sql<{
		bake_date: string;
		task_key: string;
		by_id: string;
		book_min: number;
		real_min: number;
	}>`select found.* from unnest(${sql.val([...new Set(personIds)])}::uuid[]) as person (id)
		cross join lateral (
			select * from work_timed w where w.by_id = person.id and w.activity <> 'bake' and ${COUNTS}
			order by w.occurred_at desc limit ${NEWEST_TIMES}
		) found`.execute(db);
	return rows.map((row) => ({
		id: `${row.bake_date} ${row.task_key}`,
		byId: row.by_id,
		bookMinutes: row.book_min,
		realMinutes: row.real_min
	}));
}

/** A stone as it was loaded on. */
export interface StoneRow {
	readonly id: string;
	readonly deckId: string;
	readonly offKelvins: number;
}

const NEWEST_STONES = 20;

/** The newest readings of some decks' stones at loading up to then. */
export async function loadStones(
	db: Db | Tx,
	deckIds: readonly string[],
	/** Everything where it is left out. */
	until: LearnedUntil | null = null
): Promise<readonly StoneRow[]> {
	const { rows } = await sql<{
		bake_date: string;
		task_key: string;
		machine_id: string;
		stone_off_k: number;
	}>`select found.* from unnest(${sql.val([...new Set(deckIds)])}::uuid[]) as deck (id)
		cross join lateral (
			select * from work_timed w where w.machine_id = deck.id and w.stone_off_k is not null
				and ${upTo(until)} and ${COUNTS}
			order by w.occurred_at desc limit ${NEWEST_STONES}
		) found`.execute(db);
	return rows.map((row) => ({
		id: `${row.bake_date} ${row.task_key}`,
		deckId: row.machine_id,
		offKelvins: row.stone_off_k
	}));
}

/** How many times are kept of some recipes, counted no further than anything is learned from. */
export async function countTimes(
	db: Db | Tx,
	recipeIds: readonly string[]
): Promise<ReadonlyMap<string, number>> {
	const { rows } = await sql<{ id: string; times: number }>`
		select recipe.id, (select count(*)::int from (
			select 1 from work_timed w where w.recipe_id = recipe.id limit ${NEWEST_TIMES}
		) newest) as times from unnest(${sql.val([...new Set(recipeIds)])}::uuid[]) as recipe (id)`.execute(
		db
	);
	return new Map(rows.map(({ id, times }) => [id, times]));
}

/** Lets a time not count, or count again; false where there is no such time. */
export async function setTimeIgnored(
	tx: Tx,
	{ date, taskId }: { readonly date: BakeDate; readonly taskId: string },
	ignored: boolean,
	commandId: string
): Promise<boolean> {
	const known = await tx
		.selectFrom('work_timed')
		.select('task_key')
		.where('bake_date', '=', date)
		.where('task_key', '=', taskId)
		.executeTakeFirst();
	if (!known) return false;
	if (ignored) {
		const row: EveryColumn<'time_ignored'> = {
			bake_date: date,
			task_key: taskId,
			command_id: commandId
		};
		await tx
			.insertInto('time_ignored')
			.values(row)
			.onConflict((conflict) => conflict.doNothing())
			.execute();
	} else
		await tx
			.deleteFrom('time_ignored')
			.where('bake_date', '=', date)
			.where('task_key', '=', taskId)
			.execute();
	return true;
}

/** Whether anything was timed of a recipe. */
export async function hasTimes(tx: Tx, recipeId: string): Promise<boolean> {
	const row = await tx
		.selectFrom('work_timed')
		.select('task_key')
		.where('recipe_id', '=', recipeId)
		.limit(1)
		.executeTakeFirst();
	return row !== undefined;
}

/** From a moment on the times of a recipe are learned anew. */
export async function putTimesReset(
	tx: Tx,
	reset: { readonly recipeId: string; readonly atMs: number; readonly commandId: string }
): Promise<void> {
	const moment = { at: new Date(reset.atMs), command_id: reset.commandId };
	await tx
		.insertInto('times_reset')
		.values({ recipe_id: reset.recipeId, ...moment })
		.onConflict((conflict) => conflict.column('recipe_id').doUpdateSet(moment))
		.execute();
}
