import { test } from 'node:test';
import assert from 'node:assert/strict';
import { BULK, hands } from '../planning/harbour-day.fixture.ts';
import { stirredTarget, temperatureOfMoment, type Spoken } from './index.ts';

const NOW = 100 * 60_000;
const said = (id: string, minutesAgo: number, instrument: string): Spoken => ({
	id,
	celsius: 20,
	instrument,
	occurredAtMs: NOW - minutesAgo * 60_000
});
const counts = (typed: Spoken | null, probe: Spoken | null) =>
	temperatureOfMoment(typed, probe, NOW)?.id ?? null;

test('what a hand typed stands for half an hour against a probe that talks on', () => {
	const probe = said('probe', 1, 'probe');
	assert.equal(counts(said('typed', 29, 'typed'), probe), 'typed');
	assert.equal(counts(said('typed', 31, 'typed'), probe), 'probe');
	assert.equal(counts(said('typed', 90, 'typed'), said('probe', 95, 'probe')), 'typed');
});

test('a figure taken over from the probe gives way to what the probe says next', () => {
	assert.equal(counts(said('taken', 10, 'probe'), said('probe', 1, 'probe')), 'probe');
	assert.equal(counts(said('taken', 10, 'probe'), said('probe', 12, 'probe')), 'taken');
	assert.equal(counts(said('taken', 10, 'probe'), null), 'taken');
});

test('where only one speaks it counts, and nothing where neither does', () => {
	assert.equal(counts(said('typed', 600, 'typed'), null), 'typed');
	assert.equal(counts(null, said('probe', 600, 'probe')), 'probe');
	assert.equal(counts(null, null), null);
});

test('what a preparation is stirred to is told by the step that mixes it', () => {
	assert.equal(
		stirredTarget([
			hands('shape', 2, { endsAtCelsius: 9 }),
			hands('mix', 5, { endsAtCelsius: 26 }),
			BULK
		]),
		26
	);
	assert.equal(stirredTarget([hands('mix', 5)]), null);
	assert.equal(stirredTarget([BULK]), null);
});
