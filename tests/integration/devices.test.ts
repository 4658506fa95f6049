import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { DeviceAnswer } from '../../src/lib/contracts/device-protocol.ts';
import { deviceOf, keyFingerprint } from '../../src/lib/server/auth/device.ts';
import {
	findDeviceByKey,
	loadTemperatureDays,
	type KnownDevice
} from '../../src/lib/server/db/devices.ts';
import { readBakeryRoom } from '../../src/lib/server/services/read-bakery-room.ts';
import { readBenchMoment } from '../../src/lib/server/services/read-bench.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { surroundingsOf } from '../../src/lib/server/services/surroundings-of-device.ts';
import { readRoomTrace } from '../../src/lib/server/services/read-room-trace.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { loadScalesNow } from '../../src/lib/server/db/scales.ts';
import { takeDeviceWeights } from '../../src/lib/server/services/take-device-weights.ts';
import { takeDeviceReadings } from '../../src/lib/server/services/take-device-readings.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

const KEY = 'a-made-up-key-of-a-made-up-probe';
const SENSORS = [
	{ id: randomUUID(), name: 'Room', kind: 'room-probe' as const, reportEverySeconds: 60 },
	{ id: randomUUID(), name: 'Core', kind: 'core-probe' as const, reportEverySeconds: 60 }
];
const deviceId = randomUUID();
let t: TestDatabase;
let device: KnownDevice;
before(async () => {
	t = await testDatabase();
	const made = await send(t.db, {
		kind: 'register-device',
		deviceId,
		name: 'Probes',
		keySha256: keyFingerprint(KEY),
		sensors: SENSORS
	});
	assert.equal(made.outcome, 'done');
	const found = await findDeviceByKey(t.db, keyFingerprint(KEY));
	assert.ok(found, 'it is let in');
	device = found;
});
after(() => t.drop());

const reading = (change: object = {}) => ({
	id: randomUUID(),
	sensor: 'Room',
	celsius: 26.5,
	measuredAt: new Date(NOW_MS).toISOString(),
	...change
});
const take = (...readings: unknown[]): Promise<DeviceAnswer> =>
	takeDeviceReadings(t.db, device, readings, NOW_MS);
const roomNow = async () =>
	(await readWater(t.db, TOMORROW, NOW_MS)).inputs.find((input) => input.quantity === 'room');

test('a reading is taken once, however often it comes, and moves the water', async () => {
	const one = reading();
	assert.deepEqual(await take(one), { taken: 1, known: 0, refused: [] });
	assert.deepEqual(await take(one), { taken: 0, known: 1, refused: [] });
	const room = await roomNow();
	assert.equal(room?.reading?.celsius, 26.5);
	assert.equal(room?.reading?.instrument, 'probe');
	assert.equal(room?.probe?.name, 'Room');
	const [day] = (await loadTemperatureDays(t.db, '2026-11-23', '2026-11-23')).filter(
		(each) => each.quantity === 'room'
	);
	assert.equal(day?.meanCelsius, 26.5, 'counted once in its day');
});

test('a bad reading does not spoil the others, and each is told why it was not taken', async () => {
	const good = reading({ celsius: 26.6 });
	const twice = reading();
	const answer = await take(
		good,
		{ nonsense: true },
		reading({ celsius: 900 }),
		reading({ sensor: 'Cellar' }),
		reading({ measuredAt: new Date(NOW_MS + 3_600_000).toISOString() }),
		reading({ measuredAt: 'yesterday' }),
		twice,
		twice,
		null,
		reading({ measuredAt: '1999-12-31T23:59:00Z' })
	);
	assert.equal(answer.taken, 2);
	assert.deepEqual(
		answer.refused.map((reading) => [reading.at, reading.reason]),
		[
			[1, 'malformed'],
			[2, 'malformed'],
			[3, 'unknown-sensor'],
			[4, 'measured-in-the-future'],
			[5, 'malformed'],
			[7, 'sent-twice'],
			[8, 'malformed'],
			[9, 'measured-too-long-ago']
		]
	);
	assert.equal(answer.refused[5]?.reason, 'sent-twice');
	assert.equal(answer.refused[6]?.what, 'Invalid input: expected object, received null');
	assert.match(answer.refused[1]?.what ?? '', /^celsius: Too big/);
	const lateBy = (days: number) =>
		take(reading({ measuredAt: new Date(NOW_MS - days * 86_400_000).toISOString() }));
	assert.equal((await lateBy(366)).taken, 1, 'late is fine');
	assert.equal((await lateBy(366.01)).refused[0]?.reason, 'measured-too-long-ago');
	assert.match(answer.refused[2]?.what ?? '', /this device has "Core", "Room"/);
	const clash = await take({ ...good, celsius: 20 });
	assert.deepEqual(
		clash.refused.map((reading) => reading.reason),
		['id-used-before']
	);
});

