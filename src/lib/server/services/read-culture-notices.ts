import type { CultureNoticeView } from '../../contracts/culture-views.ts';
import { addDays, wallTimeOf } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadBakery } from '../db/bakery.ts';
import { bakeryNow } from './bakery-now.ts';
import { cultureStandings } from './culture-standings.ts';
import { BakeryNotSetUp, loadBakeryDay } from './day-production.ts';

/** What there is to know or to do of the cultures for today's bread and tomorrow's. */
export async function readCultureNotices(
	db: Db,
	realNowMs: number
): Promise<readonly CultureNoticeView[]> {
	const [bakery, nowMs] = await Promise.all([loadBakery(db), bakeryNow(db, realNowMs)]);
	if (!bakery) throw new BakeryNotSetUp();
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const tomorrow = await loadBakeryDay(db, addDays(today, 1));
	return (await cultureStandings(db, tomorrow, nowMs)).flatMap(({ log, standing }) =>
		standing.told.map((told) => ({ name: log.ingredient.name, told }))
	);
}
