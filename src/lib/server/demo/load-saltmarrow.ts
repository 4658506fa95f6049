import { MOST_CAUSTIC_SHARE } from '../../core/formula/index.ts';
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
import { insertEquipment } from '../db/equipment.ts';
import { insertOrderChanges, putOrderLines } from '../db/orders.ts';
import { insertPeople } from '../db/people.ts';
import { putPlace } from '../db/places.ts';
import { putRetarder } from '../db/retarders.ts';
import { demoId } from './demo-id.ts';
import { demoPlaceId } from './demo-place.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { DIVIDERS, PLACES, RETARDERS, VESSELS } from './equipment.ts';
import { loadHistory, NIGHTS_OF_HISTORY } from './history.ts';
import { loadBook } from './load-book.ts';
import { DROPS, piecesOn, WEEKDAY_ORDERS, WEEKDAY_SPECIALS } from './orders.ts';
import { SCALES } from './pantry.ts';

const HEAD_BAKER = 'Maud Tarrow';

/** Orders reach from the first night of the history this many days past today. */
const DAYS_AHEAD = 8;

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
		await loadBakehouse(tx);
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

async function loadBakehouse(tx: Tx): Promise<void> {
	await insertBakery(tx, {
		id: true,
		name: 'Saltmarrow Bakehouse',
		time_zone: DEMO_ZONE,
		mass_units: 'metric',
		temperature_units: 'celsius',
		oven_recovery_minutes: 10,
		assumed_tap_celsius: 12,
		hot_tap_celsius: 55,
		hottest_water_celsius: 40,
		ice_celsius: 0,
		ice_most_share: 0.15,
		ice_form: 'cubes',
		chilled_water_celsius: null,
		water_school: 'heat-balance',
		factor_counts_soakers: false,
		currency: '€',
		caustic_most_share: MOST_CAUSTIC_SHARE,
		row_version: 1
	});
	await insertPeople(tx, [
		{ id: demoId('person', HEAD_BAKER), name: HEAD_BAKER, role: 'head-baker' },
		{ id: demoId('person', 'Ilo Venn'), name: 'Ilo Venn', role: 'baker' }
	]);
	await insertEquipment(tx, {
		scales: SCALES.map(({ name, capacity, division }) => ({
			id: demoId('scale', name),
			name,
			capacity_g: capacity,
			division_g: division
		})),
		dividers: DIVIDERS.map(({ name, heads, leastPiece, mostPiece }) => ({
			id: demoId('divider', name),
			name,
			heads,
			least_piece_g: leastPiece,
			most_piece_g: mostPiece
		})),
		vessels: VESSELS.map(({ name, owned, millilitres }) => ({
			id: demoId('vessel', name),
			name,
			owned,
			volume_ml: millilitres
		})),
		mixers: [
			{
				id: demoId('mixer', 'Spiral mixer'),
				name: 'Spiral mixer',
				least_dough_g: 5000,
				most_dough_g: 32_000,
				bowl_kj_per_k: 9
			}
		],
		decks: ['Deck 1', 'Deck 2'].map((name, index) => ({
			id: demoId('deck', name),
			name,
			ordinal: index + 1
		})),
		drops: DROPS.map(({ name, dueTime }) => ({
			id: demoId('drop', name),
			name,
			due_time: dueTime,
			retired_at: null
		}))
	});
	for (const place of PLACES) await putPlace(tx, { ...place, id: demoPlaceId(place.name) });
	for (const { name, retarder } of RETARDERS)
		await putRetarder(tx, { ...retarder, id: demoId('retarder', name), name });
}

/** Orders of the nights behind and of the days to come; gives how many lines. */
async function loadOrders(tx: Tx, today: BakeDate, commandId: string): Promise<number> {
	const days = Array.from({ length: NIGHTS_OF_HISTORY + DAYS_AHEAD }, (_, day) =>
		addDays(today, day - NIGHTS_OF_HISTORY)
	);
	const changes = days.flatMap((date) => {
		const weekday = weekdayOf(date);
		const specials = WEEKDAY_SPECIALS.filter(([day]) => day === weekday);
		return [
			...WEEKDAY_ORDERS.map(
				([product, drop, pieces]) => [product, drop, piecesOn(weekday, drop, pieces)] as const
			),
			...specials.map(([, product, drop, pieces]) => [product, drop, pieces] as const)
		]
			.filter(([, , pieces]) => pieces > 0)
			.map(([product, drop, pieces]) => ({
				date,
				dropId: demoId('drop', drop),
				productId: demoId('product', product),
				before: 0,
				after: pieces
			}));
	});
	await putOrderLines(tx, changes, demoId('person', HEAD_BAKER));
	await insertOrderChanges(tx, changes, commandId);
	return changes.length;
}
