import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from '../explain/by-hand.fixture.ts';
import {
	BOILING,
	FLOUR_HEAT_CAPACITY,
	scaldEnds,
	scaldPoured,
	WATER,
	type ScaldInput
} from './index.ts';

function scald(grainKilograms: number, waterKilograms: number, celsius = 20): ScaldInput {
	return {
		parts: [
			{
				name: 'meal',
				mass: { grams: grainKilograms * 1000 },
				heatCapacity: { kilojoulesPerKilogramKelvin: FLOUR_HEAT_CAPACITY },
				temperature: { temperature: { celsius }, source: { kind: 'assumed' } }
			}
		],
		liquid: WATER,
		mass: { grams: waterKilograms * 1000 }
	};
}
const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

test('boiling water on meal ends where the heat of both does', () => {
	const ends = scaldEnds(scald(10, 20), BOILING);
	close(ends.value, (20 * 4.186 * 100 + 10 * 1.76 * 20) / (20 * 4.186 + 10 * 1.76));
	close(ends.value, 86.1, 0.05);
	assert.equal(byHand(ends), ends.value);
});

test('what is poured so hot ends there, whatever the grain and its water', () => {
	close(scaldPoured(scald(10, 20), { celsius: 65 }).value, 74.5, 0.05);
	const amount = fc.double({ min: 0.2, max: 40, noNaN: true });
	fc.assert(
		fc.property(
			amount,
			amount,
			fc.double({ min: -20, max: 30, noNaN: true }),
			fc.double({ min: 40, max: 99, noNaN: true }),
			(grain, water, stands, ends) => {
				const input = scald(grain, water, stands);
				const poured = scaldPoured(input, { celsius: ends });
				assert.equal(byHand(poured), poured.value);
				close(scaldEnds(input, { celsius: poured.value }).value, ends, 1e-6);
			}
		)
	);
});
