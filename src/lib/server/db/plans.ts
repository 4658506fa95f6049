import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';

export interface LeadRow {
	readonly formulaId: string;
	readonly ordinal: number;
	readonly minutes: number;
	readonly version: number;
}

export async function loadLeads(db: Db | Tx, date: BakeDate): Promise<readonly LeadRow[]> {
	const rows = await db
		.selectFrom('mix_lead')
		.select(['formula_id', 'ordinal', 'minutes', 'row_version'])
		.where('bake_date', '=', date)
		.execute();
	return rows.map((row) => ({
		formulaId: row.formula_id,
		ordinal: row.ordinal,
		minutes: row.minutes,
		version: row.row_version
	}));
}

export interface PlanRow {
	readonly id: string;
	readonly number: number;
	readonly acceptedBy: string;
	readonly acceptedAtMs: number;
	readonly fingerprint: string;
	/** As it was written by this application; read back through its contract. */
	readonly input: unknown;
	readonly placement: unknown;
}

export async function loadNewestPlan(db: Db | Tx, date: BakeDate): Promise<PlanRow | null> {
	const row = await db
		.selectFrom('plan_version')
		.innerJoin('person', 'person.id', 'plan_version.accepted_by')
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
				input: row.input,
				placement: row.placement
			}
		: null;
}

/** When the newest accepted plan of a date begins each mix of a dough or build, by the batch's key. */
export async function loadPlannedMixStarts(
	db: Db | Tx,
	date: BakeDate
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('plan_task')
		.innerJoin('batch', 'batch.id', 'plan_task.batch_id')
		.select(['batch.key', 'plan_task.start_at'])
		.where('plan_task.plan_id', '=', (where) =>
			where
				.selectFrom('plan_version')
				.select('id')
				.where('bake_date', '=', date)
				.orderBy('number', 'desc')
				.limit(1)
		)
		.where('plan_task.activity', '=', 'mix')
		.where('batch.kind', 'in', ['mix', 'build'])
		.orderBy('plan_task.start_at')
		.execute();
	const starts = new Map<string, number>();
	for (const row of rows) if (!starts.has(row.key)) starts.set(row.key, row.start_at.getTime());
	return starts;
}