test('a reading that comes late takes its place in time and not the newest one’s', async () => {
	await take(reading({ celsius: 27 }));
	const late = { celsius: 12, measuredAt: new Date(NOW_MS - 7_200_000).toISOString() };
	assert.equal((await take(reading(late))).taken, 1);
	assert.equal((await roomNow())?.reading?.celsius, 27);
});

test('readings that come at once from two servers are taken once', async () => {
	const same = Array.from({ length: 40 }, () => reading());
	const answers = await Promise.all([take(...same), take(...same), take(...same)]);
	assert.equal(
		answers.reduce((total, answer) => total + answer.taken, 0),
		40
	);
	assert.equal(
		answers.reduce((total, answer) => total + answer.known, 0),
		80
	);
});

test('what is typed stands against a probe for half an hour, and a probe taken over does not', async () => {
	await send(t.db, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius: 23,
		instrument: 'typed',
		correctsId: null
	});
	const soon = { measuredAt: new Date(NOW_MS + 60_000).toISOString(), celsius: 28 };
	await take(reading(soon));
	assert.equal((await roomNow())?.reading?.celsius, 23);
	await send(t.db, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius: 28,
		instrument: 'probe',
		correctsId: null
	});
	assert.equal((await roomNow())?.reading?.celsius, 28);
	assert.equal((await roomNow())?.reading?.instrument, 'probe');
});

test('a probe of the dough tells no temperature of the bakery, and tells when it was heard', async () => {
	const at = { sensor: 'Core', measuredAt: new Date(NOW_MS - 900_000).toISOString() };
	await take(reading({ ...at, celsius: 25.8 }));
	const { doughProbes } = await readWater(t.db, TOMORROW, NOW_MS);
	assert.deepEqual(
		[doughProbes.core?.celsius, doughProbes.core?.measuredAtMs, doughProbes.surface],
		[25.8, NOW_MS - 900_000, null]
	);
});

test('a key opens the door only as it is, and never once it was shut', async () => {
	const kindOf = async (header: string | null) => (await deviceOf(t.db, header)).kind;
	assert.equal(await kindOf(`Bearer ${KEY}`), 'in');
	for (const header of [null, '', KEY, 'Bearer short', `Basic ${KEY}`, `Bearer ${KEY} `])
		assert.equal(await kindOf(header), 'no-key', String(header));
	assert.equal(await kindOf(`Bearer ${KEY}x`), 'unknown-key');
	const taken = await send(t.db, {
		kind: 'register-device',
		deviceId: randomUUID(),
		name: 'Probes',
		keySha256: keyFingerprint('another-key-entirely'),
		sensors: [{ ...SENSORS[0]!, id: randomUUID() }]
	});
	assert.ok(taken.outcome === 'refused' && taken.refusal.kind === 'name-taken');
	const traced = () => readRoomTrace(t.db, NOW_MS - 3_600_000, NOW_MS, null);
	const before = await traced();
	assert.ok(before.length > 0, 'its probe read the room');
	assert.equal((await send(t.db, { kind: 'revoke-device', deviceId })).outcome, 'done');
	assert.deepEqual(await traced(), before, 'what it read stays');
	assert.equal(
		(await send(t.db, { kind: 'revoke-device', deviceId })).outcome,
		'done',
		'twice is once'
	);
	assert.equal(await kindOf(`Bearer ${KEY}`), 'revoked');
	const lost = await send(t.db, { kind: 'revoke-device', deviceId: randomUUID() });
	assert.ok(lost.outcome === 'refused' && lost.refusal.kind === 'unknown');
	const shut = (await readBakeryRoom(t.db, TOMORROW)).devices.find(
		(device) => device.id === deviceId
	);
	assert.equal(shut?.revokedAtMs, NOW_MS);
	await assert.rejects(sql`update device_reading set celsius = 20`.execute(t.db), /append-only/);
});

