import { test } from 'node:test';
import assert from 'node:assert/strict';
import { attentionTo } from './attention.ts';

const DAY = 24 * 3_600_000;
const NOW = 100 * DAY;
const told = (mixedDaysAgo: number, ...heardDaysAgo: number[]) =>
	attentionTo(
		NOW - mixedDaysAgo * DAY,
		heardDaysAgo.map((days) => NOW - days * DAY),
		NOW
	);

test('a dough is followed for a week, asked about until four weeks are over, then closed', () => {
	assert.equal(told(0).kind, 'followed');
	assert.equal(told(6.99).kind, 'followed');
	assert.equal(told(7).kind, 'asked');
	assert.equal(told(27.99).kind, 'asked');
	assert.deepEqual(told(28), { kind: 'closed', heardMs: NOW - 28 * DAY });
});

test('whatever is heard of it counts from then on; what lies ahead counts as now', () => {
	assert.deepEqual(told(40, 30, 3, 20), { kind: 'followed', heardMs: NOW - 3 * DAY });
	assert.deepEqual(told(40, -80_000), { kind: 'followed', heardMs: NOW });
	assert.deepEqual(told(-80_000), { kind: 'followed', heardMs: NOW });
});
