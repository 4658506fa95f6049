import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { addDays, type BakeDate } from '../src/lib/core/time/index.ts';
import type { Db } from '../src/lib/server/db/client.ts';
import { loadBakery } from '../src/lib/server/db/bakery.ts';
import { loadEntries } from '../src/lib/server/db/entries.ts';
import { loadFormulaBook } from '../src/lib/server/db/formula-book.ts';
import { latestOtherDateWithOrders, loadOrderLines } from '../src/lib/server/db/orders.ts';
import { loadBatchesOn, loadLeadsOn } from '../src/lib/server/db/batches.ts';
import { loadObservations } from '../src/lib/server/db/batch-log.ts';
import { loadNewestPlan } from '../src/lib/server/db/plans.ts';
import {
	loadRoomReadings,
	loadSensorsNow,
	loadTemperatureDays
} from '../src/lib/server/db/devices.ts';
import { loadNewestReadings } from '../src/lib/server/db/readings.ts';
import { newestPlanNumber } from '../src/lib/server/db/plans.ts';
import { loadMixedOn } from '../src/lib/server/db/batch-log-standing.ts';
import { loadWorkEntries, tappedBefore } from '../src/lib/server/db/work.ts';
import { loadProofsLookedAt, loadResults, loadWeighedBaked } from '../src/lib/server/db/results.ts';
import { countTimes, loadTimes } from '../src/lib/server/db/work-timed.ts';
import { readMorning } from '../src/lib/server/services/read-morning.ts';
import { readTimes } from '../src/lib/server/services/read-times.ts';
import { readBench, readBenchMoment, readNightLog } from '../src/lib/server/services/read-bench.ts';
import { readDoughs } from '../src/lib/server/services/read-doughs.ts';
import { readLearned } from '../src/lib/server/services/read-learned.ts';
import { readOrders } from '../src/lib/server/services/read-orders.ts';
import { readPlan } from '../src/lib/server/services/read-plan.ts';
import { demoId } from '../src/lib/server/demo/demo-id.ts';
import { readRipening } from '../src/lib/server/services/read-ripening.ts';
import { loadStandingFrom, loadStandingVersions } from '../src/lib/server/db/standing-orders.ts';
import { loadStock } from '../src/lib/server/db/stock.ts';
import { readStanding } from '../src/lib/server/services/read-standing.ts';
import { loadCultureEntries, loadCultureUses } from '../src/lib/server/db/cultures.ts';
import { readCultures } from '../src/lib/server/services/read-cultures.ts';
import { readStock } from '../src/lib/server/services/read-stock.ts';
import { readWater } from '../src/lib/server/services/read-water.ts';
import { NOW_MS, TOMORROW } from '../tests/integration/test-database.ts';
import { mediansInTurns, type Figure } from './measure.ts';
import { growNights } from './nights.ts';

const ROUNDS = 60;
const YEARS_OF_HISTORY = 5;
/** After so many nights the newest readings of each dough are all that anything is learned from. */
const NIGHTS_THAT_COUNT = 40;

/** Each page against its bare queries, on the demo and with years of orders and readings behind it. */
export async function measurePages(young: Db, old: Db): Promise<readonly Figure[]> {
	await growHistory(old);
	const figures: Figure[] = [];
	for (const { what, page, queries, committedRatio = 2.5 } of PAGES)
		for (const [db, suffix] of [
			[young, ''],
			[old, ` after ${YEARS_OF_HISTORY} years`]
		] as const) {
			const [ms, baselineMs] = await mediansInTurns(
				() => page(db),
				() => queries(db),
				ROUNDS
			);
			figures.push({
				what: what + suffix,
				ms,
				baseline: 'bare queries',
				baselineMs,
				committedRatio
			});
		}
	// From here on there is as much to learn from as ever counts, so that years can only add what is read in vain.
	await growNights(young, NIGHTS_THAT_COUNT);
	for (const { what, page } of PAGES) {
		const [ms, baselineMs] = await mediansInTurns(
			() => page(old),
			() => page(young),
			ROUNDS
		);
		const baseline = `the same page after ${NIGHTS_THAT_COUNT} nights`;
		const years = `${what}: ${YEARS_OF_HISTORY} years against ${NIGHTS_THAT_COUNT} nights`;
		figures.push({ what: years, ms, baseline, baselineMs, committedRatio: 1.3 });
	}
	return figures;
}

const EMPTY = '2040-01-01' as BakeDate;
const READINGS = (['room', 'flour', 'tap'] as const).map((quantity) => ({
	quantity,
	preparationId: null,
	placeId: null
}));

