import { test } from 'node:test';
import assert from 'node:assert/strict';
import { heldTogether } from './held-together.ts';

test('what is counted stays on one line, the rest breaks where it may', () => {
	const lines = heldTogether('Load Harbour loaf, mix 1 of 2, load 12 of 14').split(' ');
	assert.deepEqual(lines, [
		'Load',
		'Harbour',
		'loaf,',
		'mix\u00a01\u00a0of\u00a02,',
		'load\u00a012\u00a0of\u00a014'
	]);
	assert.equal(heldTogether('Feed Wheat levain'), 'Feed Wheat levain');
});
