import { test } from 'node:test';
import assert from 'node:assert/strict';
import { BULK, hands, PROOF } from '../planning/harbour-day.fixture.ts';
import { followedLog, ripeningStep, type FollowedEntry } from './index.ts';

const measured: FollowedEntry = { kind: 'measured', occurredAtMs: 100, celsius: 25 };
const checked = (occurredAtMs: number, stage: 'autolyse' | 'dough' = 'dough'): FollowedEntry => ({
	kind: 'checked',
	occurredAtMs,
	stage,
	celsius: 24,
	instrument: 'core-probe'
});
const moved = (occurredAtMs: number, retarderId: string | null): FollowedEntry => ({
	kind: 'moved',
	occurredAtMs,
	place: retarderId ? 'cold' : 'room',
	ambientCelsius: retarderId ? 4 : 22,
	timeConstantMinutes: 240,
	retarderId
});

test('a batch that was not measured has no story, whatever else was written of it', () => {
	const nothing = { mixed: null, events: [], retarderId: null, endedAtMs: null };
	assert.deepEqual(followedLog([]), nothing);
	assert.deepEqual(followedLog([checked(50), moved(60, 'cabinet')]), nothing);
});

test('what lies before the mix and what was seen of the autolyse is no part of its story', () => {
	const log = followedLog([checked(50), measured, checked(110, 'autolyse'), checked(120)]);
	assert.deepEqual(log.mixed, { atMs: 100, celsius: 25 });
	assert.deepEqual(log.events, [{ kind: 'checked', atMs: 120, celsius: 24, onSurface: false }]);
});

test('it stands where its last move left it', () => {
	const there = followedLog([measured, moved(110, 'cabinet')]);
	assert.equal(there.retarderId, 'cabinet');
	assert.deepEqual(there.events[0], {
		kind: 'moved',
		atMs: 110,
		leg: { named: null, place: 'cold', ambientCelsius: 4, timeConstantMinutes: 240, minutes: null }
	});
	assert.equal(followedLog([measured, moved(110, 'cabinet'), moved(120, null)]).retarderId, null);
});

test('ended it is out of the cold; moved again it goes on', () => {
	const ended: FollowedEntry = { kind: 'ended', occurredAtMs: 130 };
	const over = followedLog([measured, moved(110, 'cabinet'), ended]);
	assert.deepEqual([over.endedAtMs, over.retarderId], [130, null]);
	const again = followedLog([measured, ended, moved(140, 'cabinet')]);
	assert.deepEqual([again.endedAtMs, again.retarderId], [null, 'cabinet']);
});

test('the wait it ripens in is the first with a clock', () => {
	assert.equal(ripeningStep([hands('mix', 5), { ...BULK, clock: null }, PROOF])?.activity, 'proof');
	assert.equal(ripeningStep([hands('mix', 5)]), null);
});
