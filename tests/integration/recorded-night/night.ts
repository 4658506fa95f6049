import assert from 'node:assert/strict';
import { createHash } from 'node:crypto';
import type {
	CommandContent,
	CommandKind,
	CommandOutcome
} from '../../../src/lib/contracts/commands.ts';
import {
	id,
	type FormulaId,
	type PreparationId,
	type ProductId
} from '../../../src/lib/core/identity.ts';
import { addDays, type BakeDate } from '../../../src/lib/core/time/index.ts';
import { keyFingerprint } from '../../../src/lib/server/auth/device.ts';
import type { Db } from '../../../src/lib/server/db/client.ts';
import { findDeviceByKey } from '../../../src/lib/server/db/devices.ts';
import { demoPlaceId } from '../../../src/lib/server/demo/demo-place.ts';
import { demoId } from '../../../src/lib/server/demo/demo-id.ts';
import { readOrders } from '../../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../../src/lib/server/services/read-plan.ts';
import { readWater } from '../../../src/lib/server/services/read-water.ts';
import { takeDeviceReadings } from '../../../src/lib/server/services/take-device-readings.ts';
import { newPlacement } from '../placement.ts';
import { badReadings } from './bad-readings.ts';
import { tapTheNight, tellTheResults } from './bench.ts';
import { editTheBook } from './book.ts';
import { tendCultures } from './cultures.ts';
import { comesAndGoes } from './people.ts';
import { typeOrders, weighUp } from './orders.ts';
import { batchOf, HARBOUR_DOUGH, LEVAIN, LOAF, NOW_MS, send, TOMORROW } from '../test-database.ts';
import { coldRoom, plainPlace } from '../entry-content.ts';

export const POOLISH = demoId('preparation', 'Poolish');
export const STICK_DOUGH = demoId('formula', 'Stick dough');
export const BUN_DOUGH = demoId('formula', 'School bun dough');
export const STICK = demoId('product', 'Ferry stick');
const SCHOOL = demoId('drop', 'School');
const KEY = 'the-key-of-the-probes-of-the-recorded-night';

/** An id of the night, the same each time it is played. */
export const nightId = (name: string): string => {
	const hex = createHash('sha256').update(`recorded night ${name}`).digest('hex');
	return [
		hex.slice(0, 8),
		hex.slice(8, 12),
		`5${hex.slice(13, 16)}`,
		`8${hex.slice(17, 20)}`,
		hex.slice(20, 32)
	].join('-');
};

/** How many minutes after the tests' now, what was given, and what was answered. */
type Answered = readonly [minutes: number, kind: CommandKind | 'readings', outcome: unknown];

/**
 * Plays an eventful night on the demo: orders that change, temperatures typed and measured, a plan accepted twice,
 * doughs measured, put right, checked, moved, judged and closed, a book that is edited meanwhile. Gives what each
 * command was answered.
 */
export async function playNight(db: Db): Promise<readonly Answered[]> {
	const answers: Answered[] = [];
	const tell = async <K extends CommandKind>(
		minutes: number,
		draft: { readonly kind: K } & CommandContent<K>,
		name = `command ${answers.length}`
	): Promise<CommandOutcome<K>> => {
		const outcome = await send(db, draft, { id: nightId(name), minutes });
		answers.push([minutes, draft.kind, outcome]);
		return outcome;
	};
	const night = { db, tell };
	await beforeTheNight(night);
	answers.push([40, 'readings', await badReadings(db, KEY)]);
	await acceptPlan(night, 60);
	await weighUp(night);
	await tendCultures(night);
	await tapTheNight(night);
	await tellTheResults(night);
	await mixing(night);
	await ripening(night);
	await editTheBook(night);
	await ordersMeanwhile(night);
	await acceptPlan(night, 560);
	await learned(night);
	return answers;
}

export interface Night {
	readonly db: Db;
	readonly tell: <K extends CommandKind>(
		minutes: number,
		draft: { readonly kind: K } & CommandContent<K>,
		/** What it is called by later events; an entry goes by the id of its command. */
		name?: string
	) => Promise<CommandOutcome<K>>;
}

