import { ENTRY_PATHS } from '../../src/lib/contracts/entry-paths.ts';
import { randomUUID } from 'node:crypto';
import { SHEETS } from '../../src/lib/contracts/sheet-paths.ts';
import { STARTERS } from '../../src/lib/contracts/starters.ts';
import { newPlacement } from '../integration/placement.ts';
import {
	batchOf,
	FERRY,
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
	TOMORROW
} from '../integration/test-database.ts';
import { ingredientContent } from '../integration/ingredient-content.ts';
import { addDays, type BakeDate } from '../../src/lib/core/time/index.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { demoPlaceId } from '../../src/lib/server/demo/demo-place.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import type { Pool } from './generate.ts';
import { ENTRY_KINDS, type EntryKind } from '../../src/lib/core/bakery/index.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import { broughtIn } from './brought-in.ts';
import { resultsOf, tapsOf, timesOf } from './told-at-the-bench.ts';

const FRIDGE = demoPlaceId('Ingredient fridge');

/** Every id of the database by what a command calls it. */
export async function poolOf(db: Db, nowMs: number): Promise<Pool> {
	const idsOf = async (table: 'device' | 'device_sensor' | 'batch' | 'reading') =>
		(await db.selectFrom(table).select('id').limit(200).execute()).map((row) => row.id);
	const [book, bakery, devices, sensors, batches, readings] = await Promise.all([
		loadFormulaBook(db),
		loadEntries(db, 'newest'),
		idsOf('device'),
		idsOf('device_sensor'),
		idsOf('batch'),
		idsOf('reading')
	]);
	const named = (kind: EntryKind) => bakery.all(kind).map((entry) => entry.id);
	const entries = await db.selectFrom('batch_event').select('id').limit(200).execute();
	const formulaId = book.formulas.map(({ formula }) => formula.id);
	const preparationId = [...book.preparations.keys()];
	return {
		nowMs,
		ids: {
			formulaId,
			preparationId,
			copyOf: preparationId,
			productId: book.products.map(({ product }) => product.id),
			ingredientId: [...book.pantry.ingredients.keys()],
			entityId: [...formulaId, ...preparationId],
			mixerId: named('mixer'),
			dropId: named('drop'),
			retarderId: named('place'),
			scaleId: named('scale'),
			dividerId: named('divider'),
			vesselId: named('vessel'),
			deviceId: devices,
			sensorId: sensors,
			batchId: batches,
			correctsId: readings,
			placeId: named('place'),
			entryId: [...entries.map((row) => row.id), ...ENTRY_KINDS.flatMap(named)],
			personId: named('person'),
			// A key that opens nothing and a code that pairs nothing are pages too.
			keyId: ['opens-nothing'],
			codeId: ['AAAA2222'],
			whatId: ['mix', 'preparation'],
			recipeId: [...formulaId.slice(0, 1), ...preparationId.slice(0, 1)],
			ordinalId: ['1'],
			sheetId: SHEETS.filter((sheet) => sheet !== 'night'),
			atId: ['mixer', 'oven', ...named('person')],
			sectionId: [...Object.values(ENTRY_PATHS), 'water', 'devices'],
			observationId: entries.map((row) => row.id)
		}
	};
}

