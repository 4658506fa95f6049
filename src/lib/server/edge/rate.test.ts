import { test } from 'node:test';
import assert from 'node:assert/strict';
import { RateLimit } from './rate.ts';

test('a minute has so many, they come back one by one, and one does not take from another', () => {
	const limit = new RateLimit(30);
	for (let n = 0; n < 30; n += 1) assert.equal(limit.take('a', 1000), null, `request ${n}`);
	assert.equal(limit.take('a', 1000), 2, 'the next is there in two seconds');
	assert.equal(limit.take('b', 1000), null);
	assert.equal(limit.take('a', 2500), 1);
	assert.equal(limit.take('a', 3000), null);
	assert.equal(limit.take('a', 3000), 2);
	assert.equal(limit.take('a', 2000), 2, 'a clock that went back gives nothing away');
	for (let n = 0; n < 30; n += 1)
		assert.equal(limit.take('a', 1e9), null, 'never more than a minute');
	assert.notEqual(limit.take('a', 1e9), null);
});

test('it remembers no more than it can hold', () => {
	const limit = new RateLimit(1);
	assert.equal(limit.take('first', 0), null);
	assert.notEqual(limit.take('first', 0), null);
	for (let n = 0; n < 2000; n += 1) limit.take(`other ${n}`, 0);
	assert.equal(limit.take('first', 0), null, 'the first was forgotten');
});
