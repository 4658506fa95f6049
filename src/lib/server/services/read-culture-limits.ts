import type { CultureLimit } from '../../contracts/views.ts';
import { cultureStanding } from '../../core/culture/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { bakeryNow } from './bakery-now.ts';
import { cultureNeedsOf, feedTimesOf, needsOfCulture, type CultureNeeds } from './culture-needs.ts';
import { loadCulturesOfLog } from './cultures.ts';
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
	realNowMs: number
): Promise<readonly CultureLimit[]> {
	const [day, nowMs] = await Promise.all([loadBakeryDay(db, date), bakeryNow(db, realNowMs)]);
	const today = wallTimeOf({ epochMs: nowMs }, day.bakery.timeZone).date;
	if (date < today || date > addDays(today, DAYS_AHEAD)) return [];
	const needs: CultureNeeds[] = [];
	// One after the other: a page takes no more connections than it needs.
	for (let before = today; before < date; before = addDays(before, 1))
		needs.push(await cultureNeedsOf(db, await loadBakeryDay(db, before), nowMs));
	needs.push(await cultureNeedsOf(db, day, nowMs));
	return (await loadCulturesOfLog(db, day.book)).flatMap((log): CultureLimit[] => {
		const { kept, grams, ingredient } = log;
		if (!kept || grams === null || log.start) return [];
		const { uses, returns } = needsOfCulture(log, needs, nowMs);
		const place = day.book.places.get(id<PlaceId>(kept.keeping.placeId ?? ''));
		const { ahead } = cultureStanding({
			keeping: kept.keeping,
			placeCelsius: place?.celsius ?? day.bakery.assumed.roomCelsius,
			grams,
			follow: log.follow,
			uses,
			returns,
			scheduledMs: feedTimesOf(log, today, DAYS_AHEAD + 1, day.bakery.timeZone).filter(
				(atMs) => atMs > nowMs
			),
			lastScheduledMs: null,
			coldSinceMs: log.coldSinceMs,
			air: {},
			nowMs
		});
		const use = uses.find((one) => one === ahead.short?.use);
		if (!ahead.short || use?.date !== date) return [];
		const { missingGrams, met } = ahead.short;
		return [
			{
				kind: 'culture',
				name: ingredient.name,
				by: use.by,
				missingGrams,
				met: met && { feeds: met.feeds, atMs: met.atMs }
			}
		];
	});
}