/** Commands that the bakery as it stands would take: what is changed a little is let in further than what is made up. */
export async function corpusOf(db: Db): Promise<readonly Readonly<Record<string, unknown>>[]> {
	const book = await loadFormulaBook(db);
	const formulas = book.formulas.map(
		({ formula, number, targetCelsius, mostDoughGrams, steps }) => ({
			kind: 'save-formula',
			formulaId: formula.id,
			expectedRevision: number,
			name: formula.name,
			doughLossShare: formula.doughLoss.share,
			targetCelsius,
			mostDoughGrams,
			steps,
			deliveries: formula.deliveries,
			lines: formula.lines,
			preparations: formula.lines.flatMap(({ material }) => {
				const taken =
					material.kind === 'preparation'
						? book.preparations.get(material.preparationId)
						: undefined;
				return taken
					? [
							{
								preparationId: taken.preparation.id,
								expectedRevision: taken.number,
								newName: null,
								copyOf: null,
								lines: taken.preparation.lines
							}
						]
					: [];
			})
		})
	);
	const preparations = [...book.preparations.values()].map(({ preparation, number, steps }) => ({
		kind: 'save-preparation',
		preparationId: preparation.id,
		expectedRevision: number,
		name: preparation.name,
		preparationKind: preparation.kind,
		buildLossShare: preparation.buildLoss.share,
		takeBackGrams: preparation.takeBackGrams,
		bath: preparation.bath ?? null,
		lines: preparation.lines,
		steps
	}));
	const products = book.products.map((revision) => ({
		kind: 'save-product',
		...revision,
		productId: revision.product.id,
		expectedRevision: revision.number,
		name: revision.product.name,
		doughs: revision.product.doughs.map((dough) => ({
			formulaId: dough.formulaId,
			scaledGrams: dough.scaledWeight.grams
		})),
		extras: revision.product.extras.map(({ use, material, amount, forPieces }) => ({
			use,
			material,
			grams: amount.grams,
			forPieces
		}))
	}));
	const bakery = await loadEntries(db, 'newest');
	const entries = ENTRY_KINDS.flatMap((kind) =>
		bakery.all(kind).map((entry) => ({
			kind: 'save-entry',
			entryId: entry.id,
			expectedNumber: entry.number,
			name: entry.name,
			appliesFrom: entry.appliesFrom,
			retired: entry.retired,
			entryKind: kind,
			content: entry.content
		}))
	);
	const settings = {
		kind: 'save-bakery',
		name: 'Saltmarrow Bakehouse',
		timeZone: 'Europe/London',
		currency: '€',
		altitudeMetres: 120,
		weighMinutes: 5,
		expectedVersion: 1
	};
	const starters = STARTERS.map((starter) => ({
		kind: 'begin-starter',
		starter,
		formulaId: randomUUID(),
		name: `Plain ${starter}`,
		productId: randomUUID(),
		productName: `Plain ${starter} piece`
	}));
	const supply = {
		kind: 'set-supply',
		iceForm: 'flakes',
		iceMostShare: 0.12,
		iceCelsius: -3,
		chilledCelsius: 5,
		hotTapCelsius: 52,
		hottestWaterCelsius: 38,
		expectedVersion: 2
	};
	const ingredients = await Promise.all(
		['Butter', 'Bread flour'].map(async (name) => ({
			kind: 'save-ingredient',
			...(await ingredientContent(db, name))
		}))
	);
	const probes = {
		kind: 'register-device',
		deviceId: randomUUID(),
		name: 'Probes of the bench',
		keySha256: '0'.repeat(64),
		sensors: [
			{ id: randomUUID(), name: 'core', kind: 'core-probe', placeId: null, reportEverySeconds: 60 }
		]
	};
	return [
		...(await nightOf(db)),
		...ingredients,
		...preparations,
		...formulas,
		...products,
		...entries,
		settings,
		supply,
		probes,
		...starters,
		...broughtIn(book)
	];
}

