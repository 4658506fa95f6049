import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { given, leavesOf, worked, type Worked } from '../../core/explain/index.ts';
import {
	iceFor,
	WATER,
	waterByBaseTemperature,
	waterByFactorRule,
	waterByHeatBalance
} from '../../core/heat/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../../core/formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../../core/identity.ts';
import { productionOf } from '../../core/production/index.ts';
import { METRIC, type UnitChoice } from '../../core/units/index.ts';
import { numberText, sentenceText } from './sentence.ts';

const SET = { kind: 'bakery' } as const;
const part = (name: string, grams: number, kj: number, celsius: number) => ({
	name,
	mass: { grams },
	heatCapacity: { kilojoulesPerKilogramKelvin: kj },
	temperature: at(celsius)
});
const at = (celsius: number) => ({ temperature: { celsius }, source: SET });

/** Reads a sentence as arithmetic and works it out again. */
function rework(sentence: string): { left: number; right: number; decimals: number } {
	const [left = '', right = ''] = sentence.split(' = ');
	const plain = left
		.replace(/^the largest of (.*)$/, (_, list: string) => list.replace(/, /g, ' ; '))
		.replace(/\u2009/g, '')
		.replace(/÷ ([\d.]+) %/g, '* 100 / $1')
		.replace(/× ([\d.]+) %/g, '* $1 / 100')
		.replace(/−/g, '-')
		.replace(/×/g, '*')
		.replace(/÷/g, '/');
	assert.match(plain, /^[-\d.+*/() ;]+$/);
	const values = plain
		.split(' ; ')
		.map((expression) => Number((new Function(`return (${expression})`) as () => number)()));
	const shown = right.replace(/\u2009/g, '').replace('−', '-');
	const [, fraction = ''] = /^-?\d+(?:\.(\d+))?/.exec(shown) ?? [];
	return { left: Math.max(...values), right: Number.parseFloat(shown), decimals: fraction.length };
}

/** Worked out again with the digits that stand there, it comes to what stands there, to its last digit. */
function holds(explained: Worked, units: UnitChoice = METRIC) {
	const sentence = sentenceText(explained, units);
	const { left, right, decimals } = rework(sentence);
	assert.equal(left.toFixed(decimals), right.toFixed(decimals), sentence);
	for (const input of explained.inputs) if (input.kind === 'worked') holds(input, units);
}

const RULE = {
	target: { celsius: 25 },
	flour: at(19),
	room: at(23),
	rise: null,
	typed: null,
	counted: [{ ...at(24), name: 'levain' }],
	friction: {
		work: { kilojoulesPerKilogram: 9.597 },
		heatCapacity: { kilojoulesPerKilogramKelvin: 2.742 },
		source: { kind: 'assumed' as const }
	}
};

test('the factor rule reads as a baker says it', () => {
	const water = waterByFactorRule(RULE) as Worked;
	assert.equal(sentenceText(water), '4 × 25.0 − (19.0 + 23.0 + 24.0 + 14.0) = 20.0\u00a0°C');
	const frozen = waterByFactorRule({ ...RULE, flour: at(-3) }) as Worked;
	assert.equal(sentenceText(frozen), '4 × 25.0 − (−3.0 + 23.0 + 24.0 + 14.0) = 42.0\u00a0°C');
});

test('every sentence of a day works out to the number it stands for', () => {
	const round = id<ProductId>('round');
	fc.assert(
		fc.property(fc.integer({ min: 3, max: 400 }), (pieces) => {
			const day = productionOf({
				demands: [{ dropId: id<DropId>('ferry'), dueMs: 0, productId: round, pieces }],
				products: [
					{
						id: round,
						name: 'round',
						doughs: [{ formulaId: OAT_LOAF.id, scaledWeight: { grams: 900 } }],
						extras: [],
						sheet: null,
						spares: { share: 0 }
					}
				],
				formulas: [
					{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 30_000 } }] }
				],
				pantry: OAT_LOAF_PANTRY,
				scales: [{ name: 'scale', capacity: { grams: 60_000 }, division: { grams: 1 } }],
				made: { mixes: [], preparations: [] }
			});
			assert.ok(day.ok);
			for (const dough of day.value.doughs)
				for (const mix of dough.mixes) for (const line of mix.lines) holds(line.exact as Worked);
			for (const build of day.value.builds) {
				holds(build.gross as Worked);
				for (const line of build.lines) holds(line.exact as Worked);
			}
		}),
		{ numRuns: 15 }
	);
});

