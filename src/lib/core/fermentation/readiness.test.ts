import { test } from 'node:test';
import assert from 'node:assert/strict';
import {
	judgeReadiness,
	SIGHTINGS,
	type ReadinessVerdict,
	type Sighting,
	type SightingKind
} from './index.ts';

/** What each sight says on its own, as a baker would: young, nearly there, ready, or past it. */
const SAYS: Readonly<Record<SightingKind, readonly ReadinessVerdict[]>> = {
	rise: ['not-yet', 'nearly', 'ready', 'ready'],
	float: ['not-yet', 'ready', 'ready'],
	poke: ['not-yet', 'nearly', 'ready', 'ready'],
	dome: ['not-yet', 'ready', 'ready', 'late'],
	wobble: ['not-yet', 'nearly', 'ready', 'ready'],
	window: ['not-yet', 'nearly', 'ready'],
	smell: ['not-yet', 'nearly', 'ready', 'ready'],
	'blade-drag': ['nearly', 'ready', 'late'],
	spread: ['ready', 'ready', 'ready'],
	volume: ['not-yet', 'nearly', 'ready', 'ready', 'late'],
	pour: ['not-yet', 'ready', 'ready', 'late'],
	taste: ['not-yet', 'nearly', 'ready', 'ready', 'late']
};
/**
 * The share of the ripe dose each sight stands for, where early is 0.8 of it and late 1.5: an age of 0 is early,
 * one of 1 ripe, one of 2 late.
 */
const SHARE: Readonly<Record<SightingKind, readonly number[]>> = {
	rise: [0.64, 0.84, 1, 1.45],
	float: [0.7, 0.9, 1.05],
	poke: [0.68, 0.88, 1, 1.5],
	dome: [0.7, 0.98, 1.3, 1.7],
	wobble: [0.7, 0.88, 1, 1.5],
	window: [0.68, 0.86, 0.98],
	smell: [0.68, 0.86, 1, 1.5],
	'blade-drag': [0.86, 1, 1.55],
	spread: [0.96, 1, 1.25],
	volume: [0.68, 0.82, 0.94, 1.05, 1.65],
	pour: [0.74, 0.9, 1.05, 1.55],
	taste: [0.7, 0.84, 0.98, 1.25, 1.65]
};
const clock = { share: 1, earlyShare: 0.8, lateShare: 1.5 };
const close = (actual: number | undefined, expected: number, what: string) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) < 1e-9,
		`${what}: ${actual} is not ${expected}`
	);

for (const kind of Object.keys(SIGHTINGS) as SightingKind[])
	test(`what ${kind} shows stands for its age`, () => {
		assert.equal(SAYS[kind].length, SIGHTINGS[kind].length);
		for (const [index, seen] of SIGHTINGS[kind].entries()) {
			const found = judgeReadiness(clock, [{ kind, seen } as Sighting]);
			assert.equal(found.reasons[1]?.says, SAYS[kind][index], seen);
			close(found.seen?.share, SHARE[kind][index] ?? NaN, seen);
		}
	});

test('a dough seen as late is as far along as its clock is late, not as early', () => {
	const late = judgeReadiness({ ...clock, lateShare: 1.3 }, [{ kind: 'poke', seen: 'stays' }]);
	close(late.seen?.share, 1.3, 'late');
	// Older than late: beyond it by the same scale.
	const fallen = judgeReadiness({ ...clock, lateShare: 1.3 }, [{ kind: 'dome', seen: 'fallen' }]);
	close(fallen.seen?.share, 1.42, 'fallen');
});

test('clock and sights are weighed by how sure each is', () => {
	// The clock at an age of 1 with a spread of 0.5, the poke at 0.4 with 0.35: weights 4 and 8.1633.
	const both = judgeReadiness(clock, [{ kind: 'poke', seen: 'springs-back-slowly' }]);
	const age = (1 * 4 + 0.4 * 0.35 ** -2) / (4 + 0.35 ** -2);
	close(both.share, 0.8 + 0.2 * age, 'both');
	close(both.seen?.spread, 0.2 * 0.35, 'spread of one');
	// Two sights agree: surer than either.
	const two = judgeReadiness(clock, [
		{ kind: 'poke', seen: 'half-springs-back' },
		{ kind: 'rise', seen: 'to-the-mark' }
	]);
	close(two.seen?.spread, (0.2 * 0.35) / Math.sqrt(2), 'spread of two');
	assert.equal(two.atOdds, false);
});

test('a clock before early or past late has an age of its own', () => {
	const says = (share: number) => judgeReadiness({ ...clock, share }, []);
	assert.equal(says(0.79).verdict, 'not-yet');
	assert.equal(says(0.81).verdict, 'nearly');
	assert.equal(says(0.91).verdict, 'ready');
	assert.equal(says(1.49).verdict, 'ready');
	assert.equal(says(1.51).verdict, 'late');
	close(says(1.25).share, 1.25, 'it is told as it stands');
	assert.equal(says(1).seen, null);
});
