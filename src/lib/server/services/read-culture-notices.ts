import type { CultureNoticeView } from '../../contracts/culture-views.ts';
import { addDays, wallTimeOf } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadBakery } from '../db/bakery.ts';
import { bakeryNow } from './bakery-now.ts';
import { cultureStandings } from './culture-standings.ts';
import { BakeryNotSetUp, loadBakeryDay, type BakeryDay } from './day-production.ts';

/** What there is to know or to do of the cultures for today's bread and tomorrow's. */
export async function readCultureNotices(
	db: Db,
	realNowMs: number,
	/** Dates that were loaded already. */
	known: readonly BakeryDay[] = []
): Promise<readonly CultureNoticeView[]> {
	const [bakery, nowMs] = await Promise.all([loadBakery(db), bakeryNow(db, realNowMs)]);
	if (!bakery) throw new BakeryNotSetUp();
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const date = addDays(today, 1);
	const tomorrow = known.find((day) => day.date === date) ?? (await loadBakeryDay(db, date));
	return (await cultureStandings(db, tomorrow, nowMs, known)).flatMap(({ log, standing }) =>
		standing.told.map((told) => ({ name: log.ingredient.name, told }))
	);
}
