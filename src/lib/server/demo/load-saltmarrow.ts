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
import { insertOrderChanges, putOrderLines } from '../db/orders.ts';
import { FIRST_SETTINGS } from '../services/first-bakery.ts';
import { demoId } from './demo-id.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { ENTRIES } from './entries.ts';
import { loadHistory, NIGHTS_OF_HISTORY } from './history.ts';
import { HEAD_BAKER } from './people.ts';
import { loadBook } from './load-book.ts';
import {
	marketDateAfter,
	MARKET_ORDERS,
	piecesOn,
	WEEKDAY_ORDERS,
	WEEKDAY_SPECIALS
} from './orders.ts';

/** Orders reach from the first night of the history this many days past today. */
const DAYS_AHEAD = 14;

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
		await loadBook(tx, { madeBy: demoId('person', HEAD_BAKER), occurredAtMs: now.epochMs }, today);
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

/** Orders of the nights behind and of the days to come; gives how many lines. */
async function loadOrders(tx: Tx, today: BakeDate, commandId: string): Promise<number> {
	const days = Array.from({ length: NIGHTS_OF_HISTORY + DAYS_AHEAD }, (_, day) =>
		addDays(today, day - NIGHTS_OF_HISTORY)
	);
	const market = marketDateAfter(today);
	const changes = days.flatMap((date) => {
		if (date === market) return MARKET_ORDERS.map((line) => orderOn(date, line));
		const weekday = weekdayOf(date);
		const specials = WEEKDAY_SPECIALS.filter(([day]) => day === weekday);
		return [
			...WEEKDAY_ORDERS.map(
				([product, drop, pieces]) => [product, drop, piecesOn(weekday, drop, pieces)] as const
			),
			...specials.map(([, product, drop, pieces]) => [product, drop, pieces] as const)
		]
			.filter(([, , pieces]) => pieces > 0)
			.map((line) => orderOn(date, line));
	});
	await putOrderLines(tx, changes, demoId('person', HEAD_BAKER));
	await insertOrderChanges(tx, changes, commandId);
	return changes.length;
}

function orderOn(
	date: BakeDate,
	[product, drop, pieces]: readonly [product: string, drop: string, pieces: number]
) {
	return {
		date,
		dropId: demoId('drop', drop),
		productId: demoId('product', product),
		before: 0,
		after: pieces
	};
}