async function beforeTheNight({ db, tell }: Night): Promise<void> {
	await tell(0, {
		kind: 'set-supply',
		iceForm: 'flakes',
		iceMostShare: 0.12,
		iceCelsius: -3,
		chilledCelsius: 5,
		hotTapCelsius: 52,
		hottestWaterCelsius: 38,
		expectedVersion: 1
	});
	await tell(
		1,
		coldRoom(nightId('retarder'), 'Yard cabinet', 3, {
			compressorWatts: 900,
			airKilojoulesPerKelvin: 6,
			wallsWattsPerKelvin: 9
		})
	);
	await tell(1, {
		kind: 'save-bakery',
		name: 'Saltmarrow Bakehouse and Quay',
		timeZone: 'Europe/London',
		currency: '€',
		altitudeMetres: 0,
		weighMinutes: 0,
		expectedVersion: 2
	});
	await tell(1, {
		kind: 'found-bakery',
		personId: nightId('founder'),
		person: 'Somebody else',
		name: 'A second bakery',
		timeZone: 'UTC',
		currency: '',
		mass: 'metric',
		temperature: 'celsius'
	});
	await tell(1, {
		kind: 'take-closed-days',
		days: [
			{
				entryId: nightId('closed'),
				name: 'Midwinter',
				content: {
					fromDate: '2026-12-25' as BakeDate,
					toDate: '2026-12-26' as BakeDate,
					yearly: true
				}
			}
		]
	});
	await tell(1, {
		kind: 'begin-starter',
		starter: 'tin',
		formulaId: id<FormulaId>(nightId('tin dough')),
		name: 'Tin dough',
		productId: id<ProductId>(nightId('tin loaf')),
		productName: 'Tin loaf'
	});
	const reading = { preparationId: null, instrument: 'typed', correctsId: null } as const;
	await tell(2, { kind: 'take-reading', quantity: 'room', celsius: 27.5, ...reading });
	await tell(3, { kind: 'take-reading', quantity: 'tap', celsius: 41, ...reading }, 'slip');
	await tell(4, {
		...reading,
		kind: 'take-reading',
		quantity: 'tap',
		celsius: 14.5,
		correctsId: nightId('slip')
	});
	await tell(4, {
		...plainPlace(demoPlaceId('Cellar'), 'North cellar', 16.5),
		expectedNumber: 1,
		appliesFrom: TOMORROW
	});
	await tell(4, {
		...reading,
		kind: 'take-reading',
		quantity: 'place',
		placeId: demoPlaceId('Ingredient fridge'),
		celsius: 6.1
	});
	await tell(5, { kind: 'take-reading', quantity: 'flour', celsius: 22.5, ...reading });
	await tell(6, {
		...reading,
		kind: 'take-reading',
		quantity: 'preferment',
		preparationId: id<PreparationId>(LEVAIN),
		celsius: 26.4,
		instrument: 'probe'
	});
	await tell(7, {
		kind: 'register-device',
		deviceId: nightId('device'),
		name: 'Bench probes',
		keySha256: keyFingerprint(KEY),
		sensors: (['room-probe', 'core-probe', 'surface-thermometer'] as const).map((kind) => ({
			id: nightId(kind),
			name: kind,
			kind,
			reportEverySeconds: 60
		}))
	});
	const device = await findDeviceByKey(db, keyFingerprint(KEY));
	assert.ok(device, 'the probes are let in');
	for (let at = 0; at < 12; at += 1) {
		const minutes = 30 + at * 50;
		const said = (sensor: string, celsius: number) => ({
			id: nightId(`${sensor} ${at}`),
			sensor,
			celsius,
			measuredAt: new Date(NOW_MS + minutes * 60_000).toISOString()
		});
		await takeDeviceReadings(
			db,
			device,
			[
				said('room-probe', 27.4 - at * 0.3),
				said('core-probe', 25.1 + (at % 3)),
				said('surface-thermometer', 24.6)
			],
			NOW_MS + minutes * 60_000
		);
	}
	await tell(31, { kind: 'copy-orders', from: TOMORROW, to: addDays(TOMORROW, 30) });
	await tell(32, { kind: 'copy-orders', from: TOMORROW, to: addDays(TOMORROW, 30) });
	await typeOrders({ db, tell });
	await changeOrder({ db, tell }, 33, SCHOOL, LOAF, 17);
	await changeOrder({ db, tell }, 34, SCHOOL, STICK, 24);
	await tell(35, {
		kind: 'set-lead',
		batch: await batchOf(db, HARBOUR_DOUGH, 1),
		minutes: 25,
		expectedVersion: 0
	});
}

async function changeOrder(
	{ db, tell }: Night,
	minutes: number,
	dropId: string,
	productId: string,
	pieces: number
): Promise<void> {
	const { cells } = await readOrders(db, TOMORROW);
	const cell = cells.find((cell) => cell.dropId === dropId && cell.productId === productId);
	await tell(minutes, {
		kind: 'change-order',
		date: TOMORROW,
		dropId,
		productId,
		pieces,
		expectedVersion: cell?.version ?? 0
	});
}

async function acceptPlan({ db, tell }: Night, minutes: number): Promise<void> {
	const { input, fingerprint } = await readPlan(db, TOMORROW);
	await tell(minutes, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: newPlacement(input)
	});
}

