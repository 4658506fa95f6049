import type { CultureUseView } from '../../contracts/culture-views.ts';
import { cultureStanding, type CultureStanding } from '../../core/culture/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { cultureNeedsOf, feedTimesOf, needsOfCulture, type CultureNeeds } from './culture-needs.ts';
import { loadCulturesOfLog, type CultureOfLog } from './cultures.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';

/** A culture that somebody set up and that is not being started, as it stands over some dates. */
export interface CultureOverDates {
	readonly log: CultureOfLog;
	readonly uses: readonly CultureUseView[];
	readonly standing: CultureStanding;
}

/** How the cultures stand for what is taken of them from today until a date; places count as they are set. */
export async function cultureStandings(
	db: Db,
	last: BakeryDay,
	nowMs: number,
	/** Dates before it that were loaded already. */
	before: readonly BakeryDay[] = []
): Promise<readonly CultureOverDates[]> {
	const { timeZone } = last.bakery;
	const today = wallTimeOf({ epochMs: nowMs }, timeZone).date;
	const dates: BakeDate[] = [];
	for (let date = today; date <= last.date; date = addDays(date, 1)) dates.push(date);
	const needs: CultureNeeds[] = [];
	// One after the other: a page takes no more connections than it needs.
	for (const date of dates)
		needs.push(
			await cultureNeedsOf(
				db,
				[last, ...before].find((day) => day.date === date) ??
					(await loadBakeryDay(db, date, undefined, last.book)),
				nowMs
			)
		);
	return (await loadCulturesOfLog(db, last.book)).flatMap((log): CultureOverDates[] => {
		const { kept } = log;
		if (!kept || log.start) return [];
		const { uses, returns } = needsOfCulture(log, needs, nowMs);
		const place = last.book.places.get(id<PlaceId>(kept.keeping.placeId ?? ''));
		const times = feedTimesOf(log, addDays(today, -1), dates.length + 1, timeZone);
		const standing = cultureStanding({
			keeping: kept.keeping,
			placeCelsius: place?.celsius ?? last.bakery.assumed.roomCelsius,
			grams: log.grams,
			follow: log.follow,
			uses,
			returns,
			scheduledMs: times.filter((atMs) => atMs > nowMs),
			lastScheduledMs: times.findLast((atMs) => atMs <= nowMs) ?? null,
			coldSinceMs: log.coldSinceMs,
			air: {},
			nowMs
		});
		return [{ log, uses, standing }];
	});
}
