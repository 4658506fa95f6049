import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { coreWantedAt, doneForecast } from './index.ts';

const BAKE = { loadCelsius: 245, bakeMinutes: 42, coreCelsius: 97 };
const at = (atMinutes: number, celsius: number) => doneForecast(BAKE, 25, { atMinutes, celsius });

test('worked figure: 97 degC at the sea are 93 at 1 200 m', () => {
	assert.equal(coreWantedAt(97, 1200), 93);
	assert.equal(coreWantedAt(97, 0), 97);
	assert.equal(coreWantedAt(97, -50), 97);
});

test('worked figure: 80 degC at minute 32 of 42 goes on for 12.1, from 8.1 to 16.1', () => {
	const found = at(32, 80);
	assert.ok(found.ok);
	const { minutesLeft, least, most } = found.value;
	assert.deepEqual(
		[minutesLeft, least, most].map((one) => Math.round(one * 10) / 10),
		[12.1, 8.1, 16.1]
	);
});

test('what is done, too early to tell, or no core of an oven is said so', () => {
	assert.deepEqual(at(40, 97), { ok: false, error: { kind: 'done' } });
	assert.deepEqual(at(8, 40), { ok: false, error: { kind: 'too-early', fromCelsius: 50 } });
	assert.deepEqual(at(40, 130), { ok: false, error: { kind: 'beyond-reason' } });
	assert.deepEqual(at(0, 80), { ok: false, error: { kind: 'beyond-reason' } });
});

test('a load on its course ends when the programme does; a warmer core ends no later', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 0.45, max: 0.99, noNaN: true }),
			fc.double({ min: 50, max: 95, noNaN: true }),
			fc.double({ min: 0.1, max: 2, noNaN: true }),
			(share, celsius, warmer) => {
				const whole = Math.log((245 - 25) / (245 - 97));
				const core = 245 - (245 - 25) * Math.exp(-share * whole);
				const on = at(share * 42, core);
				if (core >= 50) {
					assert.ok(on.ok);
					assert.ok(Math.abs(on.value.minutesLeft - (1 - share) * 42) < 1e-6);
				}
				const [cool, warm] = [at(30, celsius), at(30, Math.min(96.9, celsius + warmer))];
				assert.ok(cool.ok && warm.ok);
				assert.ok(warm.value.minutesLeft <= cool.value.minutesLeft + 1e-9);
				assert.ok(cool.value.least <= cool.value.minutesLeft);
				assert.ok(cool.value.most >= cool.value.minutesLeft);
			}
		)
	);
});
