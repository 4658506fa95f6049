import { test } from 'node:test';
import assert from 'node:assert/strict';
import { probeState, readingOfMoment, type ProbeReading } from './index.ts';

const MINUTE = 60_000;
const at = (minutes: number) => ({ celsius: 23, atMs: minutes * MINUTE });

test('a typed temperature stands against the probe for half an hour, then the newer counts', () => {
	assert.equal(readingOfMoment(at(0), at(10), 10 * MINUTE), 'typed');
	assert.equal(readingOfMoment(at(0), at(30), 30 * MINUTE), 'probe');
	assert.equal(readingOfMoment(at(20), at(10), 90 * MINUTE), 'typed');
	assert.equal(readingOfMoment(null, at(10), 0), 'probe');
	assert.equal(readingOfMoment(at(1), null, 0), 'typed');
	assert.equal(readingOfMoment(null, null, 0), null);
});

test('a probe that missed its reports is silent, and one that never moves is asked about', () => {
	const probe = (unmovedSince: number | null): ProbeReading => ({
		...at(200),
		reportEverySeconds: 60,
		unmovedSinceMs: unmovedSince === null ? null : unmovedSince * MINUTE
	});
	assert.deepEqual(probeState(probe(null), 203 * MINUTE), { silent: false, unmoved: false });
	assert.deepEqual(probeState(probe(100), 205 * MINUTE), { silent: true, unmoved: false });
	assert.deepEqual(probeState(probe(80), 201 * MINUTE), { silent: false, unmoved: true });
	const slow = { ...probe(null), reportEverySeconds: 600 };
	assert.equal(probeState(slow, 235 * MINUTE).silent, false);
	assert.equal(probeState(slow, 241 * MINUTE).silent, true);
});
