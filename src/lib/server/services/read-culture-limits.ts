import type { CultureLimit } from '../../contracts/views.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { bakeryNow } from './bakery-now.ts';
import { cultureStandings } from './culture-standings.ts';
import { loadBakeryDay } from './day-production.ts';

/** Nobody knows further ahead what there will be of a culture (our default, in days). */
const DAYS_AHEAD = 3;

/**
 * The cultures that there is too little of for a date, after what the dates before it take. Feeds that stand at their
 * times count; what further feeds would bring is told, not taken for granted. Nothing is said of a date that is over or far
 * ahead, nor of a culture that nobody weighed.
 */
export async function readCultureLimits(
	db: Db,
	date: BakeDate,
	realNowMs: number,
	loaded = loadBakeryDay(db, date)
): Promise<readonly CultureLimit[]> {
	const [day, nowMs] = await Promise.all([loaded, bakeryNow(db, realNowMs)]);
	const today = wallTimeOf({ epochMs: nowMs }, day.bakery.timeZone).date;
	if (date < today || date > addDays(today, DAYS_AHEAD)) return [];
	return (await cultureStandings(db, day, nowMs)).flatMap(
		({ log, uses, standing }): CultureLimit[] => {
			const { short } = standing.ahead;
			const use = uses.find((one) => one === short?.use);
			if (log.grams === null || !short || use?.date !== date) return [];
			const { missingGrams, met } = short;
			return [
				{
					kind: 'culture',
					name: log.ingredient.name,
					by: use.by,
					missingGrams,
					met: met && { feeds: met.feeds, atMs: met.atMs }
				}
			];
		}
	);
}