/** What a night says of its doughs, for a mix and a build of the demo. */
async function nightOf(db: Db): Promise<readonly Readonly<Record<string, unknown>>[]> {
	const date: BakeDate = TOMORROW;
	const { mixes, input, fingerprint } = await readPlan(db, date);
	const batches = [...mixes.map((mix) => mix.batch), await batchOf(db, HARBOUR_DOUGH)];
	const bench = batches.flatMap((batch) => [
		{
			kind: 'measure-dough',
			batch,
			celsius: 25.5,
			waterCelsius: 14,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{
			kind: 'check-dough',
			batch,
			stage: 'dough',
			celsius: 24,
			instrument: 'core-probe',
			place: 'room',
			ambientCelsius: 22
		},
		{
			kind: 'move-dough',
			batch,
			place: 'cold',
			ambientCelsius: 4,
			timeConstantMinutes: 150,
			retarderId: null
		},
		{
			kind: 'judge-readiness',
			batch,
			sightings: [{ kind: 'poke', seen: 'springs-back' }],
			decision: 'wait'
		},
		{
			kind: 'weigh-line',
			batch,
			material: { kind: 'ingredient', ingredientId: demoId('ingredient', 'Salt') },
			addition: 'late',
			wantedGrams: 260.9,
			grams: 261,
			how: 'typed',
			closeEnough: false,
			scale: 'gram scale',
			lot: ''
		},
		{ kind: 'set-lead', batch, minutes: 10, expectedVersion: 0 },
		{ kind: 'end-dough', batch }
	]);
	return [
		// What is planned comes before what happens.
		{ kind: 'accept-plan', date, fingerprint, placement: newPlacement(input) },
		{ kind: 'copy-orders', from: date, to: addDays(date, 60) },
		...bench,
		{
			kind: 'take-reading',
			quantity: 'preferment',
			preparationId: LEVAIN,
			celsius: 26,
			instrument: 'typed',
			correctsId: null
		},
		{
			kind: 'take-reading',
			quantity: 'room',
			preparationId: null,
			celsius: 23,
			instrument: 'typed',
			correctsId: null
		},
		{
			kind: 'take-reading',
			quantity: 'place',
			preparationId: null,
			placeId: FRIDGE,
			celsius: 5,
			instrument: 'typed',
			correctsId: null
		},
		{ kind: 'set-batches', date, preparationId: LEVAIN, batches: 2, expectedVersion: 0 },
		{ kind: 'set-mixes', date, formulaId: HARBOUR_DOUGH, mixes: 2, expectedVersion: 0 },
		{
			kind: 'set-standing',
			fromDate: date,
			untilDate: addDays(date, 30),
			lines: [{ dropId: FERRY, productId: LOAF, weekdays: [1, 2], pieces: 20, expectedVersion: 1 }]
		},
		{
			kind: 'take-back-standing',
			commandId: FERRY,
			lines: [{ dropId: FERRY, productId: LOAF, expectedVersion: 1 }]
		},
		{
			kind: 'change-orders',
			date: addDays(date, 61),
			lines: [{ dropId: FERRY, productId: LOAF, pieces: null, expectedVersion: 0 }]
		},
		{
			kind: 'take-stock',
			ingredientId: demoId('ingredient', 'Salt'),
			what: 'received',
			grams: 10_000,
			lot: 'S-14',
			note: ''
		},
		{
			kind: 'count-stock',
			lines: [{ ingredientId: demoId('ingredient', 'Linseed'), grams: 7400 }]
		},
		{
			kind: 'keep-stock',
			ingredientId: demoId('ingredient', 'Salt'),
			supplierId: demoId('supplier', 'Harbour stores'),
			packGrams: 5000,
			leastGrams: 2000,
			expectedVersion: 1
		},
		{ kind: 'strike-weighing', weighingId: FERRY },
		...cultureCommands,
		...(await tapsOf(db)),
		...(await resultsOf(db)),
		...(await timesOf(db)),
		{ kind: 'set-base', formulaId: HARBOUR_DOUGH, celsius: 60 },
		{ kind: 'set-liquids', formulaId: HARBOUR_DOUGH, picked: [] }
	];
}

const CULTURE = { ingredientId: demoId('ingredient', 'Rye culture') };

/** What is done to a culture, each kind once. */
const cultureCommands: readonly Readonly<Record<string, unknown>>[] = [
	{
		kind: 'keep-culture',
		...CULTURE,
		keeping: {
			ratio: { seed: 1, flour: 4, water: 4 },
			flours: [{ flourId: demoId('ingredient', 'Whole rye flour'), parts: 1 }],
			placeId: FRIDGE,
			restPlaceId: null,
			timeConstantMinutes: 150,
			fedCelsius: 27,
			clock: { referenceCelsius: 26, underMinutes: 260, ripeMinutes: 320, overMinutes: 410 },
			keepGrams: 150,
			feedTimes: ['08:00'],
			coldDays: 3,
			refreshes: 2
		},
		expectedVersion: 1
	},
	{
		kind: 'feed-culture',
		...CULTURE,
		beginning: null,
		seedGrams: 60,
		flourGrams: 240,
		waterGrams: 240,
		celsius: 27
	},
	{
		kind: 'tend-culture',
		...CULTURE,
		what: { kind: 'seen', sightings: [{ kind: 'volume', seen: 'tripled' }] }
	},
	{ kind: 'tend-culture', ...CULTURE, what: { kind: 'moved', placeId: FRIDGE } },
	{ kind: 'tend-culture', ...CULTURE, what: { kind: 'counted', grams: 500 } },
	{ kind: 'strike-culture', entryId: FERRY }
];
