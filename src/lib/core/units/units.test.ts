import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import * as units from './index.ts';

const SCALES: units.WeighingScale[] = [
	{ name: 'gram scale', capacity: { grams: 500 }, division: { grams: 0.1 } },
	{ name: 'bench scale', capacity: { grams: 6000 }, division: { grams: 1 } },
	{ name: 'floor scale', capacity: { grams: 60000 }, division: { grams: 20 } }
];
const finite = (max: number) => fc.double({ min: 0, max, noNaN: true });

test('masses and temperatures go to the other system and back unchanged', () => {
	fc.assert(
		fc.property(fc.double({ min: -50, max: 400, noNaN: true }), (value) => {
			assert.ok(Math.abs(units.inPounds(units.pounds(value)) - value) < 1e-9);
			assert.ok(Math.abs(units.inFahrenheit(units.fahrenheit(value)) - value) < 1e-9);
			const there = units.differenceInFahrenheit({ kelvins: value });
			assert.ok(Math.abs(units.differenceFromFahrenheit(there).kelvins - value) < 1e-9);
			assert.ok(Math.abs(units.inKilograms(units.kilograms(value)) - value) < 1e-9);
		})
	);
});

test('a temperature difference converts without the 32 offset', () => {
	assert.equal(units.differenceInFahrenheit({ kelvins: 10 }), 18);
	assert.equal(units.inFahrenheit({ celsius: 10 }), 50);
	assert.equal(
		units.formatDifference({ kelvins: 14 }, 1, { mass: 'metric', temperature: 'fahrenheit' }),
		'25.2 °F'
	);
});

test('an ingredient is weighed on the finest scale that carries it, in whole divisions', () => {
	const small = units.roundToScale({ grams: 41.26 }, SCALES);
	const middle = units.roundToScale({ grams: 512.34 }, SCALES);
	const large = units.roundToScale({ grams: 9814.3 }, SCALES);
	assert.ok(small.ok && middle.ok && large.ok);
	assert.equal(small.value.weighed.grams, 41.3);
	assert.equal(middle.value.weighed.grams, 512);
	assert.equal(middle.value.scale.name, 'bench scale');
	assert.equal(large.value.weighed.grams, 9820);
	assert.equal(large.value.coarse, false);
	assert.equal(large.value.goes, 1);
	const most = SCALES.reduce((most, { capacity }) => Math.max(most, capacity.grams), 0);
	for (const [grams, goes] of [
		[most, 1],
		[most + 100, 2],
		[2.5 * most, 3]
	] as const) {
		const heavy = units.roundToScale({ grams }, SCALES);
		assert.equal(heavy.ok && heavy.value.goes, goes);
	}
});

test('rounding that moves a line by more than one percent of itself is flagged', () => {
	const only = units.roundToScale({ grams: 48 }, [SCALES[2]!]);
	assert.ok(only.ok);
	assert.equal(only.value.weighed.grams, 40);
	assert.equal(only.value.coarse, true);
	assert.deepEqual(units.roundToScale({ grams: 1 }, []), {
		ok: false,
		error: { kind: 'no-scales' }
	});
});

test('rounding never moves a line by more than half a division', () => {
	fc.assert(
		fc.property(finite(200_000), (wanted) => {
			const rounded = units.roundToScale({ grams: wanted }, SCALES);
			assert.ok(rounded.ok);
			const half = rounded.value.scale.division.grams / 2;
			assert.ok(Math.abs(rounded.value.residue.grams) <= half + 1e-6);
		})
	);
});

test('what is typed is read as a baker means it, and nonsense is refused with the reason', () => {
	assert.deepEqual(units.parseNumber('1 250,5'), { ok: true, value: 1250.5 });
	for (const [text, thousands, decimals] of [
		['1,250', '1250', '1.250'],
		['\u221212,000', '-12000', '-12.000']
	] as const)
		assert.deepEqual(units.parseNumber(text), {
			ok: false,
			error: { kind: 'ambiguous', text, thousands, decimals }
		});
	// None of these can be thousands.
	for (const [text, value] of [
		['0,250', 0.25],
		['1,25', 1.25],
		['1250,500', 1250.5],
		['1.250', 1.25]
	] as const)
		assert.deepEqual(units.parseNumber(text), { ok: true, value });
	assert.deepEqual(units.parsePieces('48', 9999), { ok: true, value: 48 });
	assert.equal(units.parsePieces('-4', 9999).ok, false);
	const kinds = ['', 'twelve', '4.5', '-4', '10000', 'Infinity', '1e3'].map((text) => {
		const read = units.parsePieces(text, 9999);
		return read.ok ? 'read' : read.error.kind;
	});
	assert.deepEqual(kinds, [
		'empty',
		'not-a-number',
		'not-whole',
		'below',
		'above',
		'not-a-number',
		'not-a-number'
	]);
	const limits = { least: { celsius: -10 }, most: { celsius: 60 } };
	const fahrenheit = { mass: 'metric', temperature: 'fahrenheit' } as const;
	const warm = units.parseTemperature('77 °F', fahrenheit, limits);
	assert.ok(warm.ok && Math.abs(warm.value.celsius - 25) < 1e-9);
	const hot = units.parseTemperature('200', units.METRIC, limits);
	assert.deepEqual(hot, { ok: false, error: { kind: 'above', most: 60, unit: '°C' } });
});

test('what is formatted reads back as the same number', () => {
	fc.assert(
		fc.property(fc.double({ min: -99_999, max: 99_999, noNaN: true }), (value) => {
			const read = units.parseNumber(units.formatNumber(value, 3));
			assert.ok(read.ok && Math.abs(read.value - value) <= 0.000501);
		})
	);
});

test('figures are shown with their unit and the precision of the tool', () => {
	assert.equal(units.formatMass({ grams: 4416.4 }, 1), '4416.4 g');
	assert.equal(units.formatMass({ grams: 24861.5 }, 0), '24.86 kg');
	assert.equal(
		units.formatMass({ grams: 28.35 }, 0, { mass: 'imperial', temperature: 'celsius' }),
		'1.00 oz'
	);
	assert.equal(units.formatTemperature({ celsius: -0.04 }), '0.0 °C');
	assert.equal(units.formatTemperature({ celsius: -3.5 }), '−3.5 °C');
	assert.deepEqual([45, 180, 210, -5].map(units.formatMinutes), [
		'45 min',
		'3 h',
		'3 h 30',
		'−5 min'
	]);
	assert.deepEqual(
		[0.1, 1, 20, 0.5].map((g) => units.decimalsOfDivision({ grams: g })),
		[1, 0, 0, 1]
	);
});

test('pounds and ounces are told as a baker counts them out', () => {
	const imperial = { mass: 'imperial', temperature: 'fahrenheit' } as const;
	const told = (pounds: number) => units.formatMass({ grams: pounds * 453.59237 }, 1, imperial);
	assert.equal(told(21 + 10 / 16), '21 lb 10 oz');
	assert.equal(told(21 + 10.44 / 16), '21 lb 10.4 oz');
	assert.equal(told(2), '2 lb');
	assert.equal(told(1 + 15.97 / 16), '2 lb');
	assert.equal(told(0.5), '8.00 oz');
	assert.equal(told(-3.25), '\u22123 lb 4 oz');
});
