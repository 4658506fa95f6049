import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, FERRY_MS, person, planned } from './harbour-day.fixture.ts';
import { batchKey, stationOf, type BakeDayInput, type DayTask } from './index.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing'] as const;
const CREW = [person('Maud', ALL, 12, 31), person('Ilo', ['mixing', 'shaping'], 12, 31)];
const weighing = (weighMinutes: number): BakeDayInput => ({ ...DAY, people: CREW, weighMinutes });

const of = (tasks: readonly DayTask[], activity: string) =>
	tasks.filter(({ step }) => step.kind === 'hands-on' && step.activity === activity);

test('each mix and pre-ferment is weighed up by somebody, before it is mixed and on the same day', () => {
	const { plan, violations, expanded } = planned(weighing(10));
	assert.deepEqual(violations, []);
	assert.deepEqual(plan.cautions, []);
	const mixes = of(plan.tasks, 'mix');
	const weighed = of(plan.tasks, 'weigh');
	assert.equal(mixes.length, 3);
	assert.equal(weighed.length, mixes.length);
	for (const task of weighed) {
		const mix = mixes.find(({ batch }) => batchKey(batch) === batchKey(task.batch));
		assert.ok(mix);
		assert.equal(task.endMs - task.startMs, 10 * 60_000);
		assert.ok(task.endMs <= mix.startMs);
		assert.ok(mix.startMs - task.endMs <= 12 * 3_600_000);
		assert.equal(task.attended[0]?.personIds.length, 1);
		assert.equal(stationOf(task, 'do'), 'mixer');
	}
	// Whoever weighs at noon keeps no night going.
	for (const { tasks } of expanded.problem.spans)
		for (const task of weighed) assert.equal(tasks.includes(task.placedAs ?? ''), false);
});

test('where it is no task of its own nothing of it is planned, nor for what is mixed already', () => {
	assert.deepEqual(of(planned(weighing(0)).plan.tasks, 'weigh'), []);
	const begun: BakeDayInput = {
		...weighing(10),
		builds: DAY.builds.map((build) => ({
			...build,
			begun: { mixedAtMs: FERRY_MS - 13 * 3_600_000, endedAtMs: null }
		}))
	};
	const left = of(planned(begun).plan.tasks, 'weigh');
	assert.ok(left.length > 0);
	assert.ok(left.every(({ batch }) => batch.kind === 'mix'));
});