test('a scale tells what it shows now: the newest of each is kept, the rest is told with its reason', async () => {
	const key = 'a-made-up-key-of-a-made-up-scale';
	const scaleId = randomUUID();
	const made = await send(t.db, {
		kind: 'register-device',
		deviceId: randomUUID(),
		name: 'Scale by the mixer',
		keySha256: keyFingerprint(key),
		sensors: [
			{ id: scaleId, name: 'Bench scale', kind: 'bench-scale', reportEverySeconds: 1 },
			{ id: randomUUID(), name: 'Room again', kind: 'room-probe', reportEverySeconds: 60 }
		]
	});
	assert.equal(made.outcome, 'done');
	const scale = await findDeviceByKey(t.db, keyFingerprint(key));
	assert.ok(scale);
	const at = (seconds: number) => new Date(NOW_MS + seconds * 1000).toISOString();
	const weight = (grams: number, seconds: number, change: object = {}) => ({
		sensor: 'Bench scale',
		grams,
		stable: true,
		measuredAt: at(seconds),
		...change
	});
	const weigh = (...weights: unknown[]) => takeDeviceWeights(t.db, scale, weights, NOW_MS);
	assert.deepEqual(await weigh(weight(1240, 1)), { taken: 1, known: 0, refused: [] });
	assert.deepEqual(await weigh(weight(900, 0)), { taken: 0, known: 1, refused: [] }, 'older');
	const shown = async () =>
		(await loadScalesNow(t.db)).find(({ sensorId }) => sensorId === scaleId)?.shown;
	assert.deepEqual(await shown(), { grams: 1240, stable: true });
	const { refused, taken } = await weigh(
		weight(1, 2, { sensor: 'Room again' }),
		weight(1, 3, { grams: 'many' }),
		weight(1, 4, { grams: 600_000 }),
		weight(1, 3600),
		weight(1, -3600),
		null,
		weight(-12.5, 5, { stable: false })
	);
	assert.equal(taken, 1);
	assert.deepEqual(
		refused.map(({ at: place, reason }) => [place, reason]),
		[
			[0, 'unknown-sensor'],
			[1, 'malformed'],
			[2, 'malformed'],
			[3, 'measured-in-the-future'],
			[4, 'measured-too-long-ago'],
			[5, 'malformed']
		]
	);
	assert.deepEqual(await shown(), { grams: -12.5, stable: false });
	const asProbe = await takeDeviceReadings(
		t.db,
		scale,
		[{ id: randomUUID(), sensor: 'Bench scale', celsius: 20, measuredAt: at(1) }],
		NOW_MS
	);
	assert.equal(asProbe.refused[0]?.reason, 'malformed', 'a scale is no thermometer');
	assert.ok(await roomNow(), 'and the water goes on without it');
});

test('a deck tells its stone and the loaf in it, a tub how far its dough has risen; each is taken for what it is', async () => {
	const oven = (await readBakeryRoom(t.db, TOMORROW)).decks;
	const [deck] = oven;
	assert.ok(deck, 'the demo has decks');
	const key = 'a-made-up-key-of-a-made-up-oven';
	const register = (sensors: readonly object[]) =>
		send(t.db, {
			kind: 'register-device',
			deviceId: randomUUID(),
			name: `Oven ${randomUUID()}`,
			keySha256: keyFingerprint(key),
			sensors: sensors.map((sensor) => ({
				id: randomUUID(),
				reportEverySeconds: 60,
				...sensor
			})) as never
		});
	const without = await register([{ name: 'Stone', kind: 'deck-stone' }]);
	assert.ok(without.outcome === 'refused' && without.refusal.kind === 'malformed');
	const strange = await register([{ name: 'Stone', kind: 'deck-stone', deckId: randomUUID() }]);
	assert.deepEqual(strange.outcome === 'refused' && strange.refusal, {
		kind: 'unknown',
		what: 'deck'
	});
	const made = await register([
		{ name: 'Stone', kind: 'deck-stone', deckId: deck.id },
		{ name: 'Loaf', kind: 'loaf-core', deckId: deck.id },
		{ name: 'Tub', kind: 'tub-rise' }
	]);
	assert.equal(made.outcome, 'done', JSON.stringify(made));
	const ovenProbes = await findDeviceByKey(t.db, keyFingerprint(key));
	assert.ok(ovenProbes, 'it is let in');
	const tell = (...readings: unknown[]) => takeDeviceReadings(t.db, ovenProbes, readings, NOW_MS);
	const { celsius: _, ...bare } = reading({ sensor: 'Tub', risePercent: 48 });
	const told = await tell(
		reading({ sensor: 'Stone', celsius: 243 }),
		reading({ sensor: 'Loaf', celsius: 91.5 }),
		bare,
		reading({ sensor: 'Loaf', celsius: 243 }),
		reading({ sensor: 'Tub', celsius: 24 }),
		reading({ sensor: 'Stone', risePercent: 20 })
	);
	assert.equal(told.taken, 3);
	assert.deepEqual(
		told.refused.map(({ at, reason }) => [at, reason]),
		[
			[3, 'malformed'],
			[4, 'malformed'],
			[5, 'malformed']
		]
	);
	const { decks } = await readBenchMoment(t.db, TOMORROW);
	assert.deepEqual(
		decks
			.filter(({ sensor }) => sensor === 'Stone' || sensor === 'Loaf')
			.map(({ kind, celsius }) => [kind, celsius])
			.toSorted(),
		[
			['deck-stone', 243],
			['loaf-core', 91.5]
		]
	);
	const { tubRise } = await readRipening(t.db, TOMORROW, NOW_MS);
	assert.deepEqual([tubRise?.sensor, tubRise?.percent], ['Tub', 48]);
	const { sensors } = await surroundingsOf(t.db, ovenProbes, NOW_MS);
	assert.deepEqual(sensors, [
		{ sensor: 'Loaf', holds: { kind: 'deck', setCelsius: null, load: null } },
		{ sensor: 'Stone', holds: { kind: 'deck', setCelsius: null, load: null } },
		{ sensor: 'Tub', holds: null }
	]);
});
