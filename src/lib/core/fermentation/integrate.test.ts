import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	doseOfStretch,
	drifted,
	integrate,
	LIFT,
	minutesForDose,
	rateAt,
	STEP_TOLERANCE,
	temperatureOnPath,
	timeConstantRevealed,
	warmingAt
} from './index.ts';

const close = (actual: number, expected: number, within: number, what = '') =>
	assert.ok(Math.abs(actual - expected) <= within, `${what} ${actual} is not ${expected}`);

const celsius = fc.double({ min: 2, max: 40, noNaN: true });
const minutes = fc.double({ min: 1, max: 1500, noNaN: true });

test('followed step by step, a drift and its dose are what the closed form gives', () => {
	fc.assert(
		fc.property(celsius, celsius, minutes, (start, ambientCelsius, length) => {
			const place = { ambientCelsius, timeConstantMinutes: 150 };
			const { state } = integrate({
				derivative: ([now = start]) => [
					warmingAt(now, place),
					rateAt(LIFT.sourdough, now) / rateAt(LIFT.sourdough, 25)
				],
				start: [start, 0],
				minutes: length,
				tolerance: STEP_TOLERANCE
			});
			close(state[0]!, drifted(start, ambientCelsius, 150, length), 0.001, 'temperature');
			const closed = doseOfStretch(LIFT.sourdough, 25, start, { ...place, minutes: length });
			close(state[1]!, closed, 0.01, 'dose');
		})
	);
});

test('it ends where a part reaches its value, at once when it is there already', () => {
	const input = {
		derivative: () => [2],
		start: [0],
		minutes: 100,
		tolerance: 1e-6,
		stopAt: { part: 0, value: 60 }
	};
	const found = integrate(input);
	assert.equal(found.stopped, true);
	close(found.minutes, 30, 1e-5);
	close(found.state[0]!, 60, 1e-5);
	assert.deepEqual(integrate({ ...input, start: [60] }).minutes, 0);
	assert.equal(integrate({ ...input, minutes: 10 }).stopped, false);
});

test('every moment asked for is told once and in order, the first and the last too', () => {
	const told: [number, number][] = [];
	integrate({
		derivative: ([value = 0]) => [-value / 30],
		start: [1],
		minutes: 90,
		tolerance: 1e-6,
		samples: { at: [0, 10, 47.5, 90], take: (at, [value = 0]) => told.push([at, value]) }
	});
	assert.deepEqual(
		told.map(([at]) => at),
		[0, 10, 47.5, 90]
	);
	for (const [at, value] of told) close(value, Math.exp(-at / 30), 1e-4, `at ${at}`);
});

test('a derivative that never settles is refused rather than followed for ever', () => {
	assert.throws(
		() =>
			integrate({
				derivative: (_, at) => [1e9 * Math.sin(at * 1e9)],
				start: [0],
				minutes: 1e6,
				tolerance: 1e-9
			}),
		RangeError
	);
});

const tub = {
	ambientCelsius: 21,
	timeConstantMinutes: 420,
	selfHeating: { kelvinsPerHour: 0.4, curve: LIFT.sourdough }
};

test('a mass that warms itself stays warmer and ripens sooner, and its time gives its dose back', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 8, max: 32, noNaN: true }),
			fc.double({ min: 8, max: 32, noNaN: true }),
			fc.double({ min: 20, max: 300, noNaN: true }),
			(start, ambientCelsius, dose) => {
				const place = { ...tub, ambientCelsius };
				const plain = { ambientCelsius, timeConstantMinutes: 420 };
				const own = minutesForDose(LIFT.sourdough, 25, start, place, dose, 20_000);
				const without = minutesForDose(LIFT.sourdough, 25, start, plain, dose, 20_000);
				assert.ok(own !== null && without !== null && own <= without + 0.02, `${own} ${without}`);
				close(doseOfStretch(LIFT.sourdough, 25, start, { ...place, minutes: own }), dose, 0.02);
				const warm = temperatureOnPath(start, [{ ...place, minutes: own }], own);
				assert.ok(
					warm >= temperatureOnPath(start, [{ ...plain, minutes: own }], own) - 1e-3,
					'warm'
				);
			}
		)
	);
	assert.equal(minutesForDose(LIFT.sourdough, 25, 25, tub, 300, 60), null);
});

test('two temperatures in one place reveal its time constant, or why not', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 30, max: 900, noNaN: true }),
			fc.double({ min: 5, max: 300, noNaN: true }),
			(constant, length) => {
				const later = drifted(27, 21, constant, length);
				const found = timeConstantRevealed(27, later, 21, length);
				assert.ok(found.ok, 'revealed');
				close(found.value, constant, constant * 1e-6);
			}
		)
	);
	assert.deepEqual(timeConstantRevealed(22, 21.5, 21, 60), {
		ok: false,
		error: { kind: 'too-near-the-place', kelvins: 1, least: 1.5 }
	});
	for (const later of [28, 20, 21])
		assert.deepEqual(timeConstantRevealed(27, later, 21, 60), {
			ok: false,
			error: { kind: 'not-towards-the-place' }
		});
});
