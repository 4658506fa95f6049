import { wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import { loadPlannedDates } from '../db/plans.ts';
import { bakeDayInput, fingerprintOf } from './bake-day-input.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { loadBakeryDay } from './day-production.ts';

/** What the accepted plans of the days to come are made from, by their date. */
export type PlansAhead = ReadonlyMap<BakeDate, string>;

/** Accepted plans are looked at so many days ahead: those of tonight and tomorrow are what a change can hurt. */
const MOST_PLANS = 3;

/** The dates with an accepted plan, from a date on and not in the past, with what their times follow from. */
export async function plansAhead(tx: Tx, from: BakeDate, nowMs: number): Promise<PlansAhead> {
	const bakery = await loadBakery(tx);
	if (!bakery) return new Map();
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const dates = await loadPlannedDates(tx, from > today ? from : today, MOST_PLANS);
	return inputsOf(tx, dates);
}

/** Those of the dates whose plan would be made from something else now. */
export async function plansThatChanged(tx: Tx, before: PlansAhead): Promise<readonly BakeDate[]> {
	const now = await inputsOf(tx, [...before.keys()]);
	return [...before].flatMap(([date, was]) => (now.get(date) === was ? [] : [date]));
}

async function inputsOf(tx: Tx, dates: readonly BakeDate[]): Promise<PlansAhead> {
	const found = new Map<BakeDate, string>();
	for (const date of dates) {
		const day = await loadBakeryDay(tx, date);
		found.set(
			date,
			fingerprintOf(
				bakeDayInput(day, await loadLeadsOn(tx, date), await loadLearnedForPlan(tx, day))
			)
		);
	}
	return found;
}
