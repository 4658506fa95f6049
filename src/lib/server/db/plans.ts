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
