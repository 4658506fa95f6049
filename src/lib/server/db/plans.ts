import { sql } from 'kysely';
import {
	PLAN_DOCUMENT_SCHEMA,
	readPlanDocument,
	takenElsewhereSchema,
	type PlanDocument
} from '../../contracts/plan-document.ts';
import { staysOf } from '../../core/bench/index.ts';
import type { BatchId } from '../../core/identity.ts';
import { bookMinutesOf, takenBy, type TakenElsewhere } from '../../core/planning/index.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export interface PlanRow {
	readonly id: string;
	readonly number: number;
	readonly acceptedBy: string;
	readonly acceptedAtMs: number;
	readonly fingerprint: string;
	readonly document: PlanDocument;
}

/** The newest accepted plan of a date, as it was told. */
export async function loadNewestPlan(db: Db | Tx, date: BakeDate): Promise<PlanRow | null> {
	const row = await db
		.selectFrom('plan_version')
		.innerJoin('bakery_entry as person', 'person.id', 'plan_version.accepted_by')
		.selectAll('plan_version')
		.select('person.name as accepted_by_name')
		.where('bake_date', '=', date)
		.orderBy('number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return row
		? {
				id: row.id,
				number: row.number,
				acceptedBy: row.accepted_by_name,
				acceptedAtMs: row.occurred_at.getTime(),
				fingerprint: row.fingerprint,
				document: readPlanDocument(row.document_schema, row.document)
			}
		: null;
}

/** The newest accepted plans of some dates, as they were told; dates without one are not in it. */
export async function loadNewestPlans(
	db: Db | Tx,
	dates: readonly BakeDate[]
): Promise<ReadonlyMap<BakeDate, PlanDocument>> {
	if (dates.length === 0) return new Map();
	const rows = await db
		.selectFrom('plan_version')
		.distinctOn('bake_date')
		.select(['bake_date', 'document', 'document_schema'])
		.where('bake_date', 'in', dates)
		.orderBy('bake_date')
		.orderBy('number', 'desc')
		.execute();
	return new Map(
		rows.map((row) => [
			row.bake_date as BakeDate,
			readPlanDocument(row.document_schema, row.document)
		])
	);
}

/** Which version of a date's plan is in force; null where none was accepted. */
export async function newestPlanNumber(db: Db | Tx, date: BakeDate): Promise<number | null> {
	const row = await db
		.selectFrom('plan_version')
		.select('number')
		.where('bake_date', '=', date)
		.orderBy('number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return row?.number ?? null;
}

/** Lets nobody else write a plan, of whichever date, until the transaction ends; reading goes on. */
export async function lockPlans(tx: Tx): Promise<void> {
	await sql`lock table plan_version in share row exclusive mode`.execute(tx);
}

/** What the newest accepted plans of the dates around one, itself left out, have of people and machines. */
export async function loadTakenElsewhere(
	db: Db | Tx,
	date: BakeDate,
	daysAround: number
): Promise<readonly TakenElsewhere[]> {
	const rows = await db
		.selectFrom('plan_version')
		.distinctOn('bake_date')
		.select('takes')
		.where('bake_date', '>=', addDays(date, -daysAround))
		.where('bake_date', '<=', addDays(date, daysAround))
		.where('bake_date', '!=', date)
		.orderBy('bake_date')
		.orderBy('number', 'desc')
		.execute();
	return rows.flatMap((row) => takenElsewhereSchema.parse(row.takes));
}

/** The next dates, from one on, that have an accepted plan. */
export async function loadPlannedDates(
	db: Db | Tx,
	from: BakeDate,
	most: number
): Promise<readonly BakeDate[]> {
	const rows = await db
		.selectFrom('plan_version')
		.select('bake_date')
		.distinct()
		.where('bake_date', '>=', from)
		.orderBy('bake_date')
		.limit(most)
		.execute();
	return rows.map((row) => row.bake_date as BakeDate);
}

/** When the newest accepted plan of a date begins each mix of a dough or build, by its batch. */
export async function loadPlannedMixStarts(
	db: Db | Tx,
	date: BakeDate
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('plan_task')
		.innerJoin('batch', 'batch.id', 'plan_task.batch_id')
		.select(['batch.id', 'plan_task.start_at'])
		.where('plan_task.plan_id', '=', (where) =>
			where
				.selectFrom('plan_version')
				.select('id')
				.where('bake_date', '=', date)
				.orderBy('number', 'desc')
				.limit(1)
		)
		.where('plan_task.activity', '=', 'mix')
		.where('batch.kind', 'in', ['mix', 'pre-ferment', 'preparation'])
		.orderBy('plan_task.start_at')
		.execute();
	const starts = new Map<string, number>();
	for (const row of rows) if (!starts.has(row.id)) starts.set(row.id, row.start_at.getTime());
	return starts;
}

/** The newest plan of a date, and whether it is this very one; null where none was accepted. */
export async function findNewestPlan(
	db: Db | Tx,
	date: BakeDate,
	{ fingerprint, document }: Pick<NewPlan, 'fingerprint' | 'document'>
): Promise<{ readonly id: string; readonly number: number; readonly same: boolean } | null> {
	const newest = await db
		.selectFrom('plan_version')
		.select([
			'id',
			'number',
			sql<boolean>`fingerprint = ${fingerprint} and document = ${JSON.stringify(document)}::jsonb`.as(
				'same'
			)
		])
		.where('bake_date', '=', date)
		.orderBy('number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return newest ?? null;
}

/** A plan that is accepted, with the batches it makes and the tasks of each. */
export interface NewPlan {
	readonly id: string;
	readonly date: BakeDate;
	readonly number: number;
	readonly commandId: string;
	readonly acceptedBy: string;
	readonly occurredAtMs: number;
	readonly fingerprint: string;
	readonly document: PlanDocument;
	readonly batches: readonly {
		readonly batchId: BatchId;
		readonly grams: number;
		readonly pieces: number | null;
	}[];
	/** The batch of each task of the plan, by the task's id. */
	readonly batchOfTask: ReadonlyMap<string, BatchId>;
}

/** Writes an accepted plan as it is told. */
export async function insertPlan(tx: Tx, plan: NewPlan): Promise<void> {
	const row: EveryColumn<'plan_version'> = {
		id: plan.id,
		bake_date: plan.date,
		number: plan.number,
		command_id: plan.commandId,
		accepted_by: plan.acceptedBy,
		occurred_at: new Date(plan.occurredAtMs),
		fingerprint: plan.fingerprint,
		document: JSON.stringify(plan.document),
		document_schema: PLAN_DOCUMENT_SCHEMA,
		takes: JSON.stringify(takenBy(plan.document.plan, plan.document.input))
	};
	await tx.insertInto('plan_version').values(row).execute();
	const batches = plan.batches.map((batch): EveryColumn<'plan_batch'> => ({
		plan_id: plan.id,
		batch_id: batch.batchId,
		mass_g: batch.grams,
		pieces: batch.pieces
	}));
	if (batches.length > 0) await tx.insertInto('plan_batch').values(batches).execute();
	const tasks = plan.document.plan.tasks.flatMap((task): EveryColumn<'plan_task'>[] => {
		const batchId = plan.batchOfTask.get(task.id);
		return batchId === undefined
			? []
			: [
					{
						plan_id: plan.id,
						task_key: task.id,
						batch_id: batchId,
						activity: task.step.kind === 'bake' ? 'bake' : task.step.activity,
						machine_id: task.machineId,
						start_at: new Date(task.startMs),
						end_at: new Date(task.endMs),
						book_min: bookMinutesOf(task, plan.document.input),
						load_celsius: task.step.kind === 'bake' ? task.step.loadCelsius : null
					}
				];
	});
	if (tasks.length > 0) await tx.insertInto('plan_task').values(tasks).execute();
	// Only what cools something is learned from.
	const cold = staysOf(plan.document).filter(({ place }) => place === 'cold');
	const stays = cold.map((stay): EveryColumn<'plan_stay'> => ({
		plan_id: plan.id,
		bake_date: plan.date,
		task_key: stay.taskId,
		leg: stay.leg,
		place_id: stay.placeId,
		planned_in_at: new Date(stay.plannedInMs),
		into_work: stay.intoWork,
		out_works: [...stay.outWorks],
		kilograms: stay.kilograms,
		celsius: stay.celsius,
		time_constant_min: stay.timeConstantMinutes
	}));
	if (stays.length > 0) await tx.insertInto('plan_stay').values(stays).execute();
}