const FORMULAS = ['Harbour dough', 'Stick dough', 'Lantern rye', 'School bun dough'].map((name) =>
	demoId('formula', name)
);

const PRODUCT = demoId('product', 'Harbour loaf');

function bookAndOrders(db: Db, date: BakeDate) {
	return Promise.all([loadBakery(db, date), loadFormulaBook(db), loadOrderLines(db, date)]);
}
function dayQueries(db: Db, date: BakeDate = TOMORROW) {
	return Promise.all([bookAndOrders(db, date), loadEntries(db, date), loadBatchesOn(db, date)]);
}

/** What a plan takes from the log, besides. */
async function plannedQueries(db: Db): Promise<void> {
	await dayQueries(db);
	await Promise.all([
		loadObservations(db, FORMULAS),
		loadTimes(db, FORMULAS),
		loadProofsLookedAt(db)
	]);
}

export const PAGES: readonly {
	readonly what: string;
	readonly page: (db: Db) => Promise<unknown>;
	readonly queries: (db: Db) => Promise<unknown>;
	/** Where a page works out more than it reads. */
	readonly committedRatio?: number;
}[] = [
	{
		what: 'orders',
		page: (db) => readOrders(db, TOMORROW),
		queries: plannedQueries
	},
	{
		what: 'orders, empty date',
		page: (db) => readOrders(db, EMPTY),
		queries: async (db) => {
			await dayQueries(db, EMPTY);
			await latestOtherDateWithOrders(db, EMPTY);
		},
		committedRatio: 3
	},
	{
		what: 'standing orders',
		page: (db) => readStanding(db, TOMORROW),
		queries: (db) =>
			Promise.all([loadFormulaBook(db), loadStandingFrom(db, TOMORROW), loadStandingVersions(db)])
	},
	{
		what: 'stock, a week ahead',
		page: (db) => readStock(db, TOMORROW),
		queries: async (db) => {
			await loadStock(db);
			for (let day = 0; day < 7; day += 1) await dayQueries(db, addDays(TOMORROW, day));
		}
	},
	{
		what: 'cultures, a week ahead',
		page: (db) => readCultures(db, TOMORROW, NOW_MS),
		queries: async (db) => {
			const cultures = ['Rye culture', 'Wheat culture'].map((name) => demoId('ingredient', name));
			await loadCultureEntries(db, cultures);
			await loadCultureUses(db, cultures);
			for (let day = -1; day < 6; day += 1) await dayQueries(db, addDays(TOMORROW, day));
		},
		// Every culture is followed from its last feed, over a week.
		committedRatio: 5
	},
	{
		what: 'bench',
		page: (db) => readBench(db, TOMORROW, NOW_MS),
		queries: async (db) => {
			await dayQueries(db);
			await loadNewestReadings(db, READINGS, NOW_MS);
			await loadSensorsNow(db);
			await loadObservations(db, FORMULAS);
		}
	},
	{
		what: 'bench, what was tapped',
		page: (db) => readBenchMoment(db, TOMORROW),
		queries: (db) =>
			Promise.all([
				newestPlanNumber(db, TOMORROW),
				loadWorkEntries(db, TOMORROW),
				tappedBefore(db, TOMORROW),
				loadMixedOn(db, TOMORROW)
			])
	},
	{ what: 'doughs', page: (db) => readDoughs(db, TOMORROW), queries: plannedQueries },
	{
		what: 'water',
		page: (db) => readWater(db, TOMORROW, NOW_MS),
		queries: async (db) => {
			await dayQueries(db);
			await loadNewestReadings(db, READINGS, NOW_MS);
			await loadSensorsNow(db);
			await loadObservations(db, FORMULAS);
		}
	},
	{
		what: 'ripening',
		page: (db) => readRipening(db, TOMORROW, NOW_MS),
		queries: async (db) => {
			await dayQueries(db);
			await loadObservations(db, FORMULAS);
			await loadRoomReadings(db, NOW_MS - 43_200_000, NOW_MS);
		}
	},
	{
		what: 'learned',
		page: (db) =>
			readLearned(db, TOMORROW, { formulaId: FORMULAS[0] ?? null, mixerId: null }, NOW_MS),
		queries: async (db) => {
			await loadFormulaBook(db);
			await loadObservations(db, FORMULAS);
			await loadTemperatureDays(db, addDays(TOMORROW, -400), TOMORROW);
		},
		// What was believed after each of forty mixes is worked out, not read.
		committedRatio: 9
	},
	{
		what: 'learned, times',
		page: (db) => readTimes(db, TOMORROW, PRODUCT),
		queries: async (db) => {
			await loadFormulaBook(db);
			await loadEntries(db, TOMORROW, ['oven', 'mixer']);
			await countTimes(db, [PRODUCT]);
			await Promise.all([loadTimes(db, [PRODUCT]), loadProofsLookedAt(db), loadWeighedBaked(db)]);
		}
	},
	{
		what: 'log',
		page: (db) => readNightLog(db, TOMORROW),
		queries: (db) =>
			Promise.all([
				plannedQueries(db),
				loadLeadsOn(db, TOMORROW),
				loadNewestPlan(db, TOMORROW),
				loadWorkEntries(db, TOMORROW),
				loadResults(db, TOMORROW)
			])
	},
	{
		what: 'morning',
		page: (db) => readMorning(db, TOMORROW),
		queries: async (db) => {
			await Promise.all([dayQueries(db), dayQueries(db, addDays(TOMORROW, 1))]);
			await Promise.all([loadNewestPlan(db, TOMORROW), loadObservations(db, FORMULAS)]);
			await Promise.all([loadProofsLookedAt(db), loadWeighedBaked(db), loadTimes(db, FORMULAS)]);
		},
		// What was believed of a dough's friction before the night and after it is worked out, not read.
		committedRatio: 4
	},
	{
		what: 'plan',
		page: (db) => readPlan(db, TOMORROW),
		queries: (db) =>
			Promise.all([plannedQueries(db), loadLeadsOn(db, TOMORROW), loadNewestPlan(db, TOMORROW)])
	}
];

