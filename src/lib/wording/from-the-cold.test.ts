import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, planned } from '../core/planning/harbour-day.fixture.ts';
import type { DayTask } from '../core/planning/index.ts';
import { fromTheColdText } from './from-the-cold.ts';

const { plan } = planned(DAY);
const inTheCold = (tasks: readonly DayTask[], of: DayTask['batch']['kind']) =>
	tasks.map((task): DayTask =>
		task.step.kind === 'wait' && task.batch.kind === of
			? {
					...task,
					step: {
						...task.step,
						legs: task.step.legs.map((leg) => ({ ...leg, place: 'cold' as const }))
					}
				}
			: task
	);
const fetched = (tasks: readonly DayTask[]) =>
	tasks.filter((task) => fromTheColdText(task, tasks) !== '');

test('nothing is fetched where nothing stands in the cold', () => {
	assert.deepEqual(fetched(plan.tasks), []);
});

test('a dough that rests in the cold is fetched by whoever divides it, and by nobody after', () => {
	const tasks = inTheCold(plan.tasks, 'mix');
	const own = fetched(tasks);
	assert.ok(own.length > 0, 'something is fetched');
	for (const task of own) {
		assert.equal(task.batch.kind, 'portion', task.id);
		assert.match(fromTheColdText(task, tasks), /^out of /);
		assert.ok(
			task.step.kind === 'hands-on' && task.step.activity === 'divide',
			`${task.id} is divided`
		);
	}
});

test('pieces that proof in the cold are fetched by whoever loads them, each load by itself', () => {
	const tasks = inTheCold(plan.tasks, 'portion');
	const own = fetched(tasks);
	assert.ok(own.length > 0, 'something is fetched');
	for (const task of own) assert.ok(task.batch.kind !== 'mix', task.id);
});
