import type { CulturesView, CultureView } from '../../contracts/culture-views.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import { stagedSours } from '../../core/production/index.ts';
import type { Db } from '../db/client.ts';
import { bakeryNow } from './bakery-now.ts';
import { cultureNeedsOf, feedTimesOf, needsOfCulture, type CultureNeeds } from './culture-needs.ts';
import { loadCulturesOfLog, type CultureOfLog } from './cultures.ts';
import { loadBakeryDay } from './day-production.ts';
import { readRoomTrace } from './read-room-trace.ts';

import { namedAir } from './standing-of-day.ts';
import { readWaterInputs } from './temperatures-now.ts';

/** What is taken is looked at over so many dates, today's the first (our default: a week). */
const DATES_AHEAD = 7;
/** So much of the log is told. */
const ENTRIES_TOLD = 30;

/** Every culture of the bakery, with what is to take from it. */
export async function readCultures(
	db: Db,
	date: BakeDate,
	realNowMs: number
): Promise<CulturesView> {
	const [nowMs, day] = await Promise.all([bakeryNow(db, realNowMs), loadBakeryDay(db, date)]);
	const { book } = day;
	const zone = day.bakery.timeZone;
	const today = wallTimeOf({ epochMs: nowMs }, zone).date;
	const needs: CultureNeeds[] = [];
	// One after the other: a page takes no more connections than it needs.
	for (let ahead = 0; ahead < DATES_AHEAD; ahead += 1) {
		const one = addDays(today, ahead);
		needs.push(
			await cultureNeedsOf(
				db,
				one === date ? day : await loadBakeryDay(db, one, undefined, day.book),
				nowMs
			)
		);
	}
	const [logs, inputs] = await Promise.all([
		loadCulturesOfLog(db, book),
		readWaterInputs(db, day, nowMs)
	]);
	const room = inputs.find(({ quantity }) => quantity === 'room');
	const firstMs = Math.min(...logs.map(({ follow }) => follow?.fedAtMs ?? nowMs), nowMs);
	const trace = await readRoomTrace(db, firstMs, nowMs, room?.reading?.celsius ?? null);
	return {
		date,
		cultures: logs.map((log) => cultureView(log, needs, { nowMs, today, zone })),
		flours: book.ingredients
			.filter(({ ingredient }) => ingredient.kind === 'flour' && !ingredient.retired)
			.map(({ ingredient: { id, name } }) => ({ id, name })),
		places: [...book.places.values()].map(({ id, name, kind, celsius }) => ({
			id,
			name,
			isCold: kind === 'cold',
			celsius
		})),
		room: trace,
		roomCelsius: room?.reading?.celsius ?? room?.unread.celsius ?? day.bakery.assumed.roomCelsius,
		named: namedAir(inputs, trace, nowMs),
		sours: stagedSours(day.production).map(({ last, stages, bread }) => ({
			preparationId: last.preparation.id,
			name: last.preparation.name,
			stages: stages.length,
			bread: bread.resolved.formula.name
		}))
	};
}

interface When {
	readonly nowMs: number;
	readonly today: BakeDate;
	readonly zone: string;
}

function cultureView(log: CultureOfLog, needs: readonly CultureNeeds[], when: When): CultureView {
	const { ingredient, kept } = log;
	const times = feedTimesOf(log, addDays(when.today, -1), DATES_AHEAD + 1, when.zone);
	return {
		ingredientId: ingredient.id,
		name: ingredient.name,
		hydrationPercent: log.hydrationPercent,
		keeping: kept?.keeping ?? null,
		version: kept?.version ?? 0,
		grams: log.grams,
		entries: log.entries.slice(0, ENTRIES_TOLD),
		...needsOfCulture(log, needs, when.nowMs),
		scheduledMs: times.filter((atMs) => atMs > when.nowMs),
		lastScheduledMs: times.findLast((atMs) => atMs <= when.nowMs) ?? null,
		follow: log.follow,
		coldSinceMs: log.coldSinceMs,
		start: log.start
	};
}
