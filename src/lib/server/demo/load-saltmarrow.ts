import { ALL_WEEKDAYS } from '../../core/bakery/index.ts';
import {
	addDays,
	bakeryTime,
	wallTimeOf,
	weekdayOf,
	type BakeDate,
	type BakeryClock
} from '../../core/time/index.ts';
import { insertBakery, loadBakery, setClock } from '../db/bakery.ts';
import type { Db, Tx } from '../db/client.ts';
import { insertCommand } from '../db/command-log.ts';
import { FROM_THE_BEGINNING, insertEntryRevision } from '../db/entries.ts';
import { insertOrderChanges, putOrderLines, type OrderChange } from '../db/orders.ts';
import {
	insertStandingChanges,
	lockStanding,
	replaceStretches,
	updateStandingVersion,
	type StandingRow
} from '../db/standing-orders.ts';
import { insertCultureEntry, putCulture } from '../db/cultures.ts';
import { insertStockEntry, lockKeeping, updateKeeping } from '../db/stock.ts';
import { FIRST_SETTINGS } from '../services/first-bakery.ts';
import { USUAL_JAR_MINUTES } from '../services/cultures.ts';
import { CULTURE_HOURS, CULTURES, CULTURES_STAND } from './cultures.ts';
import { demoId } from './demo-id.ts';
import { loadWaysIn } from './demo-people.ts';
import { demoPlaceId } from './demo-place.ts';
import { COUNTED, RECEIVED } from './stock.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { ENTRIES } from './entries.ts';
import { loadHistory, NIGHTS_OF_HISTORY } from './history.ts';
import { HEAD_BAKER } from './people.ts';
import { loadBook } from './load-book.ts';
import { marketDateAfter, MARKET_ORDERS, standingOn } from './orders.ts';

/**
 * Loads the Saltmarrow Bakehouse into an empty database, its orders around the date its clock shows.
 * Gives false and changes nothing when a bakery is there already.
 */
export async function loadSaltmarrow(
	db: Db,
	clock: BakeryClock,
	realNowMs: number
): Promise<boolean> {
	return db.transaction().execute(async (tx) => {
		if (await loadBakery(tx)) return false;
		const now = bakeryTime(clock, { epochMs: realNowMs });
		const today = wallTimeOf(now, DEMO_ZONE).date;
		const commandId = demoId('command', 'load demo');
		await setClock(tx, clock);
		await loadBakehouse(tx, now.epochMs);
		await loadWaysIn(tx);
		await loadBook(tx, { madeBy: demoId('person', HEAD_BAKER), occurredAtMs: now.epochMs }, today);
		await loadStockOfDemo(tx, commandId, now.epochMs);
		await loadCulturesOfDemo(tx, commandId, now.epochMs);
		const lines = await loadOrders(tx, today, commandId);
		await loadHistory(tx, now.epochMs, commandId);
		await insertCommand(tx, {
			id: commandId,
			kind: 'load-demo',
			actorId: demoId('person', HEAD_BAKER),
			occurredAtMs: now.epochMs,
			request: { kind: 'load-demo' },
			answer: { lines }
		});
		return true;
	});
}

async function loadBakehouse(tx: Tx, occurredAtMs: number): Promise<void> {
	await insertBakery(tx, {
		...FIRST_SETTINGS,
		name: 'Saltmarrow Bakehouse',
		time_zone: DEMO_ZONE,
		mass_units: 'metric',
		temperature_units: 'celsius',
		currency: '€'
	});
	const by = { madeBy: demoId('person', HEAD_BAKER), occurredAtMs };
	for (const entry of ENTRIES)
		await insertEntryRevision(
			tx,
			{ ...entry, number: 1, appliesFrom: FROM_THE_BEGINNING, retired: false },
			by
		);
}

