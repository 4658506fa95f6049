import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from '../explain/by-hand.fixture.ts';
import {
	baseInFahrenheit,
	baseTemperature,
	FLOUR_HEAT_CAPACITY,
	frictionRevealed,
	pullsOf,
	SALT_HEAT_CAPACITY,
	waterByBaseTemperature,
	waterByFactorRule,
	WATER,
	waterByHeatBalance,
	waterDegreesPerDough,
	WATER_HEAT_CAPACITY,
	workFromFrictionFactor,
	type HeatBalanceInput
} from './index.ts';

const SET = { kind: 'bakery' } as const;
const at = (celsius: number) => ({ temperature: { celsius }, source: SET });
const part = (name: string, grams: number, kj: number, celsius: number) => ({
	name,
	mass: { grams },
	heatCapacity: { kilojoulesPerKilogramKelvin: kj },
	temperature: at(celsius)
});
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

/** The levain dough of the worked figures. */
const DOUGH: HeatBalanceInput = {
	target: { celsius: 25 },
	parts: [
		part('flour', 16_800, FLOUR_HEAT_CAPACITY, 19),
		part('levain', 6000, (FLOUR_HEAT_CAPACITY + WATER_HEAT_CAPACITY) / 2, 24),
		part('salt', 420, SALT_HEAT_CAPACITY, 21)
	],
	bowl: { kilojoulesPerKelvin: 9, temperature: at(22) },
	water: { grams: 11_000 },
	liquid: WATER,
	friction: { work: { kilojoulesPerKilogram: 9.6 }, source: { kind: 'assumed' } }
};

test('worked figure: by the balance of heat the levain dough asks for water at 22.724 degrees', () => {
	const water = waterByHeatBalance(DOUGH);
	close(water.value, 22.724, 0.0005);
	assert.equal(byHand(water), water.value);
	assert.throws(() => waterByHeatBalance({ ...DOUGH, water: { grams: 0 } }), RangeError);
});

test('the dough that comes out at its target reveals the friction it was mixed for', () => {
	fc.assert(
		fc.property(
			fc.double({ min: -2, max: 34, noNaN: true }),
			fc.double({ min: 5, max: 34, noNaN: true }),
			fc.double({ min: 2, max: 25, noNaN: true }),
			(flour, levain, work) => {
				const input: HeatBalanceInput = {
					...DOUGH,
					parts: [
						{ ...DOUGH.parts[0]!, temperature: at(flour) },
						{ ...DOUGH.parts[1]!, temperature: at(levain) }
					],
					friction: { ...DOUGH.friction, work: { kilojoulesPerKilogram: work } }
				};
				const water = waterByHeatBalance(input).value;
				const revealed = frictionRevealed(input, at(25), { celsius: water });
				close(revealed.value, work, 1e-9);
				close(byHand(revealed), work, 1e-9);
			}
		)
	);
});

test('hotter water never gives colder dough, and a degree of dough takes as many of water as its heat says', () => {
	const reveals = (dough: number, water: number) =>
		frictionRevealed(DOUGH, at(dough), { celsius: water }).value;
	fc.assert(
		fc.property(
			fc.double({ min: 0, max: 40, noNaN: true }),
			fc.double({ min: 0.01, max: 10, noNaN: true }),
			(water, more) => {
				// With the friction held, the dough rises by the water's rise over the ratio.
				const ratio = waterDegreesPerDough(DOUGH);
				close(reveals(25 + more / ratio, water + more), reveals(25, water), 1e-9);
				assert.ok(ratio > 1);
			}
		)
	);
});

test('a base is 3 x DDT less the friction, and in Fahrenheit 1.8 x base + 96', () => {
	const friction = {
		work: workFromFrictionFactor({ kelvins: 10.5 }, 3, { kilojoulesPerKilogramKelvin: 2.742 }),
		heatCapacity: { kilojoulesPerKilogramKelvin: 2.742 },
		source: { kind: 'assumed' as const }
	};
	const input = {
		target: { celsius: 25 },
		flour: at(19),
		room: at(23),
		friction,
		rise: null,
		typed: null
	};
	close(baseTemperature(input).value, 64.5, 1e-9);
	close(waterByBaseTemperature(input).value, 22.5, 1e-9);
	close(baseInFahrenheit(64.5), 212.1, 1e-9);
	// The sum of three readings in Fahrenheit: 22.5, 19 and 23 degrees Celsius.
	close(baseInFahrenheit(64.5), 72.5 + 66.2 + 73.4, 1e-9);
	// Without a pre-ferment the base and the factor rule are one and the same.
	const rule = waterByFactorRule({ ...input, counted: [] });
	close(waterByBaseTemperature(input).value, rule.value, 1e-9);
});

test('what pulls a dough off its target is what its water pulls the other way', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 2, max: 32, noNaN: true }),
			fc.double({ min: 0, max: 20, noNaN: true }),
			(celsius, work) => {
				const input: HeatBalanceInput = {
					...DOUGH,
					target: { celsius: 25 },
					parts: DOUGH.parts.map((part) => ({ ...part, temperature: at(celsius) })),
					friction: { work: { kilojoulesPerKilogram: work }, source: { kind: 'assumed' } }
				};
				const pulls = pullsOf(input);
				const water = waterByHeatBalance(input).value;
				const sum = pulls.reduce((total, { by }) => total + by.kelvins, 0);
				// Degrees of water for one of dough tell what the water has to pull.
				close(sum + (water - 25) / waterDegreesPerDough(input), 0, 1e-9);
				const friction = pulls.find(({ of }) => of.kind === 'friction');
				assert.ok((friction?.by.kelvins ?? -1) >= 0);
				const sizes = pulls.map(({ by }) => Math.abs(by.kelvins));
				assert.deepEqual(
					sizes,
					[...sizes].sort((a, b) => b - a)
				);
			}
		)
	);
});
