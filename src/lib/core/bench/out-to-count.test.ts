import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { FormulaId, ProductId } from '../identity.ts';
import type { BatchRef } from '../planning/index.ts';
import { outToCount, type ExpectedWork, type WorkState } from './index.ts';

const LOADS = 3;
const load = (at: number, pieces = 9): Extract<BatchRef, { kind: 'load' }> => ({
	kind: 'load',
	formulaId: 'loaf' as FormulaId,
	ordinal: 1,
	productId: 'round' as ProductId,
	load: at,
	loads: LOADS,
	pieces
});
const drawn = (
	batch: BatchRef,
	toMs: number,
	kind: WorkState['kind'] = 'open',
	isPassed = false
): ExpectedWork => ({
	work: {
		key: '',
		taskId: null,
		kind: 'draw',
		batch,
		atMs: toMs,
		endMs: toMs,
		station: 'oven',
		personIds: []
	},
	state: { kind } as WorkState,
	dueMs: toMs,
	fromMs: toMs,
	toMs,
	waitsFor: null,
	isPassed
});

test('what was counted of a load is not offered again, and the next load is offered whole', () => {
	const night = [drawn(load(1), 10, 'done'), drawn(load(2), 20), drawn(load(3), 30)];
	assert.equal(outToCount(load(1), night, 0), 9);
	assert.equal(outToCount(load(1), night, 8), 1);
	assert.equal(outToCount(load(1), night, 9), 0);
	assert.equal(outToCount(load(2), night, 9), 9);
	assert.equal(outToCount(load(2), night, 11), 7);
});

test('a load whose drawing nobody tapped came out all the same', () => {
	for (const first of [drawn(load(1), 10), drawn(load(1), 25, 'open', true)])
		assert.equal(outToCount(load(2), [first, drawn(load(2), 20)], 9), 9);
});

test('a load that is still in the oven, or that was left out, is not counted on', () => {
	for (const other of [drawn(load(3), 30), drawn(load(1), 10, 'left-out')])
		assert.equal(outToCount(load(2), [other, drawn(load(2), 20)], 9), 0);
});

test('loads of another mix and more counted than came out change nothing and go below nothing', () => {
	const other = drawn({ ...load(1), ordinal: 2 }, 5, 'done');
	assert.equal(outToCount(load(1), [other, drawn(load(1), 10)], 4), 5);
	assert.equal(outToCount(load(1), [other, drawn(load(1), 10)], 40), 0);
	assert.equal(outToCount(load(1, 4), [], 0), 4);
});
