import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from '../explain/by-hand.fixture.ts';
import { given } from '../explain/index.ts';
import {
	blendOfTaps,
	FLOUR_HEAT_CAPACITY,
	heatCapacityOfMixture,
	iceFor,
	observedFrictionFactor,
	orderWater,
	riseFromFriction,
	SALT_HEAT_CAPACITY,
	temperatureWithIce,
	WATER_HEAT_CAPACITY,
	waterByFactorRule,
	workFromFrictionFactor,
	type FactorRuleInput,
	type WaterSupply
} from './index.ts';

const SET = { kind: 'bakery' } as const;
const at = (celsius: number) => ({ temperature: { celsius }, source: SET });
const kj = (value: number) => ({ kilojoulesPerKilogramKelvin: value });
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const water = (grams: number) => given({ key: 'water-mass' }, grams, 'g', SET);
const wanted = (celsius: number) => given({ key: 'water-temperature' }, celsius, '°C', SET);

/** A friction that gives F = 14 at four temperatures. */
const RULE: FactorRuleInput = {
	target: { celsius: 25 },
	flour: at(19),
	room: at(23),
	rise: null,
	counted: [{ ...at(24), name: 'levain' }],
	friction: {
		work: workFromFrictionFactor({ kelvins: 14 }, 4, kj(2.742)),
		heatCapacity: kj(2.742),
		source: { kind: 'assumed' }
	}
};
const SUPPLY: WaterSupply = {
	cold: at(11),
	chilled: null,
	hot: { celsius: 55 },
	ice: { temperature: { celsius: 0 }, mostShare: { share: 0.15 } },
	hottestForYeast: { celsius: 40 }
};

test('worked figure: the factor rule asks for water at 20.0 degrees', () => {
	close(waterByFactorRule(RULE).value, 20.0, 0.05);
	const three = waterByFactorRule({ ...RULE, counted: [] });
	// Without the pre-ferment the same friction counts three times: F = 10.5.
	close(three.value, 75 - 19 - 23 - 10.5, 0.05);
	assert.equal(byHand(three), three.value);
});

test('worked figure: dough at 26.2 with water at 20.0 reveals F = 18.8', () => {
	const others = [{ celsius: 19 }, { celsius: 23 }, { celsius: 24 }];
	close(observedFrictionFactor({ celsius: 26.2 }, { celsius: 20 }, others).kelvins, 18.8, 0.05);
});

test('worked figure: heat capacity 2.742, rise 3.501 K, F 14.01 of the levain dough', () => {
	const capacity = heatCapacityOfMixture([
		{ grams: 16_800, heatCapacity: kj(FLOUR_HEAT_CAPACITY) },
		{ grams: 3000, heatCapacity: kj(FLOUR_HEAT_CAPACITY) },
		{ grams: 3000, heatCapacity: kj(WATER_HEAT_CAPACITY) },
		{ grams: 420, heatCapacity: kj(SALT_HEAT_CAPACITY) },
		{ grams: 11_000, heatCapacity: kj(WATER_HEAT_CAPACITY) }
	]);
	const rise = riseFromFriction({ kilojoulesPerKilogram: 9.6 }, capacity);
	close(capacity.kilojoulesPerKilogramKelvin, 2.742, 0.0005);
	close(rise.kelvins, 3.501, 0.0005);
	close(4 * rise.kelvins, 14.01, 0.005);
	assert.throws(() => heatCapacityOfMixture([]), RangeError);
});

test('worked figure: 0.794 kg of ice at 0 degrees, 0.722 kg from the freezer', () => {
	const input = { water: water(9000), wanted: wanted(3), tap: at(11) };
	close(iceFor({ ...input, ice: { celsius: 0 } }).value, 794, 0.5);
	close(iceFor({ ...input, ice: { celsius: -18 } }).value, 722, 0.5);
});

test('worked figure: 12 kg at 31 degrees from taps at 12 and 55', () => {
	const blend = blendOfTaps({ grams: 12_000 }, { celsius: 31 }, { celsius: 12 }, { celsius: 55 });
	assert.ok(blend.ok);
	close(blend.value.hot.grams, 5302, 0.5);
	close(blend.value.cold.grams, 6698, 0.5);
});

test('a blend outside the taps is refused with the limit', () => {
	const taps = [{ celsius: 12 }, { celsius: 55 }] as const;
	assert.deepEqual(blendOfTaps({ grams: 1 }, { celsius: 4 }, ...taps), {
		ok: false,
		error: { kind: 'colder-than-cold-tap', coldest: { celsius: 12 } }
	});
	assert.deepEqual(blendOfTaps({ grams: 1 }, { celsius: 60 }, ...taps), {
		ok: false,
		error: { kind: 'hotter-than-hot-tap', hottest: { celsius: 55 } }
	});
});

test('water is filled by blend, by ice, or with an honest miss', () => {
	const order = (celsius: number, supply = SUPPLY) =>
		orderWater(wanted(celsius), water(9000), 4, supply);
	const blend = order(20);
	assert.equal(blend.kind, 'blend');
	const iced = order(3);
	assert.ok(iced.kind === 'ice');
	close(iced.ice.value + iced.cold.grams, 9000, 1e-9);
	const frozen = order(-6);
	assert.ok(frozen.kind === 'too-cold-for-ice');
	close(frozen.ice.grams, 1350, 1e-9);
	close(frozen.doughWarmerBy.kelvins * 4, frozen.temperature.celsius + 6, 1e-9);
	const hot = order(46);
	assert.ok(hot.kind === 'too-warm' && hot.limit === 'yeast');
	close(hot.doughColderBy.kelvins, 1.5, 1e-9);
	const weak = order(39, { ...SUPPLY, hot: { celsius: 35 } });
	assert.ok(weak.kind === 'too-warm' && weak.limit === 'hot-tap');
	close(weak.hot.grams, 9000, 1e-6);
});

test('ice and blend conserve heat and mass for any water the rule may ask for', () => {
	fc.assert(
		fc.property(
			fc.double({ min: -12, max: 54, noNaN: true }),
			fc.double({ min: 5, max: 25, noNaN: true }),
			fc.double({ min: -20, max: 0, noNaN: true }),
			(target, tap, ice) => {
				if (target < tap) {
					const iced = iceFor({
						water: water(10_000),
						wanted: wanted(target),
						tap: at(tap),
						ice: { celsius: ice }
					});
					const back = temperatureWithIce(
						{ grams: 10_000 },
						{ grams: iced.value },
						{ celsius: tap },
						{ celsius: ice }
					);
					close(back.celsius, target, 1e-9);
				} else {
					const blend = blendOfTaps(
						{ grams: 10_000 },
						{ celsius: target },
						{ celsius: tap },
						{ celsius: 55 }
					);
					assert.ok(blend.ok);
					const { hot, cold } = blend.value;
					close((hot.grams * 55 + cold.grams * tap) / 10_000, target, 1e-9);
				}
			}
		)
	);
});

test('warmer flour, room or pre-ferment never asks for warmer water', () => {
	const any = fc.double({ min: -5, max: 40, noNaN: true });
	fc.assert(
		fc.property(any, any, any, fc.double({ min: 0, max: 5, noNaN: true }), (f, r, p, more) => {
			const at0 = { ...RULE, flour: at(f), room: at(r), counted: [{ ...at(p), name: 'levain' }] };
			const warmer = { ...at0, flour: at(f + more) };
			assert.ok(waterByFactorRule(warmer).value <= waterByFactorRule(at0).value);
		})
	);
});
