import type { PlanWork } from '../../contracts/views.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadNewestPlan, loadPlannedDates } from '../db/plans.ts';
import { bakeryNow } from './bakery-now.ts';
import { BakeryNotSetUp } from './day-production.ts';

/** The night that ends today began yesterday, and stays in a calendar for a day. */
const DAYS_BACK = 1;
const MOST_NIGHTS = 14;

/** The accepted plan of a date, to be written as a file; null where none was accepted. */
export async function readWorkOn(db: Db, date: BakeDate): Promise<PlanWork | null> {
	const [bakery, plan] = await Promise.all([loadBakery(db), loadNewestPlan(db, date)]);
	if (!bakery) throw new BakeryNotSetUp();
	const { name, timeZone } = bakery;
	return plan && { bakery: { name, timeZone }, nights: [{ date, ...plan }] };
}

/** The accepted plans from yesterday on, to be followed by a calendar. */
export async function readWorkAhead(db: Db, realNowMs: number): Promise<PlanWork> {
	const [bakery, nowMs] = await Promise.all([loadBakery(db), bakeryNow(db, realNowMs)]);
	if (!bakery) throw new BakeryNotSetUp();
	const { name, timeZone } = bakery;
	const from = addDays(wallTimeOf({ epochMs: nowMs }, timeZone).date, -DAYS_BACK);
	const dates = await loadPlannedDates(db, from, MOST_NIGHTS);
	const nights = await Promise.all(
		dates.map(async (date) => {
			const plan = await loadNewestPlan(db, date);
			return plan ? [{ date, ...plan }] : [];
		})
	);
	return { bakery: { name, timeZone }, nights: nights.flat() };
}
