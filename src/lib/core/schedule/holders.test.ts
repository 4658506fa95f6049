import { test } from 'node:test';
import assert from 'node:assert/strict';
import { EVERY_KIND, GOOD_PLAN } from './every-kind.fixture.ts';
import { holdersOf } from './holders.ts';
import type { Plan } from './plan.ts';
import type { Problem } from './problem.ts';

function heldOf(task: string, plan: Plan = GOOD_PLAN, problem: Problem = EVERY_KIND) {
	const held = holdersOf(problem, plan);
	assert.ok(held.ok, JSON.stringify(held));
	const found = held.value.find((one) => one.task === task);
	assert.ok(found);
	return found;
}

const at = (task: string, start: number, end: number): Plan => ({
	...GOOD_PLAN,
	placed: GOOD_PLAN.placed.map((one) => (one.task === task ? { ...one, start, end } : one))
});

test('the first of all is held by the beginning, and from later by the change of colour before the next', () => {
	const { earlier, later } = heldOf('red');
	assert.deepEqual(earlier, [{ kind: 'bound', of: 'horizon' }]);
	assert.deepEqual(later, [{ kind: 'changeover', machine: 'press', task: 'blue' }]);
	assert.deepEqual(heldOf('blue').earlier, [{ kind: 'changeover', machine: 'press', task: 'red' }]);
});

test('what is packed at once waits for what is baked', () => {
	const plan = at('pack', 22, 24);
	const { earlier, later } = heldOf('pack', plan);
	assert.deepEqual(
		earlier.map((holder) => holder.kind === 'lag' && holder.task),
		['red tile', 'blue tile']
	);
	assert.deepEqual(later, []);
	// The tiles cannot go later either, each for the same reason.
	for (const tile of ['red tile', 'blue tile'])
		assert.deepEqual(heldOf(tile, plan).later, [
			{ kind: 'lag', lag: `${tile} to pack`, task: 'pack' }
		]);
});

test('where nothing holds a task, only its price does', () => {
	assert.deepEqual(heldOf('pack'), { task: 'pack', earlier: [], later: [] });
});

test('a window at its most, a bound, a pin and a break are told as such', () => {
	const late: Plan = {
		...GOOD_PLAN,
		placed: GOOD_PLAN.placed.map((one) => (one.unit ? { ...one, start: 16, end: 23 } : one)),
		loads: GOOD_PLAN.loads.map((load) => ({ ...load, start: 16, end: 23 }))
	};
	assert.ok(
		heldOf('red tile', late).later.some(
			(holder) => holder.kind === 'lag' && holder.lag === 'red to red tile'
		)
	);
	const bound: Problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'pack' ? { ...task, earliest: 24, latest: 24 } : task
		)
	};
	assert.deepEqual(heldOf('pack', GOOD_PLAN, bound), {
		task: 'pack',
		earlier: [{ kind: 'bound', of: 'earliest' }],
		later: [{ kind: 'bound', of: 'latest' }]
	});
	const pinned: Problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'pack' ? { ...task, pin: { start: 24, mode: null, unit: null } } : task
		)
	};
	assert.deepEqual(heldOf('pack', GOOD_PLAN, pinned).later, [{ kind: 'pin' }]);
	// Ann packs as soon as her break is over.
	const byAnn: Problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'pack'
				? {
						...task,
						modes: task.modes.map((mode) => ({
							...mode,
							demands: [{ pools: ['ann'], amount: 1, from: 0, to: 2 }]
						}))
					}
				: task
		)
	};
	const plan: Plan = {
		...GOOD_PLAN,
		placed: GOOD_PLAN.placed.map((one) =>
			one.task === 'pack' ? { ...one, given: [['ann']] } : one
		)
	};
	assert.deepEqual(heldOf('pack', plan, byAnn).earlier, [{ kind: 'away', pools: ['ann'] }]);
});

test('two loads on one unit hold each other, and hands hold who needs them', () => {
	const apart: Plan = {
		placed: GOOD_PLAN.placed.map((one) =>
			one.task === 'blue tile'
				? { ...one, start: 23, end: 30 }
				: one.task === 'pack'
					? { ...one, start: 31, end: 33 }
					: one
		),
		loads: [
			{ unit: 'kiln 1', start: 14, end: 21, tasks: ['red tile'], given: [['ann'], ['bob']] },
			{ unit: 'kiln 1', start: 23, end: 30, tasks: ['blue tile'], given: [['bob'], ['bob']] }
		],
		missing: []
	};
	assert.deepEqual(heldOf('red tile', apart).later, [
		{ kind: 'unit', unit: 'kiln 1', task: 'blue tile' }
	]);
	assert.ok(
		heldOf('blue tile', apart).earlier.some(
			(holder) => holder.kind === 'unit' && holder.task === 'red tile'
		)
	);
});
