import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Duration, Mass, Temperature, TemperatureDifference } from './index.ts';
import { isClose, isLess, warmerBy } from './index.ts';

test('a quantity of one kind is refused where another is wanted, by the compiler', () => {
	const mass: Mass = { grams: 1 };
	const time: Duration = { minutes: 1 };
	const warm: Temperature = { celsius: 25 };
	const rise: TemperatureDifference = { kelvins: 2 };
	// @ts-expect-error a duration is not a mass
	const wrongMass: Mass = time;
	// @ts-expect-error a temperature is not a difference
	warmerBy(warm, warm);
	// @ts-expect-error a difference is not a temperature
	warmerBy(rise, rise);
	// @ts-expect-error a mass cannot be compared with a duration
	isLess(mass, time);
	assert.ok(isLess(mass, { grams: 2 }));
	assert.ok(isClose(warmerBy(warm, rise), { celsius: 27 }, 1e-9));
	assert.deepEqual(wrongMass, { minutes: 1 });
});