async function mixing({ db, tell }: Night): Promise<void> {
	const spiral = demoId('mixer', 'Spiral mixer');
	const measured = {
		kind: 'measure-dough',
		instrument: 'core-probe',
		mixerId: null,
		program: null
	} as const;
	const { builds } = await readWater(db, TOMORROW, NOW_MS);
	for (const { batch, targetCelsius } of builds)
		await tell(120, { ...measured, batch, celsius: targetCelsius + 1.5, waterCelsius: 24 });
	const mix = (formulaId: string, ordinal = 1) => batchOf(db, formulaId, ordinal);
	await tell(470, {
		kind: 'check-dough',
		batch: await mix(HARBOUR_DOUGH),
		stage: 'autolyse',
		celsius: 22.1,
		instrument: 'surface-thermometer',
		place: 'room',
		ambientCelsius: 25
	});
	await tell(490, {
		...measured,
		batch: await mix(HARBOUR_DOUGH),
		celsius: 26.2,
		waterCelsius: 15
	});
	// Read off the bowl, and put right.
	await tell(492, {
		...measured,
		batch: await mix(HARBOUR_DOUGH),
		celsius: 25.4,
		waterCelsius: 15,
		mixerId: spiral,
		program: { slowMinutes: 5, fastMinutes: 3 }
	});
	await tell(
		500,
		{ ...measured, batch: await mix(HARBOUR_DOUGH, 2), celsius: 27.8, waterCelsius: 17 },
		'second mix'
	);
	await tell(505, {
		...measured,
		batch: await mix(STICK_DOUGH),
		celsius: 23.9,
		waterCelsius: 12,
		instrument: 'surface-thermometer'
	});
	await tell(510, { ...measured, batch: await mix(BUN_DOUGH), celsius: 26.5, waterCelsius: null });
	await tell(511, { ...measured, batch: await mix(BUN_DOUGH), celsius: 99, waterCelsius: 12 });
}

async function ripening({ db, tell }: Night): Promise<void> {
	const harbour = await batchOf(db, HARBOUR_DOUGH, 1);
	const second = await batchOf(db, HARBOUR_DOUGH, 2);
	const sticks = await batchOf(db, STICK_DOUGH, 1);
	const check = {
		kind: 'check-dough',
		stage: 'dough',
		instrument: 'core-probe',
		place: 'room'
	} as const;
	await tell(515, { ...check, batch: harbour, celsius: 25.2, ambientCelsius: 24.6 });
	await tell(520, { ...check, batch: harbour, celsius: 25.9, ambientCelsius: 24.6 }, 'check');
	await tell(521, { kind: 'strike-entry', entryId: nightId('check') });
	await tell(525, {
		kind: 'move-dough',
		batch: second,
		place: 'cold',
		ambientCelsius: 4,
		timeConstantMinutes: 160,
		retarderId: nightId('retarder')
	});
	await tell(530, {
		kind: 'judge-readiness',
		batch: sticks,
		sightings: [{ kind: 'poke', seen: 'springs-back' }],
		decision: 'wait'
	});
	await tell(545, {
		kind: 'judge-readiness',
		batch: harbour,
		sightings: [{ kind: 'poke', seen: 'half-springs-back' }],
		decision: 'go-on'
	});
	await tell(546, { kind: 'end-dough', batch: harbour });
	await tell(547, { kind: 'end-dough', batch: await batchOf(db, BUN_DOUGH, 1) });
}

async function ordersMeanwhile(night: Night): Promise<void> {
	const { cells } = await readOrders(night.db, TOMORROW);
	for (const { dropId, productId, pieces } of cells)
		if (productId === LOAF && dropId !== SCHOOL)
			await changeOrder(night, 555, dropId, productId, Math.round(pieces / 3));
}

async function learned(night: Night): Promise<void> {
	const { tell } = night;
	await tell(561, {
		kind: 'ignore-observation',
		subject: 'friction',
		observationId: nightId('second mix'),
		ignored: true
	});
	await tell(562, { kind: 'reset-learning', subject: 'friction', formulaId: STICK_DOUGH });
	await tell(562, { kind: 'ignore-time', date: TOMORROW, taskId: 'not timed', ignored: true });
	await tell(562, { kind: 'reset-times', recipeId: STICK_DOUGH });
	await tell(563, { kind: 'set-units', mass: 'imperial', temperature: 'celsius' });
	await tell(563, { kind: 'set-water-school', school: 'factor-rule', countsSoakers: true });
	await tell(564, { kind: 'set-base', formulaId: HARBOUR_DOUGH, celsius: 58.5 });
	await tell(564, {
		kind: 'set-mixes',
		date: addDays(TOMORROW, 2),
		formulaId: id<FormulaId>(STICK_DOUGH),
		mixes: 3,
		expectedVersion: 0
	});
	const levain = {
		kind: 'set-batches' as const,
		date: addDays(TOMORROW, 2),
		preparationId: LEVAIN
	};
	for (const batches of [2, 3]) await tell(564, { ...levain, batches, expectedVersion: 0 });
	await tell(564, {
		kind: 'set-liquids',
		formulaId: id<FormulaId>(BUN_DOUGH),
		picked: [{ ingredientId: demoId('ingredient', 'Milk'), addition: 'start' }]
	});
	await tell(564, { kind: 'revoke-device', deviceId: nightId('device') });
	await comesAndGoes(night);
}