/** Orders of every day, a reading every quarter of an hour, typed and by a probe, and measured doughs, for years back. */
async function growHistory(db: Db): Promise<void> {
	const days = YEARS_OF_HISTORY * 365;
	const first = addDays(TOMORROW, -days - 1);
	await sql`insert into order_line (bake_date, drop_id, product_id, pieces, changed_by)
		select ${first}::date + n, o.drop_id, o.product_id, o.pieces, s.changed_by
		from standing_stretch o join standing_order s using (drop_id, product_id), generate_series(0, ${days - 1}) n
		where o.weekday = extract(isodow from ${first}::date + n) on conflict do nothing`.execute(db);
	// What stands ordered was another number each quarter of a year.
	await sql`insert into standing_stretch (drop_id, product_id, weekday, from_date, until_date, pieces)
		select drop_id, product_id, weekday, ${first}::date + q * 90 - 90, ${first}::date + q * 90 - 1, 1 + (pieces + q) % 99
		from standing_stretch, generate_series(0, ${Math.floor(days / 90) - 2}) q`.execute(db);
	const command = randomUUID();
	await db.transaction().execute(async (tx) => {
		await sql`insert into command (id, kind, actor_id, occurred_at, request, answer)
			select ${command}, 'history', id, now(), '{}', '{}' from bakery_entry where kind = 'person' limit 1`.execute(
			tx
		);
		await sql`insert into reading (id, command_id, quantity, celsius, instrument, occurred_at)
			select gen_random_uuid(), ${command}, (array['room', 'flour', 'tap'])[1 + n % 3], 15 + n % 10, 'typed',
			${first}::date + n * interval '5 minutes' from generate_series(1, ${days * 96}) n`.execute(tx);
	});
	await growNights(db, days);
	await db.transaction().execute(async (tx) => {
		await sql`insert into stock_entry (id, ingredient_id, kind, amount_g, command_id, occurred_at)
			select gen_random_uuid(), i.id, (array['counted', 'received', 'taken-out'])[1 + n % 3], 20000, ${command},
			${first}::date + n * interval '2 days' from ingredient i, generate_series(1, ${Math.floor(days / 2) - 2}) n`.execute(
			tx
		);
		await sql`insert into stock_use (batch_id, ingredient_id, amount_g, occurred_at)
			select b.id, i.id, 1200, b.bake_date::timestamptz from batch b, lateral (select id from ingredient
			order by id limit 8) i where b.kind = 'mix' on conflict do nothing`.execute(tx);
	});
	const [device, sensor] = [randomUUID(), randomUUID()];
	await sql`insert into device (id, name, key_sha256) values (${device}, 'Old probe', ${'0'.repeat(64)})`.execute(
		db
	);
	await sql`insert into device_sensor (id, device_id, name, kind, report_every_s)
		values (${sensor}, ${device}, 'Room', 'room-probe', 900)`.execute(db);
	await sql`insert into device_reading (id, sensor_id, celsius, measured_at)
		select gen_random_uuid(), ${sensor}, 20 + n % 7, ${first}::date + n * interval '15 minutes'
		from generate_series(1, ${days * 96}) n`.execute(db);
	await sql`vacuum analyze`.execute(db);
}
