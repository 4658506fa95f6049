import type { AcceptedPlanView, PlanView } from '../../contracts/views.ts';
import { asPlanned, isFollowed, type BakeDayInput } from '../../core/planning/index.ts';
import { mixChoicesOf } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import { loadNewestPlan, loadTakenElsewhere } from '../db/plans.ts';
import {
	bakeDayInput,
	DAYS_AROUND,
	fingerprintBesideOthers,
	fingerprintOf
} from './bake-day-input.ts';
import { nameOfMix } from './batch-names.ts';
import { batchAt, loadBakeryDay } from './day-production.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { overOfDay } from './over-of-day.ts';

/** What the plan of a date is made from, and the plan that was accepted for it. */
export async function readPlan(
	db: Db,
	date: BakeDate,
	loaded = loadBakeryDay(db, date)
): Promise<PlanView> {
	const [day, leads, newest, elsewhere] = await Promise.all([
		loaded,
		loadLeadsOn(db, date),
		loadNewestPlan(db, date),
		loadTakenElsewhere(db, date, DAYS_AROUND)
	]);
	const input = bakeDayInput(day, leads, await loadLearnedForPlan(db, day), elsewhere);
	const fingerprint = fingerprintBesideOthers(input);
	const accepted: AcceptedPlanView | null = newest
		? {
				number: newest.number,
				acceptedBy: newest.acceptedBy,
				acceptedAtMs: newest.acceptedAtMs,
				document: newest.document,
				current:
					newest.fingerprint === fingerprintOf(asPlanned(input)) &&
					isFollowed(newest.document.plan, input)
			}
		: null;
	return {
		date,
		input,
		fingerprint,
		mixes: day.production.doughs.flatMap((dough) =>
			dough.mixes.map((mix) => {
				const formulaId = mix.resolved.formula.id;
				const batch = batchAt(day, { kind: 'mix', formulaId, ordinal: mix.ordinal });
				return {
					formulaId,
					ordinal: mix.ordinal,
					batch: nameOfMix(day, mix),
					leadVersion: leads.find((lead) => lead.batchId === batch?.id)?.version ?? 0
				};
			})
		),
		doughs: day.production.doughs.map((dough) => {
			const formulaId = dough.resolved.formula.id;
			return {
				formulaId,
				...mixChoicesOf(dough, day.input),
				version: day.mixesWanted.get(formulaId)?.version ?? 0
			};
		}),
		over: overOfDay(day),
		accepted,
		unmade: day.production.unmade,
		roster: day.roster
	};
}

/** The work of a date if a drop had ordered so many times as much. */
export async function readDayAsIf(
	db: Db,
	date: BakeDate,
	{ drop, times }: { readonly drop: string; readonly times: number }
): Promise<BakeDayInput> {
	const [day, leads, elsewhere] = await Promise.all([
		loadBakeryDay(db, date, (dropId) => (dropId === drop ? times : 1)),
		loadLeadsOn(db, date),
		loadTakenElsewhere(db, date, DAYS_AROUND)
	]);
	return bakeDayInput(day, leads, await loadLearnedForPlan(db, day), elsewhere);
}
