import { test } from 'node:test';
import assert from 'node:assert/strict';
import { parseWeight } from './index.ts';

const milk = { gramsPerUnit: 1000, density: { kilogramsPerLitre: 1.03 } };
const grams = (text: string, asked = milk) => {
	const read = parseWeight(text, asked);
	return read.ok ? Math.round(read.value * 1e6) / 1e6 : read.error.kind;
};

test('a volume of what has a density is a weight, whatever it is written in', () => {
	assert.equal(grams('1.5 l'), 1545);
	assert.equal(grams('1,5 L'), 1545);
	assert.equal(grams('2 litres'), 2060);
	assert.equal(grams('250ml'), 257.5);
	assert.equal(grams('5 cl'), 51.5);
	assert.equal(grams('3 dl'), 309);
	assert.equal(grams('2 tbsp'), 30.9);
	assert.equal(grams('1 tsp.'), 5.15);
	assert.equal(grams('2 cups'), 515);
});

test('a plain number is in the unit that is asked', () => {
	assert.equal(grams('1.5'), 1500);
	assert.equal(grams('1.5', { ...milk, gramsPerUnit: 1 }), 1.5);
});

test('what is no weight says what is wrong', () => {
	assert.equal(grams(''), 'empty');
	assert.equal(grams('l'), 'empty');
	assert.equal(grams('some ml'), 'not-a-number');
	assert.equal(grams('1,250 ml'), 'ambiguous');
	assert.equal(grams('3 kg'), 'not-a-number');
	const dry = parseWeight('1 cup', { gramsPerUnit: 1, density: null });
	assert.deepEqual(dry, { ok: false, error: { kind: 'no-density', text: '1 cup' } });
});
