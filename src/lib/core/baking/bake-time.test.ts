import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { bakeTimeOf } from './index.ts';

const round = { piece: { grams: 900 }, time: { minutes: 42 } };

test('worked figure: rounds of 900 g in 42 min take 48.7 at 1 250 g, and 520 g is outside', () => {
	const heavier = bakeTimeOf(round, { grams: 1250 });
	assert.ok(heavier.ok);
	assert.equal(heavier.value.minutes.toFixed(1), '48.7');
	const lighter = bakeTimeOf(round, { grams: 520 });
	assert.ok(!lighter.ok);
	assert.equal(lighter.error.least.grams, 540);
	assert.equal(Math.round(lighter.error.most.grams), 1260);
});

test('the edges are offered, and what is beyond them or no weight is not', () => {
	for (const grams of [540, 900 * 1.4]) assert.ok(bakeTimeOf(round, { grams }).ok, String(grams));
	for (const grams of [539.9, 1260.1, 0, -900, NaN, Infinity])
		assert.ok(!bakeTimeOf(round, { grams }).ok, String(grams));
});

test('the same weight keeps its time, heavier takes longer, and there and back is where it began', () => {
	const grams = fc.double({ min: 30, max: 3000, noNaN: true });
	const share = fc.double({ min: 0.72, max: 1.39, noNaN: true });
	fc.assert(
		fc.property(grams, share, (grams, share) => {
			const known = { piece: { grams }, time: { minutes: 40 } };
			const other = bakeTimeOf(known, { grams: grams * share });
			assert.ok(other.ok);
			assert.ok(share === 1 || other.value.minutes > 40 === share > 1);
			const back = bakeTimeOf({ piece: { grams: grams * share }, time: other.value }, { grams });
			assert.ok(back.ok);
			assert.ok(Math.abs(back.value.minutes - 40) < 1e-9);
		})
	);
});
