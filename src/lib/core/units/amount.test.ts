import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { amountAtStart, parseAmount, unitNamed, type Amount } from './index.ts';

const read = (text: string) => {
	const found = amountAtStart(text);
	assert.ok(found.ok, `${text}: ${JSON.stringify(found)}`);
	const { amount, rest } = found.value;
	return [round(amount), rest] as const;
};
function round(amount: Amount): readonly [string, number] {
	const value =
		amount.kind === 'mass' ? amount.grams : amount.kind === 'volume' ? amount.litres : amount.value;
	return [amount.kind, Math.round(value * 1000) / 1000];
}

test('amounts as recipes write them', () => {
	const told: readonly (readonly [string, readonly [readonly [string, number], string]])[] = [
		['500 g bread flour', [['mass', 500], 'bread flour']],
		['1,5 kg Roggenmehl', [['mass', 1500], 'Roggenmehl']],
		['1 lb 4 oz strong flour', [['mass', 566.99], 'strong flour']],
		['8oz butter', [['mass', 226.796], 'butter']],
		['1 cup of ripe culture', [['volume', 0.25], 'of ripe culture']],
		['1 1/2 cups water', [['volume', 0.375], 'water']],
		['½ tsp salt', [['volume', 0.003], 'salt']],
		['1½ tbsp. honey', [['volume', 0.023], 'honey']],
		['250 ml milk', [['volume', 0.25], 'milk']],
		['2 teaspoons salt', [['volume', 0.01], 'salt']],
		['12.5 ounces water', [['mass', 354.369], 'water']],
		['500 g 00 flour', [['mass', 500], '00 flour']],
		['3 eggs', [['number', 3], 'eggs']],
		['70', [['number', 70], '']],
		['2 gloves', [['number', 2], 'gloves']]
	];
	for (const [text, wanted] of told) assert.deepEqual(read(text), wanted, text);
});

test('what is no amount says so, and what stands behind an amount in a cell is no amount', () => {
	assert.deepEqual(parseAmount(''), { ok: false, error: { kind: 'empty' } });
	assert.equal(parseAmount('a pinch').ok, false);
	assert.equal(parseAmount('12 oz flour').ok, false);
	assert.equal(parseAmount('1/0 cup').ok, false);
	const asked = parseAmount('1,250 g');
	assert.ok(!asked.ok && asked.error.kind === 'ambiguous');
});

test('a unit is known by its name as a column is headed', () => {
	assert.deepEqual(unitNamed('Ounces'), { of: 'mass', grams: 28.349523125 });
	assert.deepEqual(unitNamed('cups'), { of: 'volume', litres: 0.25 });
	assert.deepEqual(unitNamed('lbs.'), unitNamed('Pound'));
	for (const word of ['tub', '', 'constructor', '__proto__']) assert.equal(unitNamed(word), null);
});

test('any text is read or refused, and never throws', () => {
	fc.assert(
		fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (text) => {
			const found = amountAtStart(text);
			if (!found.ok) return;
			const [, value] = round(found.value.amount);
			assert.ok(Number.isFinite(value) && value >= 0);
		})
	);
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 99_999 }), (value) => {
			assert.deepEqual(read(`${value} g rye`), [['mass', value], 'rye']);
		})
	);
});