test('the sentences of water and ice work out over the range a bakery sees', () => {
	const celsius = fc.double({ min: -4, max: 34, noNaN: true });
	fc.assert(
		fc.property(celsius, celsius, celsius, (flour, room, build) => {
			const water = waterByFactorRule({
				...RULE,
				flour: at(flour),
				room: at(room),
				counted: [{ ...at(build), name: 'levain' }]
			});
			holds(water as Worked);
			const ice = iceFor({
				water: given({ key: 'water-mass' }, 12_000, 'g', SET),
				wanted: given({ key: 'water-temperature' }, Math.round(room) / 4 - 3, '°C', SET),
				tap: at(14.5),
				ice: { celsius: -18 }
			});
			holds(ice as Worked);
			const balance = waterByHeatBalance({
				target: { celsius: 25.3 },
				parts: [
					part('flour', 16_813, 1.76, flour),
					part('levain', 6127, 2.973, build),
					part('salt', 421.5, 0.88, room)
				],
				bowl: { kilojoulesPerKelvin: 9, temperature: at(room) },
				water: { grams: 11_037 },
				liquid: WATER,
				friction: { work: { kilojoulesPerKilogram: 9.6173 }, source: { kind: 'assumed' } }
			});
			holds(balance as Worked);
		})
	);
});

test('numbers stand with the precision of their unit, and every leaf has one', () => {
	assert.equal(numberText({ value: 23_666.4, unit: 'g' }), '23\u2009666.4');
	assert.equal(numberText({ value: 36, unit: '%' }), '36');
	assert.equal(numberText({ value: 0.05, unit: '%' }), '0.05');
	assert.equal(numberText({ value: 4, unit: '1' }), '4');
	const largest = worked({ key: 'mix-dough' }, 'g', 'largest', [
		given({ key: 'mix' }, 24_000, 'g', SET),
		given({ key: 'mix' }, 23_000, 'g', SET)
	]);
	assert.equal(
		sentenceText(largest),
		'the largest of 24\u2009000.0, 23\u2009000.0 = 24\u2009000.0\u00a0g'
	);
	assert.equal(leavesOf(largest).length, 2);
});

test('in degrees Fahrenheit a sentence is told in them when it holds in them, and in Celsius when it does not', () => {
	const fahrenheit = { mass: 'metric', temperature: 'fahrenheit' } as const;
	const water = waterByFactorRule(RULE) as Worked;
	assert.equal(
		sentenceText(water, fahrenheit),
		'4 × 77.0 − (66.2 + 73.4 + 75.2 + 25.2) = 68.0\u00a0°F'
	);
	fc.assert(
		fc.property(
			fc.double({ min: -5, max: 35, noNaN: true }),
			fc.double({ min: 5, max: 35, noNaN: true }),
			(flour, room) => {
				const asked = { ...RULE, flour: at(flour), room: at(room) };
				for (const explained of [waterByFactorRule(asked), waterByBaseTemperature(asked)]) {
					holds(explained as Worked, fahrenheit);
				}
			}
		)
	);
	// Heat times degrees holds in Celsius alone; what the thermometer shows stands behind it.
	const heat = worked({ key: 'water-temperature' }, '°C', 'quotient', [
		given({ key: 'friction-heat' }, 100, 'kJ', SET),
		given({ key: 'heat-capacity-of' }, 5, 'kJ/K', SET)
	]);
	assert.equal(sentenceText(heat, fahrenheit), '100.0 ÷ 5.00 = 20.0\u00a0°C, that is 68.0\u00a0°F');
});
