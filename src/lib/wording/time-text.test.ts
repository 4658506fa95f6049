import { test } from 'node:test';
import assert from 'node:assert/strict';
import { momentText } from './time-text.ts';

const NOW = Date.UTC(2026, 10, 23, 22, 40);
const at = (hours: number, minutes = 0) =>
	momentText(NOW + (hours * 60 + minutes) * 60_000, NOW, 'Europe/London');

test('what is near is told to the minute, ahead and behind', () => {
	assert.equal(at(3, 47), '02:27');
	assert.equal(at(-2, -3), '20:37');
	assert.equal(at(11, 59), '10:39');
});

test('what lies far ahead is told to the quarter of an hour, what happened as it happened', () => {
	assert.equal(at(25, 19), 'about Wed 25 Nov 00:00');
	assert.equal(at(13, 56), 'about Tue 24 Nov 12:30');
	assert.equal(at(-25, -19), 'Sun 22 Nov 21:21');
});
