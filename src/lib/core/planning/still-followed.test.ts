import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, planned } from './harbour-day.fixture.ts';
import { asPlanned, isFollowed, timingOf, type BakeDayInput } from './index.ts';

const MINUTE = 60_000;
const { plan } = planned(DAY);
const [dough] = DAY.doughs;
const [build] = DAY.builds;
assert.ok(dough && build);
const mixing = plan.tasks.find(
	(task) =>
		task.batch.kind === 'mix' &&
		task.batch.ordinal === 1 &&
		task.step.kind === 'hands-on' &&
		task.step.activity === 'mix'
);
const stirring = plan.tasks.find(
	(task) => task.batch.kind === 'preparation' && task.step.kind === 'hands-on'
);
assert.ok(mixing && stirring);
const begun = (minutesOff: number, ordinal = 1): BakeDayInput => ({
	...DAY,
	doughs: [
		{
			...dough,
			mixes: dough.mixes.map((mix) => ({
				...mix,
				begun:
					mix.ordinal === ordinal
						? { mixedAtMs: mixing.endMs + minutesOff * MINUTE, endedAtMs: null }
						: null
			}))
		}
	]
});

test('a plan of which nothing was begun is followed', () => {
	assert.equal(isFollowed(plan, DAY), true);
});

test('minutes early or late leave a plan as it is, more do not', () => {
	for (const [off, followed] of [
		[0, true],
		[5, true],
		[-15, true],
		[15, true],
		[16, false],
		[-16, false],
		[60, false]
	] as const)
		assert.equal(isFollowed(plan, begun(off)), followed, `${off} minutes`);
});

test('a build that was stirred too late, and what the plan does not know, are not followed', () => {
	const stirred = (minutesOff: number, ordinal = 1): BakeDayInput => ({
		...DAY,
		builds: [
			{
				...build,
				ordinal,
				begun: { mixedAtMs: stirring.endMs + minutesOff * MINUTE, endedAtMs: null }
			}
		]
	});
	assert.equal(isFollowed(plan, stirred(3)), true);
	assert.equal(isFollowed(plan, stirred(40)), false);
	assert.equal(isFollowed(plan, stirred(3, 2)), false);
	// The second mix is planned elsewhere than the first.
	assert.equal(isFollowed(plan, begun(0, 2)), false);
});

test('before anything was begun an input is what it was', () => {
	assert.equal(timingOf(asPlanned(begun(20))), timingOf(DAY));
	assert.notEqual(timingOf(begun(20)), timingOf(DAY));
});
