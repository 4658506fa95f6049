import { test } from 'node:test';
import assert from 'node:assert/strict';
import { chanceFrom } from '../../core/chance.ts';
import { riseSeen } from '../../core/fermentation/index.ts';
import { deviceAcceptance } from '../acceptance/device-acceptance.ts';
import { FaultySensor, GOOD, type Faults } from './faults.ts';
import { trueCelsius, trueRisePercent, WEATHERS } from './physics.ts';
import { startSimulatedDevice } from './simulated-device.ts';
import { SENSOR_KINDS, SENSOR_LIMITS } from '../../contracts/device-protocol.ts';

deviceAcceptance('a simulated device', (access) => {
	const device = startSimulatedDevice({
		...access,
		weather: 'usual',
		faults: GOOD,
		seed: 1,
		onTrouble: () => undefined
	});
	return {
		stop: async () => {
			device.stop();
			await device.over;
		}
	};
});

const START_MS = Date.UTC(2026, 10, 23, 20, 0);
const MINUTE = 60_000;
const sensor = (faults: Partial<Faults>, name = 'room') =>
	new FaultySensor(name, { ...GOOD, ...faults }, chanceFrom(7));

test('a hot night is one of 31 in the room, 29 in the flour and 19 at the tap', () => {
	for (let minute = 0; minute < 720; minute += 30) {
		const at = START_MS + minute * MINUTE;
		for (const [kind, celsius] of [
			['room-probe', 31],
			['flour-probe', 29],
			['tap-probe', 19]
		] as const)
			assert.ok(Math.abs(trueCelsius(kind, at, 'hot') - celsius) < 0.2, `${kind} at ${minute}`);
	}
});

test('whatever the season, every sensor stays within what a sensor can say, and moves without leaps', () => {
	for (const weather of WEATHERS)
		for (const kind of SENSOR_KINDS) {
			let before: number | null = null;
			for (let hour = 0; hour < 24 * 365; hour += 7) {
				const celsius = trueCelsius(kind, START_MS + hour * 60 * MINUTE, weather);
				assert.ok(
					celsius > SENSOR_LIMITS.leastCelsius && celsius < SENSOR_LIMITS.mostCelsius,
					`${kind} ${celsius}`
				);
				if (before !== null) assert.ok(Math.abs(celsius - before) < 6, `${kind} leaps`);
				before = celsius;
			}
		}
});

test('a dough under the probe takes the room while it warms itself; its skin is nearer to the air', () => {
	const fresh = Math.ceil(START_MS / (40 * MINUTE)) * 40 * MINUTE;
	const core = (minutes: number) => trueCelsius('core-probe', fresh + minutes * MINUTE, 'hot');
	assert.ok(core(35) > core(1) + 0.3, 'it warms in a hot room');
	const skin = trueCelsius('surface-thermometer', fresh + 20 * MINUTE, 'hot');
	assert.ok(skin > core(20) && skin < 31, 'the skin lies between core and air');
});

test('noise, drift, drop-outs and a stuck sensor can each be switched on', () => {
	const quiet = sensor({ noiseKelvins: 0 });
	assert.equal(quiet.read(23.04, START_MS), 23);
	const noisy = sensor({ noiseKelvins: 0.5 });
	const said = Array.from({ length: 40 }, () => noisy.read(23, START_MS));
	assert.ok(new Set(said).size > 5, 'noise moves it');
	const drifting = sensor({ noiseKelvins: 0, driftKelvinsPerDay: 2 });
	assert.equal(drifting.read(23, START_MS), 23);
	assert.equal(drifting.read(23, START_MS + 24 * 60 * MINUTE), 25);
	const dropping = sensor({ dropOuts: 0.5 });
	const lost = Array.from({ length: 200 }, () => dropping.read(23, START_MS)).filter(
		(reading) => reading === null
	).length;
	assert.ok(lost > 60 && lost < 140, `${lost} of 200 are lost`);
	const stuck = sensor({ noiseKelvins: 0, stuck: ['room'] });
	assert.equal(stuck.read(23, START_MS), 23);
	assert.equal(stuck.read(29, START_MS + MINUTE), 23);
	assert.equal(sensor({ noiseKelvins: 0, stuck: ['tap'] }).read(29, START_MS), 29);
});

