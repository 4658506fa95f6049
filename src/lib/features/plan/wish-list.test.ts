import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { PlanWish } from '../../core/planning/index.ts';
import { withTask } from './wish-list.ts';

const task = 'load 1';
const elsewhere: PlanWish = { kind: 'deck', task: 'load 2', deckId: 'low' };

test('what is wanted of a task takes the place of what was; what it is kept from adds up', () => {
	const start: PlanWish = { kind: 'start', task, atMs: 1 };
	assert.deepEqual(withTask([elsewhere, start], { kind: 'start', task, atMs: 2 }), [
		elsewhere,
		{ kind: 'start', task, atMs: 2 }
	]);
	const notLow: PlanWish = { kind: 'not-deck', task, deckId: 'low' };
	const notHigh: PlanWish = { kind: 'not-deck', task, deckId: 'high' };
	assert.deepEqual(withTask([elsewhere, notLow], notHigh), [elsewhere, notLow, notHigh]);
	assert.deepEqual(withTask([notLow], notLow), [notLow], 'the same twice is once');
});

test('a deck or a person is wanted or not wanted, as it was said last', () => {
	const on: PlanWish = { kind: 'deck', task, deckId: 'low' };
	const notOn: PlanWish = { kind: 'not-deck', task, deckId: 'low' };
	assert.deepEqual(withTask([elsewhere, on], notOn), [elsewhere, notOn]);
	assert.deepEqual(withTask([elsewhere, notOn], on), [elsewhere, on]);
	const by: PlanWish = { kind: 'person', task, personId: 'ann' };
	const notBy: PlanWish = { kind: 'not-person', task, personId: 'ann' };
	assert.deepEqual(withTask([by], notBy), [notBy]);
	assert.deepEqual(withTask([notBy], by), [by]);
});
