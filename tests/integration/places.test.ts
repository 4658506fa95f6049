import { test, after } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { leavesOf } from '../../src/lib/core/explain/index.ts';
import { id, type PlaceId } from '../../src/lib/core/identity.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import { placesOf } from '../../src/lib/server/db/of-entries.ts';
import { demoPlaceId } from '../../src/lib/server/demo/demo-place.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { takeDeviceReadings } from '../../src/lib/server/services/take-device-readings.ts';
import { findDeviceByKey } from '../../src/lib/server/db/devices.ts';
import { coldRoom, plainPlace } from './entry-content.ts';
import { ingredientContent } from './ingredient-content.ts';
import { NOW_MS, send, testDatabase, TOMORROW } from './test-database.ts';

const t = await testDatabase();
after(t.drop);

const YARD_OVEN = demoId('oven', 'Yard oven');
const FRIDGE = demoPlaceId('Ingredient fridge');
const typed = { preparationId: null, instrument: 'typed', correctsId: null } as const;

/** How warm something goes into the first mix of a dough. */
async function goesInAt(dough: string, what: string): Promise<number | undefined> {
	const { mixes } = await readWater(t.db, TOMORROW, NOW_MS + 20 * 60_000);
	const mix = mixes.find(({ name }) => name === dough);
	assert.ok(mix?.water, dough);
	return leavesOf(mix.water.expected).find(
		({ term }) => term.key === 'temperature-of' && term.of === what
	)?.value;
}

const places = async () => placesOf(await loadEntries(t.db, TOMORROW));

test('a place is saved, called otherwise and set otherwise; its name is its own', async () => {
	const loft = plainPlace(randomUUID(), 'Loft', 19);
	assert.equal((await send(t.db, loft)).outcome, 'done');
	const renamed = { ...plainPlace(loft.entryId, 'Hay loft', 17), expectedNumber: 1 };
	assert.equal((await send(t.db, renamed)).outcome, 'done');
	assert.deepEqual((await places()).get(id<PlaceId>(loft.entryId)), {
		id: loft.entryId,
		name: 'Hay loft',
		kind: 'room',
		role: 'other',
		celsius: 17
	});
	const taken = await send(t.db, plainPlace(randomUUID(), 'Cold room', 19));
	assert.ok(taken.outcome === 'refused' && taken.refusal.kind === 'name-taken');
	const cold = { compressorWatts: 600, airKilojoulesPerKelvin: 50, wallsWattsPerKelvin: 6 };
	const room = await send(t.db, coldRoom(randomUUID(), 'Hay loft', 4, cold));
	assert.ok(room.outcome === 'refused' && room.refusal.kind === 'name-taken');
});

test('a prover that is an oven is one of the bakery, and its plans know it', async () => {
	const as = (change: object) =>
		send(
			t.db,
			plainPlace(randomUUID(), 'Cool oven', 28, { placeKind: 'proofer', holds: 10, ...change })
		);
	const unknown = await as({ ovenId: randomUUID() });
	assert.deepEqual(unknown, {
		outcome: 'refused',
		refusal: { kind: 'unknown', what: 'bakery-entry' }
	});
	const hot = await as({ ovenId: YARD_OVEN, celsius: 55 });
	assert.ok(hot.outcome === 'refused' && hot.refusal.kind === 'entry-impossible');
	assert.equal((await as({ ovenId: YARD_OVEN })).outcome, 'done');
	const { input } = await readPlan(t.db, TOMORROW);
	const place = input.bakery.places.find(({ name }) => name === 'Cool oven');
	assert.deepEqual([place?.ovenId, place?.trays, place?.celsius], [YARD_OVEN, 10, 28]);
});

test('the bakehouse stays the room all stand in, whatever it is called', async () => {
	const bakehouse = (change: object) => ({
		...plainPlace(demoPlaceId('Bakehouse'), 'The long room', 24, { role: 'bakehouse', ...change }),
		expectedNumber: 1
	});
	const cold = await send(t.db, bakehouse({ placeKind: 'cold' }));
	assert.ok(cold.outcome === 'refused' && cold.refusal.kind === 'entry-needed');
	const other = await send(t.db, bakehouse({ role: 'other' }));
	assert.ok(other.outcome === 'refused' && other.refusal.kind === 'unknown');
	const gone = await send(t.db, { ...bakehouse({}), retired: true });
	assert.ok(gone.outcome === 'refused' && gone.refusal.kind === 'entry-needed');
	assert.equal((await send(t.db, bakehouse({}))).outcome, 'done');
	assert.deepEqual(
		[...(await places()).values()].slice(0, 2).map(({ name, kind, role }) => [name, kind, role]),
		[
			['The long room', 'room', 'bakehouse'],
			['Flour bins', 'room', 'flour']
		]
	);
	const { inputs } = await readWater(t.db, TOMORROW, NOW_MS);
	assert.equal(inputs.find(({ quantity }) => quantity === 'room')?.unread.celsius, 24);
});