const LOADED = START_MS;
const deck = (setCelsius: number | null, isLoaded: boolean) => ({
	kind: 'deck' as const,
	setCelsius,
	load: isLoaded
		? { sinceMs: LOADED, loadCelsius: 245, doughCelsius: 24, bakeMinutes: 42, coreCelsius: 97 }
		: null
});

test('a stone gives heat to what is loaded on it, and has it back before the bake is over', () => {
	const stone = (minutes: number) =>
		trueCelsius('deck-stone', LOADED + minutes * MINUTE, 'usual', deck(245, true));
	assert.ok(stone(0) < 216, `${stone(0)} at loading`);
	assert.ok(stone(42) > 240, `${stone(42)} at the end`);
	const empty = trueCelsius('deck-stone', LOADED, 'usual', deck(245, false));
	assert.ok(Math.abs(empty - 245) < 3, `${empty} empty`);
	assert.ok(trueCelsius('deck-stone', LOADED, 'usual', deck(null, false)) < 100, 'off');
});

test('a loaf is done when its programme says so, and not before', () => {
	const core = (minutes: number) =>
		trueCelsius('loaf-core', LOADED + minutes * MINUTE, 'usual', deck(245, true));
	assert.ok(Math.abs(core(0) - 24) < 0.1, `${core(0)} as it is loaded`);
	assert.ok(core(30) < 90, `${core(30)} at half an hour`);
	assert.ok(Math.abs(core(42) - 97) < 0.1, `${core(42)} at its end`);
	assert.ok(core(120) <= 99.5, 'water boils away before');
});

test('a dough in the tub rises to the mark by when it is ready, and an empty tub says nothing', () => {
	const tub = { kind: 'tub' as const, sinceMs: LOADED, ripeMs: LOADED + 200 * MINUTE };
	const risen = (minutes: number) => trueRisePercent(tub, LOADED + minutes * MINUTE) ?? NaN;
	assert.equal(riseSeen(risen(20)).seen, 'little');
	assert.equal(riseSeen(risen(110)).seen, 'half-way');
	assert.equal(riseSeen(risen(200)).seen, 'to-the-mark');
	assert.equal(riseSeen(risen(400)).seen, 'past-the-mark');
	for (let minute = 1; minute < 400; minute += 7) assert.ok(risen(minute) >= risen(minute - 1));
	assert.equal(trueRisePercent(null, LOADED), null);
});

test('a fridge or a prover is as warm as it is set, and swings about it', () => {
	for (const setCelsius of [3, 28]) {
		const at = (minutes: number) =>
			trueCelsius('place-probe', START_MS + minutes * MINUTE, 'usual', {
				kind: 'place',
				setCelsius,
				cold: null,
				loads: []
			});
		for (let minute = 0; minute < 60; minute += 5)
			assert.ok(Math.abs(at(minute) - setCelsius) < 1, `${at(minute)} of ${setCelsius}`);
	}
});

test('a cold room warms when it is loaded, comes back by what its compressor can, and stays cold while it is empty', () => {
	const cold = { compressorWatts: 200, airKilojoulesPerKelvin: 40, wallsWattsPerKelvin: 6 };
	const load = { inAtMs: LOADED, kilograms: 40, celsius: 25, timeConstantMinutes: 120 };
	const at = (minutes: number, loads = [load]) =>
		trueCelsius('place-probe', LOADED + minutes * MINUTE, 'usual', {
			kind: 'place',
			setCelsius: 4,
			cold,
			loads
		});
	assert.ok(Math.abs(at(30, []) - 4) < 1, `${at(30, [])} empty`);
	assert.ok(Math.abs(at(-30) - 4) < 1, `${at(-30)} before it is loaded`);
	assert.ok(at(60) > 6, `${at(60)} an hour after`);
	assert.ok(Math.abs(at(20 * 60) - 4) < 1.6, `${at(20 * 60)} the next day`);
});
