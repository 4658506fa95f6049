import type { AcceptedPlanView, PlanView } from '../../contracts/views.ts';
import { readStoredInput } from '../../contracts/stored-plan.ts';
import { id, type FormulaId } from '../../core/identity.ts';
import type { Placement } from '../../core/schedule/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadLeads, loadNewestPlan } from '../db/plans.ts';
import { bakeDayInput, fingerprintOf } from './bake-day-input.ts';
import { loadBakeryDay } from './day-production.ts';

/** What the plan of a date is made from, and the plan that was accepted for it. */
export async function readPlan(db: Db, date: BakeDate): Promise<PlanView> {
	const [day, leads, newest] = await Promise.all([
		loadBakeryDay(db, date),
		loadLeads(db, date),
		loadNewestPlan(db, date)
	]);
	const input = bakeDayInput(day, leads);
	const fingerprint = fingerprintOf(input);
	const accepted: AcceptedPlanView | null = newest
		? {
				number: newest.number,
				acceptedBy: newest.acceptedBy,
				acceptedAtMs: newest.acceptedAtMs,
				input: readStoredInput(newest.input),
				// Written by accept-plan from this very type and append-only since.
				placement: newest.placement as Placement,
				current: newest.fingerprint === fingerprint
			}
		: null;
	return {
		date,
		input,
		fingerprint,
		leadVersions: leads.map((lead) => ({
			formulaId: id<FormulaId>(lead.formulaId),
			ordinal: lead.ordinal,
			version: lead.version
		})),
		accepted,
		unmade: day.production.unmade
	};
}
