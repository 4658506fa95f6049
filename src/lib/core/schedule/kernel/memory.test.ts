import { test } from 'node:test';
import assert from 'node:assert/strict';
import { Kernel } from './kernel.ts';
import { bytesOf } from './memory.ts';

test('a row more than was asked for is refused, and all room comes back', () => {
	const small = new Kernel(bytesOf(60, 4));
	const rows = Math.floor(small.room / bytesOf(60, 4));
	for (let at = 0; at < rows; at += 1) small.row(60).fill(7);
	assert.throws(() => small.row(60), /has none for another row/);
	small.clear();
	for (let at = 0; at < rows; at += 1)
		assert.ok(
			small.row(60).every((is) => is === 0),
			'rows begin as zeros'
		);
});
