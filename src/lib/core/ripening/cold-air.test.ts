import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Retarder } from '../fermentation/index.ts';
import { BULK } from '../planning/harbour-day.fixture.ts';
import { coldAir, type ColdLoad } from './index.ts';

const CABINET: Retarder = {
	setCelsius: 4,
	compressorWatts: 300,
	airKilojoulesPerKelvin: 60,
	wallsWattsPerKelvin: 6
};
const NOW = 1_000 * 60_000;
const load = (change: Partial<ColdLoad> = {}): ColdLoad => ({
	inAtMs: NOW,
	kilograms: 25,
	celsius: 24,
	timeConstantMinutes: 150,
	clock: BULK.clock!,
	...change
});
const close = (actual: number | undefined, expected: number, within: number, what = '') =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${what} ${actual} is not ${expected}`
	);

test('an empty cold room is told for a day from now, every ten minutes, and holds its temperature', () => {
	const { fromMs, moments, air } = coldAir(CABINET, [], 24, NOW);
	assert.equal(fromMs, NOW);
	assert.deepEqual(
		moments.map((moment) => moment.minutes),
		Array.from({ length: 145 }, (_, at) => at * 10)
	);
	for (const moment of moments) {
		assert.deepEqual(moment.loads, []);
		// What comes through the walls is 6 x 20 W; the compressor takes it 0.4 of the way to its most.
		assert.ok(moment.airCelsius >= 4 && moment.airCelsius <= 4.401, `${moment.airCelsius}`);
	}
	close(moments.at(-1)?.airCelsius, 4.4 - (6 * 0.4) / 306, 0.01);
	assert.equal(air[0]?.fromMs, NOW);
});

test('the weight of a load counts: its heat is what the compressor has to take', () => {
	// Steps of a thousandth of a minute, by the middle of each: nothing of what is tested is used.
	const peakOf = (kilograms: number) => {
		let [air, celsius, peak] = [4, 24, 4];
		const slopes = (nowAir: number, now: number) => {
			const cooling = (now - nowAir) / 150;
			const power = 18 * Math.min(1, Math.max(0, nowAir - 4));
			return [(kilograms * 2.8 * cooling + 0.36 * (24 - nowAir) - power) / 60, -cooling] as const;
		};
		for (let step = 0; step < 600_000; step += 1) {
			const [a, c] = slopes(air, celsius);
			const [b, d] = slopes(air + 0.0005 * a, celsius + 0.0005 * c);
			air += 0.001 * b;
			celsius += 0.001 * d;
			peak = Math.max(peak, air);
		}
		return { peak, celsius, air };
	};
	for (const kilograms of [12, 25, 60]) {
		const expected = peakOf(kilograms);
		const { moments } = coldAir(CABINET, [load({ kilograms })], 24, NOW);
		const peak = Math.max(...moments.map((moment) => moment.airCelsius));
		close(peak, expected.peak, 0.03, `peak of ${kilograms} kg`);
		const after = moments.find((moment) => moment.minutes === 600);
		close(after?.airCelsius, expected.air, 0.002, `air of ${kilograms} kg`);
		close(after?.loads[0]?.celsius, expected.celsius, 0.002, `core of ${kilograms} kg`);
	}
});

test('loads go in when they did, and a day is told after the last of them', () => {
	const loads = [load({ inAtMs: NOW - 60 * 60_000 }), load({ inAtMs: NOW + 30 * 60_000 })];
	const { fromMs, moments } = coldAir(CABINET, loads, 24, NOW);
	assert.equal(fromMs, NOW - 60 * 60_000);
	close(moments.at(-1)?.minutes, 90 + 1440, 10);
	const at = (minutes: number) => moments.find((moment) => moment.minutes === minutes);
	assert.deepEqual(at(80)?.loads[1], { celsius: 24, dose: 0 });
	assert.ok((at(150)?.loads[1]?.celsius ?? 24) < 23);
	assert.ok((at(30)?.airCelsius ?? 4) > 4.5, 'the first warms it from the start');
});
