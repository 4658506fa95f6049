import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { given } from '../explain/index.ts';
import {
	blendOfTaps,
	expectedDough,
	FLOUR_HEAT_CAPACITY,
	iceFor,
	ICE_HEAT_CAPACITY,
	ICE_LATENT_HEAT,
	orderWater,
	SALT_HEAT_CAPACITY,
	temperaturesOfStages,
	WATER,
	WATER_HEAT_CAPACITY,
	waterByHeatBalance,
	waterOfStages,
	type HeatBalanceInput,
	type StagedMixInput,
	type WaterSupply
} from './index.ts';

const SET = { kind: 'bakery' } as const;
const at = (celsius: number) => ({ temperature: { celsius }, source: SET });
const celsius = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const close = (actual: number, expected: number, within = 1e-9, what = '') =>
	assert.ok(Math.abs(actual - expected) <= within, `${what} ${actual} is not ${expected}`);

const dough = (flour: number, room: number, work: number): HeatBalanceInput => ({
	target: { celsius: 25 },
	parts: [
		{
			name: 'flour',
			mass: { grams: 16_000 },
			heatCapacity: { kilojoulesPerKilogramKelvin: FLOUR_HEAT_CAPACITY },
			temperature: at(flour)
		},
		{
			name: 'salt',
			mass: { grams: 320 },
			heatCapacity: { kilojoulesPerKilogramKelvin: SALT_HEAT_CAPACITY },
			temperature: at(room)
		}
	],
	bowl: { kilojoulesPerKelvin: 9, temperature: at(room) },
	water: { grams: 10_000 },
	liquid: WATER,
	friction: { work: { kilojoulesPerKilogram: work }, source: SET }
});

test('heat is kept in a mix: what all of it held and the mixer put in is what the dough holds', () => {
	fc.assert(
		fc.property(
			celsius(-3, 34),
			celsius(5, 36),
			celsius(2, 20),
			celsius(0, 40),
			(flour, room, work, water) => {
				const input = dough(flour, room, work);
				const end = expectedDough(input, at(water)).value;
				const before =
					16 * FLOUR_HEAT_CAPACITY * flour +
					0.32 * SALT_HEAT_CAPACITY * room +
					9 * room +
					10 * WATER_HEAT_CAPACITY * water +
					work * 26.32;
				const holds =
					16 * FLOUR_HEAT_CAPACITY + 0.32 * SALT_HEAT_CAPACITY + 9 + 10 * WATER_HEAT_CAPACITY;
				close(holds * end, before, 1e-6);
				// The water that the balance asks for makes the dough it is asked for.
				close(expectedDough(input, at(waterByHeatBalance(input).value)).value, 25, 1e-9);
			}
		)
	);
});

test('heat is kept in a blend and in ice', () => {
	fc.assert(
		fc.property(celsius(2, 18), celsius(40, 70), celsius(0, 1), (cold, hot, share) => {
			// All of the way may be a hair beyond it.
			const wanted = Math.min(hot, cold + share * (hot - cold));
			const blend = blendOfTaps(
				{ grams: 12_000 },
				{ celsius: wanted },
				{ celsius: cold },
				{ celsius: hot }
			);
			assert.ok(blend.ok);
			close(blend.value.hot.grams + blend.value.cold.grams, 12_000, 1e-6);
			close(blend.value.hot.grams * hot + blend.value.cold.grams * cold, 12_000 * wanted, 1e-4);
		})
	);
	fc.assert(
		fc.property(celsius(5, 25), celsius(0, 5), celsius(-25, 0), (tap, wanted, frozen) => {
			const ice =
				iceFor({
					water: given({ key: 'water-mass' }, 9000, 'g', SET),
					wanted: given({ key: 'water-temperature' }, wanted, '°C', SET),
					tap: at(tap),
					ice: { celsius: frozen }
				}).value / 1000;
			const given_ = (9 - ice) * WATER_HEAT_CAPACITY * (tap - wanted);
			const taken =
				ice * (-ICE_HEAT_CAPACITY * frozen + ICE_LATENT_HEAT + WATER_HEAT_CAPACITY * wanted);
			close(given_, taken, 1e-6);
		})
	);
});

test('hotter water never makes a colder dough, stage by stage neither', () => {
	const staged = (rest: number): StagedMixInput => ({
		target: { celsius: 25 },
		stages: [
			{
				name: 'autolyse',
				parts: dough(20, 23, 0).parts.slice(0, 1),
				waterGrams: 8000,
				work: { kilojoulesPerKilogram: 1 },
				rest: { minutes: rest, ambient: { celsius: 30 }, timeConstantMinutes: 200 }
			},
			{
				name: 'mix',
				parts: dough(20, 23, 0).parts.slice(1),
				waterGrams: 2000,
				work: { kilojoulesPerKilogram: 8 },
				rest: null
			}
		],
		bowl: { kilojoulesPerKelvin: 9, temperature: at(23) },
		liquid: WATER,
		inBowl: null,
		frictionSource: SET
	});
	fc.assert(
		fc.property(celsius(0, 38), celsius(0.1, 4), celsius(0, 400), (water, more, rest) => {
			const cool = temperaturesOfStages(staged(rest), () => water);
			const warm = temperaturesOfStages(staged(rest), () => water + more);
			for (const [index, one] of cool.entries()) assert.ok((warm[index] ?? 0) >= one);
			const found = waterOfStages(staged(rest)).value;
			close(temperaturesOfStages(staged(rest), () => found).at(-1) ?? 0, 25, 1e-6);
		})
	);
});

test('chilled water comes before ice, and ice goes into the colder of the two', () => {
	const supply = (chilled: number | null): WaterSupply => ({
		cold: at(19),
		chilled: chilled === null ? null : at(chilled),
		hot: { celsius: 55 },
		ice: { temperature: { celsius: 0 }, mostShare: { share: 0.15 } },
		hottestForYeast: { celsius: 40 }
	});
	const order = (wanted: number, chilled: number | null) =>
		orderWater(
			given({ key: 'water-temperature' }, wanted, '°C', SET),
			given({ key: 'water-mass' }, 10_000, 'g', SET),
			2,
			supply(chilled)
		);
	const blend = order(8, 3);
	assert.ok(blend.kind === 'chilled');
	close(blend.chilled.grams + blend.cold.grams, 10_000, 1e-6);
	close(blend.chilled.grams * 3 + blend.cold.grams * 19, 80_000, 1e-3);
	const iced = order(1, 3);
	assert.ok(iced.kind === 'ice' && iced.of === 'chilled');
	const tap = order(8, null);
	assert.ok(tap.kind === 'ice' && tap.of === 'tap');
	// A chiller that runs warmer than the tap is of no use.
	const useless = order(8, 22);
	assert.ok(useless.kind === 'ice' && useless.of === 'tap');
});