test('what stands in the fridge goes into the bowl as cold as the fridge, read or set', async () => {
	assert.equal(await goesInAt('School bun dough', 'Butter'), 4);
	const reading = { ...typed, kind: 'take-reading' as const, quantity: 'place' as const };
	const warm = await send(t.db, { ...reading, placeId: FRIDGE, celsius: 8.5 }, { minutes: 1 });
	assert.equal(warm.outcome, 'done');
	assert.equal(await goesInAt('School bun dough', 'Butter'), 8.5);
	const fridge = (await readWater(t.db, TOMORROW, NOW_MS + 60_000)).inputs.find(
		({ placeId }) => placeId === FRIDGE
	);
	assert.equal(fridge?.name, 'Ingredient fridge');
	assert.deepEqual(fridge.unread, { celsius: 4, source: { kind: 'set' } });
	// The same butter kept in the cellar.
	const butter = await ingredientContent(t.db, 'Butter');
	const moved = { ...butter, kind: 'save-ingredient' as const, placeId: demoPlaceId('Cellar') };
	assert.equal((await send(t.db, moved)).outcome, 'done');
	assert.equal(await goesInAt('School bun dough', 'Butter'), 18);
	// Where it stands is no revision: what is made of it does not follow.
	assert.equal((await ingredientContent(t.db, 'Butter')).expectedVersion, butter.expectedVersion);
	const nowhere = { ...moved, placeId: randomUUID() };
	const refused = await send(t.db, nowhere);
	assert.ok(refused.outcome === 'refused' && refused.refusal.kind === 'unknown');
});

test('a reading names a place that is read by its own name, and nothing else does', async () => {
	const reading = { ...typed, kind: 'take-reading' as const, celsius: 9 };
	const of = async (quantity: 'room' | 'place', placeId: string | null) =>
		(await send(t.db, { ...reading, quantity, placeId })).outcome === 'done';
	assert.equal(await of('place', null), false);
	assert.equal(await of('room', FRIDGE), false);
	assert.equal(await of('place', randomUUID()), false, 'nobody knows that place');
	assert.equal(await of('place', demoPlaceId('Flour bins')), false, 'the bins are read as flour');
});

test('a probe of a place tells it, and a device is let in with the place its probe stands in', async () => {
	const keySha256 = 'ab'.repeat(32);
	const sensor = {
		id: randomUUID(),
		name: 'In the cellar',
		kind: 'place-probe' as const,
		placeId: demoPlaceId('Cellar'),
		reportEverySeconds: 60
	};
	const device = {
		kind: 'register-device' as const,
		deviceId: randomUUID(),
		name: 'Cellar',
		keySha256
	};
	const unnamed = await send(t.db, { ...device, sensors: [{ ...sensor, placeId: null }] });
	assert.ok(unnamed.outcome === 'refused' && unnamed.refusal.kind === 'malformed');
	const nowhere = await send(t.db, {
		...device,
		sensors: [{ ...sensor, placeId: id<PlaceId>(randomUUID()) }]
	});
	assert.ok(nowhere.outcome === 'refused' && nowhere.refusal.kind === 'unknown');
	assert.equal((await send(t.db, { ...device, sensors: [sensor] })).outcome, 'done');
	const known = await findDeviceByKey(t.db, keySha256);
	assert.ok(known);
	const answer = await takeDeviceReadings(
		t.db,
		known,
		[
			{
				id: randomUUID(),
				sensor: sensor.name,
				celsius: 13.5,
				measuredAt: new Date(NOW_MS).toISOString()
			}
		],
		NOW_MS
	);
	assert.equal(answer.taken, 1);
	assert.equal(await goesInAt('School bun dough', 'Butter'), 13.5);
});

test('an unmeasured pre-ferment is forecast from its own story: on a hot night it is not at 20', async () => {
	const at = async (nowMs: number) => {
		const { inputs } = await readWater(t.db, TOMORROW, nowMs);
		const poolish = inputs.find(({ name }) => name === 'Poolish');
		assert.ok(poolish?.unread.source.kind === 'forecast', poolish?.unread.source.kind);
		return { celsius: poolish.unread.celsius, spread: poolish.unread.source.spreadKelvins };
	};
	const mild = await at(NOW_MS);
	const hot = await send(
		t.db,
		{
			...typed,
			kind: 'take-reading',
			quantity: 'room',
			placeId: null,
			celsius: 31
		},
		{ minutes: 2 }
	);
	assert.equal(hot.outcome, 'done');
	const warm = await at(NOW_MS + 3 * 60_000);
	assert.ok(Math.abs(mild.celsius - 24) < 1, `${mild.celsius}`);
	assert.ok(warm.celsius > 28 && warm.celsius < 31, `${warm.celsius}`);
	assert.ok(warm.spread >= 0.5 && warm.spread <= 2.5, `${warm.spread}`);
	// Measured, it is what was measured.
	const measured = { ...typed, kind: 'take-reading' as const, quantity: 'preferment' as const };
	await send(
		t.db,
		{ ...measured, preparationId: id(demoId('preparation', 'Poolish')), celsius: 26.2 },
		{ minutes: 4 }
	);
	const { inputs } = await readWater(t.db, TOMORROW, NOW_MS + 5 * 60_000);
	assert.equal(inputs.find(({ name }) => name === 'Poolish')?.reading?.celsius, 26.2);
});

test('the steps of a formula follow the place they name', async () => {
	const bulkOf = async () => {
		const found = await readFormula(t.db, TOMORROW, demoId('formula', 'Harbour dough'));
		const bulk = found?.steps.find((step) => step.kind === 'wait' && step.activity === 'bulk');
		assert.ok(bulk?.kind === 'wait');
		return bulk.legs[0];
	};
	assert.equal((await bulkOf())?.named?.name, 'The long room');
	assert.equal((await bulkOf())?.ambientCelsius, 24);
});