/** What came in the last weeks, what was counted an hour ago, and whom it comes from. */
async function loadStockOfDemo(tx: Tx, commandId: string, nowMs: number): Promise<void> {
	const actorId = demoId('person', HEAD_BAKER);
	for (const [ingredient, lot, kilograms, daysAgo] of RECEIVED)
		await insertStockEntry(tx, {
			id: demoId('delivery', lot),
			ingredientId: demoId('ingredient', ingredient),
			kind: 'received',
			grams: kilograms * 1000,
			lot,
			note: '',
			commandId,
			occurredAtMs: nowMs - daysAgo * 86_400_000
		});
	for (const [ingredient, kilograms, supplier, packKilograms] of COUNTED) {
		const ingredientId = demoId('ingredient', ingredient);
		await insertStockEntry(tx, {
			id: demoId('stock', ingredient),
			ingredientId,
			kind: 'counted',
			grams: kilograms * 1000,
			lot: '',
			note: '',
			commandId,
			occurredAtMs: nowMs - 3_600_000
		});
		await lockKeeping(tx, ingredientId, actorId);
		await updateKeeping(tx, ingredientId, {
			supplierId: demoId('supplier', supplier),
			packGrams: packKilograms * 1000,
			leastGrams: 0,
			version: 1,
			changedBy: actorId
		});
	}
}

/** How each culture is kept, and what was kept back of it last night. */
async function loadCulturesOfDemo(tx: Tx, commandId: string, nowMs: number): Promise<void> {
	const changedBy = demoId('person', HEAD_BAKER);
	for (const culture of CULTURES) {
		const ingredientId = demoId('ingredient', culture.name);
		await putCulture(
			tx,
			ingredientId,
			{
				ratio: culture.ratio,
				flours: culture.flours.map(([name, parts]) => ({
					flourId: demoId('ingredient', name),
					parts
				})),
				placeId: demoPlaceId(CULTURES_STAND.place),
				restPlaceId: demoPlaceId(CULTURES_STAND.rest),
				timeConstantMinutes: USUAL_JAR_MINUTES,
				fedCelsius: culture.fedCelsius,
				clock: culture.clock,
				keepGrams: culture.keepGrams,
				feedTimes: [],
				coldDays: 4,
				refreshes: 2
			},
			{ version: 1, changedBy }
		);
		const entry = (what: keyof typeof CULTURE_HOURS) => ({
			id: demoId('culture', `${culture.name} ${what}`),
			ingredient_id: ingredientId,
			command_id: commandId,
			occurred_at: new Date(nowMs - CULTURE_HOURS[what] * 3_600_000)
		});
		await insertCultureEntry(tx, {
			...entry('weighed'),
			kind: 'counted',
			amount_g: culture.jarGrams
		});
		await insertCultureEntry(tx, {
			...entry('keptBack'),
			kind: 'kept-back',
			amount_g: culture.keptBackGrams
		});
		await insertCultureEntry(tx, {
			...entry('putAway'),
			kind: 'moved',
			place_id: demoPlaceId(CULTURES_STAND.rest)
		});
	}
}

/** Orders that stand by weekday since the first night, and those of the market; gives how many lines. */
async function loadOrders(tx: Tx, today: BakeDate, commandId: string): Promise<number> {
	const rows = ALL_WEEKDAYS.flatMap((weekday) =>
		standingOn(weekday).map(([product, drop, pieces]): StandingRow => ({
			dropId: demoId('drop', drop),
			productId: demoId('product', product),
			weekday,
			fromDate: addDays(today, -NIGHTS_OF_HISTORY),
			untilDate: null,
			pieces
		}))
	);
	for (const row of rows) {
		await lockStanding(tx, row, demoId('person', HEAD_BAKER));
		await updateStandingVersion(tx, row, { version: 1, changedBy: demoId('person', HEAD_BAKER) });
	}
	await replaceStretches(tx, [], rows);
	await insertStandingChanges(tx, rows, commandId);
	const changes = marketChanges(today);
	await putOrderLines(tx, changes, demoId('person', HEAD_BAKER));
	await insertOrderChanges(tx, changes, commandId);
	return rows.length + changes.length;
}

/** The market's own numbers, and none of what stands ordered on other Saturdays beside them. */
function marketChanges(today: BakeDate): readonly OrderChange[] {
	const date = marketDateAfter(today);
	const isOfMarket = (product: string, drop: string) =>
		MARKET_ORDERS.some(([name, to]) => name === product && to === drop);
	const notThen = standingOn(weekdayOf(date)).filter(
		([product, drop]) => !isOfMarket(product, drop)
	);
	return [...MARKET_ORDERS, ...notThen.map(([product, drop]) => [product, drop, 0] as const)].map(
		([product, drop, pieces]) => ({
			date,
			dropId: demoId('drop', drop),
			productId: demoId('product', product),
			before: 0,
			after: pieces,
			leftToStanding: false
		})
	);
}
