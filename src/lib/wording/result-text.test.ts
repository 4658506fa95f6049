import assert from 'node:assert/strict';
import { test } from 'node:test';
import { id, type FormulaId, type ProductId } from '../core/identity.ts';
import type { CountedPortion } from '../core/results/index.ts';
import { countedText } from './result-text.ts';

const counted = (good: number, second: number, lost: number): CountedPortion => ({
	key: 'portion',
	portion: { formulaId: id<FormulaId>('loaf'), ordinal: 1, productId: id<ProductId>('round') },
	pieces: 16,
	good,
	second,
	lost,
	left: 16 - good - second - lost,
	expected: 16 - second - lost,
	again: 0
});

test('of a portion of which nothing is counted nobody is told that it is out of the oven', () => {
	assert.equal(countedText(counted(0, 0, 0)), 'none of 16 counted');
});

test('what is counted is told by its fate, and what is not counted yet as that', () => {
	assert.equal(countedText(counted(8, 0, 1)), '8 good, 1 lost of 16, 7 not counted');
	assert.equal(countedText(counted(14, 1, 1)), '14 good, 1 second, 1 lost of 16');
});
