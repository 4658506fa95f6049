import { test } from 'node:test';
import assert from 'node:assert/strict';
import { giveBack, kernelOf } from './idle.ts';

/** Takes what others gave back, so that nothing is idle. */
function takeAll(): void {
	for (let at = 0; at < 4; at += 1) kernelOf(0);
}

test('a kernel that was given back serves the next who wants no more room, empty', () => {
	takeAll();
	const one = kernelOf(100_000);
	one.row(1000).fill(9);
	giveBack(one);
	const next = kernelOf(50_000);
	assert.equal(next, one);
	assert.ok(
		next.row(1000).every((is) => is === 0),
		'nothing of the one before is left'
	);
	const beside = kernelOf(50_000);
	assert.notEqual(beside, next, 'who has one keeps it');
	giveBack(next);
	assert.notEqual(kernelOf(next.room + 1), next, 'it is too small for more');
});

test('a few are kept, the roomiest', () => {
	takeAll();
	const made = [1, 2, 3, 4].map((size) => kernelOf(size * 1_000_000));
	for (const one of made) giveBack(one);
	assert.deepEqual([kernelOf(1000), kernelOf(1000)], [made[3], made[2]]);
});
