import { test } from 'node:test';
import assert from 'node:assert/strict';
import {
	additionAfter,
	additionOrder,
	isAddition,
	MOST_ADDITION_MINUTES,
	minutesIntoMix,
	NAMED_ADDITIONS,
	type Addition
} from './index.ts';

test('every addition is one, there and back, and nothing else is', () => {
	for (const addition of NAMED_ADDITIONS) {
		assert.ok(isAddition(addition));
		assert.equal(minutesIntoMix(addition), null);
	}
	for (let minutes = 1; minutes <= MOST_ADDITION_MINUTES; minutes += 1) {
		const addition = additionAfter(minutes);
		assert.ok(isAddition(addition));
		assert.equal(minutesIntoMix(addition), minutes);
	}
	for (const text of ['', 'after-0', 'after-61', 'after-1.5', 'after--2', 'later', 'Late'])
		assert.equal(isAddition(text), false, text);
	assert.throws(() => additionAfter(0), RangeError);
	assert.throws(() => additionAfter(2.5), RangeError);
});

test('additions sort in the order they go in', () => {
	const order: Addition[] = [
		'autolyse',
		'start',
		'after-2',
		'after-10',
		'after-60',
		'held-back',
		'late',
		'fold-in',
		'roll-in'
	];
	const mixed = [...order].reverse().sort((a, b) => additionOrder(a) - additionOrder(b));
	assert.deepEqual(mixed, order);
});
