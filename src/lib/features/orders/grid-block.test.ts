import assert from 'node:assert/strict';
import { test } from 'node:test';
import { blockBetween, isIn, isOne, laidFrom, spotsOf, stepFrom } from './grid-block.ts';

const spot = (row: number, column: number) => ({ row, column });

test('a block is the same from whichever of its corners it is drawn', () => {
	const corners = [
		[spot(1, 1), spot(3, 2)],
		[spot(3, 2), spot(1, 1)],
		[spot(1, 2), spot(3, 1)],
		[spot(3, 1), spot(1, 2)]
	] as const;
	for (const [a, b] of corners) {
		const block = blockBetween(a, b);
		assert.equal(spotsOf(block).length, 6);
		assert.ok(
			spotsOf(block).every((one) => isIn(block, one)),
			'its spots are in it'
		);
		assert.equal(isIn(block, spot(0, 1)), false);
		assert.equal(isOne(block), false);
	}
	assert.equal(isOne(blockBetween(spot(2, 2), spot(2, 2))), true);
});

test('arrows and Enter lead one step, other keys nowhere', () => {
	assert.deepEqual(stepFrom(spot(2, 2), 'ArrowUp'), spot(1, 2));
	assert.deepEqual(stepFrom(spot(2, 2), 'Enter'), spot(3, 2));
	assert.deepEqual(stepFrom(spot(2, 2), 'ArrowLeft'), spot(2, 1));
	assert.equal(stepFrom(spot(2, 2), 'a'), null);
	assert.equal(stepFrom(spot(2, 2), 'constructor'), null);
});

test('what is pasted goes from its corner on, or nowhere where it reaches beyond the grid', () => {
	const cells = [['1', '2'], ['3']];
	assert.deepEqual(laidFrom(spot(1, 0), cells, { rows: 3, columns: 2 }), [
		{ row: 1, column: 0, text: '1' },
		{ row: 1, column: 1, text: '2' },
		{ row: 2, column: 0, text: '3' }
	]);
	assert.equal(laidFrom(spot(2, 0), cells, { rows: 3, columns: 2 }), null);
	assert.equal(laidFrom(spot(1, 1), cells, { rows: 3, columns: 2 }), null);
});
