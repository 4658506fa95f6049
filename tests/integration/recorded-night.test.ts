import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { addDays } from '../../src/lib/core/time/index.ts';
import { COMMANDS } from '../../src/lib/server/commands/registry.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readEntries } from '../../src/lib/server/services/read-entries.ts';
import {
	readBench,
	readBenchMoment,
	readNightLog
} from '../../src/lib/server/services/read-bench.ts';
import { readBakeryRoom } from '../../src/lib/server/services/read-bakery-room.ts';
import { readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readCultureLimits } from '../../src/lib/server/services/read-culture-limits.ts';
import { readCultureNotices } from '../../src/lib/server/services/read-culture-notices.ts';
import { NOBODY } from '../../src/lib/server/auth/visitor.ts';
import { readDoors, readOwnDoor } from '../../src/lib/server/services/read-doors.ts';
import { readCultures } from '../../src/lib/server/services/read-cultures.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readChanges } from '../../src/lib/server/services/read-changes.ts';
import { readBringIn } from '../../src/lib/server/services/read-bring-in.ts';
import { readFormula, readOpening } from '../../src/lib/server/services/read-formula.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { readFrame } from '../../src/lib/server/services/read-frame.ts';
import { readIngredient } from '../../src/lib/server/services/read-ingredient.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readOvens } from '../../src/lib/server/services/read-ovens.ts';
import { readTimes } from '../../src/lib/server/services/read-times.ts';
import { readMorning } from '../../src/lib/server/services/read-morning.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readPreparation } from '../../src/lib/server/services/read-preparation.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { readRoomTrace } from '../../src/lib/server/services/read-room-trace.ts';
import { readRunSheet } from '../../src/lib/server/services/read-run-sheet.ts';
import { readWorkAhead, readWorkOn } from '../../src/lib/server/services/read-work-ahead.ts';
import { readSour } from '../../src/lib/server/services/read-sour.ts';
import { readStanding } from '../../src/lib/server/services/read-standing.ts';
import { readStock } from '../../src/lib/server/services/read-stock.ts';
import { readWeighUp } from '../../src/lib/server/services/read-weigh-up.ts';
import {
	readBatchTrace,
	readLotTrace,
	readTraceSearch
} from '../../src/lib/server/services/read-trace.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import {
	BUN_DOUGH,
	nightId,
	playNight,
	POOLISH,
	STICK,
	STICK_DOUGH
} from './recorded-night/night.ts';
import { told } from './recorded-night/told.ts';
import {
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
	NOW_MS,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

/*
 * What every page was given after one eventful night, as it was recorded and read. Whoever means to change it records
 * it anew (JOVET_RECORD=1) and reads the difference: each line of it is something a baker will see.
 */
const RECORDED = path.join(import.meta.dirname, '..', 'fixtures', 'recorded-night');
const RECORDS_ANEW = process.env.JOVET_RECORD === '1';
const MORNING_MS = NOW_MS + 565 * 60_000;

let t: TestDatabase;
let answers: Awaited<ReturnType<typeof playNight>> = [];
before(async () => {
	t = await testDatabase();
	answers = await playNight(t.db);
});
after(() => t.drop());

const DAY_AFTER = addDays(TOMORROW, 1);
/** Without what is the same on every page of the book. */
const alone = <V extends { readonly book: unknown } | null>(view: V) =>
	view && { ...view, book: 'as the opening lists it' };

const PAGES: Readonly<Record<string, () => unknown>> = {
	answers: () => answers,
	frame: async () => [
		await readFrame(t.db, { actor: await headBaker(t.db), session: null }),
		await readNextBake(t.db, { epochMs: MORNING_MS }),
		await readNextBake(t.db, { epochMs: NOW_MS + 2 * 86_400_000 })
	],
	bakery: () => readBakeryRoom(t.db, TOMORROW),
	entries: async () => [
		await readEntries(t.db, TOMORROW, 'place'),
		(await readEntries(t.db, TOMORROW, 'oven')).entries,
		(await readEntries(t.db, TOMORROW, 'person')).entries
	],
	orders: async () => [await readOrders(t.db, TOMORROW), await readOrders(t.db, DAY_AFTER)],
	standing: async () => {
		const { products, stretches, ...view } = await readStanding(t.db, addDays(TOMORROW, 28));
		return {
			...view,
			products: products.length,
			stretches: stretches.filter(({ weekday }) => weekday === 2)
		};
	},
	stock: async () => {
		const { rows, ...view } = await readStock(t.db, TOMORROW);
		const told = ['Bread flour', 'Salt', 'Fresh yeast', 'Linseed'];
		return { ...view, rows: rows.filter(({ name }) => told.includes(name)) };
	},
	'weigh-up': async () => [
		await readWeighUp(
			t.db,
			TOMORROW,
			{ kind: 'preparation', recipeId: POOLISH, ordinal: 1 },
			MORNING_MS
		),
		await readWeighUp(
			t.db,
			TOMORROW,
			{ kind: 'mix', recipeId: STICK_DOUGH, ordinal: 1 },
			MORNING_MS
		),
		await readWeighUp(t.db, TOMORROW, { kind: 'mix', recipeId: LOAF, ordinal: 1 }, MORNING_MS)
	],
	doughs: () => readDoughs(t.db, TOMORROW),
	changes: async () => [
		(await readChanges(t.db, { byId: null, area: null, before: null })).changes.slice(0, 20),
		(await readChanges(t.db, { byId: null, area: 'orders', before: null })).changes.slice(0, 5)
	],
	doors: async () => [
		// The doors know the real clock alone.
		await readDoors(t.db, NOBODY, MORNING_MS).then(({ entries, ...view }) => ({
			...view,
			entries: entries.map(({ act, person, by, about }) => ({ act, person, by, about }))
		})),
		await readOwnDoor(
			t.db,
			{
				session: null,
				actor: { id: demoId('person', 'Ilo Venn'), name: 'Ilo Venn', role: 'baker' }
			},
			MORNING_MS
		)
	],
	cultures: async () => {
		const sour = await readSour(
			t.db,
			TOMORROW,
			demoId('preparation', 'Rye sour, full'),
			MORNING_MS
		);
		return [
			await readCultures(t.db, TOMORROW, MORNING_MS),
			await readCultureLimits(t.db, TOMORROW, MORNING_MS),
			await readCultureNotices(t.db, MORNING_MS),
			sour && { ...sour, ripening: 'as its page tells it' },
			await readSour(t.db, TOMORROW, LEVAIN, MORNING_MS)
		];
	},
	water: async () => [
		await readWater(t.db, TOMORROW, MORNING_MS),
		(await readWater(t.db, DAY_AFTER, MORNING_MS)).inputs
	],
	plan: () => readPlan(t.db, TOMORROW),
	ovens: async () => {
		const { accepted, ...view } = await readOvens(t.db, TOMORROW);
		return { ...view, version: accepted?.number };
	},
	'run-sheet': async () => (await readRunSheet(t.db, TOMORROW, MORNING_MS)).waters,
	bench: async () => {
		const { accepted, mixes, ...view } = await readBench(t.db, TOMORROW, MORNING_MS);
		return [
			{ ...view, mixes: mixes.length, version: accepted?.number },
			await readBenchMoment(t.db, TOMORROW),
			(await readNightLog(t.db, TOMORROW)).entries.filter(({ struck }) => struck !== null)
		];
	},
	trace: async () => {
		const search = await readTraceSearch(t.db, TOMORROW, TOMORROW);
		const mix = search.batches.find(({ kind, state }) => kind === 'mix' && state !== 'planned');
		const flour = demoId('ingredient', 'Bread flour');
		return [
			search.batches.map(({ name, ordinal, kind }) => [name, ordinal, kind]),
			mix && (await readBatchTrace(t.db, mix.id)),
			await readLotTrace(t.db, flour, 'BF 3162')
		];
	},
	times: () => readTimes(t.db, TOMORROW, null),
	morning: async () => {
		const { night, ...view } = await readMorning(t.db, TOMORROW);
		return { ...view, facts: night.facts, struckResults: night.struckResults };
	},
	work: async () => {
		const { nights, ...ahead } = await readWorkAhead(t.db, MORNING_MS);
		const on = await readWorkOn(t.db, TOMORROW);
		return [ahead, nights.map(({ date, number }) => [date, number]), on?.nights.length];
	},
	ripening: async () => [
		await readRipening(t.db, TOMORROW, MORNING_MS),
		await readRipening(t.db, TOMORROW, NOW_MS + 495 * 60_000)
	],
	room: () => readRoomTrace(t.db, NOW_MS, MORNING_MS, 21),
	learned: async () => {
		const views = [];
		for (const formulaId of [HARBOUR_DOUGH, STICK_DOUGH, BUN_DOUGH, null]) {
			const { days, ...view } = await readLearned(
				t.db,
				TOMORROW,
				{ formulaId, mixerId: null },
				MORNING_MS
			);
			views.push({ ...view, days: days.slice(-3) });
		}
		return views;
	},
	formulas: async () => {
		const views: unknown[] = [await readOpening(t.db)];
		for (const name of ['Harbour dough', 'Tidemark dough', 'Slipway dough'])
			views.push(alone(await readFormula(t.db, TOMORROW, demoId('formula', name))));
		const compared = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH, { from: 1, to: 2 });
		return [...views, compared?.comparison, await readFormula(t.db, TOMORROW, LOAF)];
	},
	bringIn: async () => {
		const { ours } = await readBringIn(t.db, TOMORROW);
		const names = (all: readonly { readonly name: string }[]) => all.map(({ name }) => name);
		const { ingredients, preparations, formulas, products } = ours.file;
		return [ours.matched, ...[ingredients, preparations, formulas, products].map(names)];
	},
	builds: async () => [
		alone(await readPreparation(t.db, TOMORROW, LEVAIN)),
		alone(await readPreparation(t.db, TOMORROW, POOLISH)),
		alone(await readPreparation(t.db, TOMORROW, nightId('build'))),
		alone(await readPreparation(t.db, TOMORROW, nightId('own levain'))),
		alone(await readPreparation(t.db, TOMORROW, null))
	],
	products: async () => [
		alone(await readProduct(t.db, TOMORROW, LOAF)),
		alone(await readProduct(t.db, TOMORROW, demoId('product', 'Lamp bun'))),
		alone(await readProduct(t.db, TOMORROW, STICK)),
		alone(await readProduct(t.db, TOMORROW, nightId('product'))),
		alone(await readProduct(t.db, TOMORROW, null))
	],
	ingredients: async () => [
		alone(await readIngredient(t.db, TOMORROW, demoId('ingredient', 'Butter'))),
		alone(await readIngredient(t.db, TOMORROW, demoId('ingredient', 'Light rye flour'))),
		alone(await readIngredient(t.db, TOMORROW, nightId('buttermilk'))),
		alone(await readIngredient(t.db, TOMORROW, null))
	]
};

for (const [name, read] of Object.entries(PAGES))
	test(`${name}: what is told after the night is what was recorded`, async () => {
		const file = path.join(RECORDED, `${name}.json`);
		const now = await told(await read());
		if (RECORDS_ANEW) writeFileSync(file, now);
		assert.equal(now, readFileSync(file, 'utf8'));
	});

test('every service that a page reads from is recorded', () => {
	const services = readdirSync('src/lib/server/services').filter((file) =>
		file.startsWith('read-')
	);
	const imported = readFileSync(import.meta.filename, 'utf8');
	assert.ok(services.length > 10);
	for (const file of services) assert.ok(imported.includes(`services/${file}`), file);
});

test('every kind of command is given in the night', () => {
	const given = new Set(answers.map(([, kind]) => kind));
	for (const { kind } of COMMANDS) assert.ok(given.has(kind), kind);
});
