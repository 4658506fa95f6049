import { test } from 'node:test';
import assert from 'node:assert/strict';
import { changedNight } from '../../../../bench/schedule/changed-night.ts';
import { generateDay } from '../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../bench/schedule/neutral-case.ts';
import { checkPlan } from './check/check-plan.ts';
import { EVERY_KIND, GOOD_PLAN } from './every-kind.fixture.ts';
import type { Plan } from './plan.ts';
import type { Problem } from './problem.ts';
import { differenceOf, withPriceOnMoving, withSoftWindows } from './replan.ts';
import { solve, Solver } from './solver.ts';

function replanned(problem: Problem, before: Plan, moves: number) {
	const made = Solver.of(withPriceOnMoving(problem, before, { price: 6, tier: 0 }), 1);
	assert.ok(made.ok, JSON.stringify(made));
	const solver = made.value;
	solver.resume(before);
	for (let done = 0; done < moves; done += 10) solver.run(10, done / moves);
	solver.finish();
	const after = solver.plan();
	assert.deepEqual(checkPlan(problem, after).violations, []);
	return { after, difference: differenceOf(before, after) };
}

test('a plan goes on from what happened: what began stays, and little of the rest moves', () => {
	const problem = problemOf(generateDay('medium', 1));
	const made = solve(problem, { seed: 1, moves: 400 });
	assert.ok(made.ok);
	const before = made.value;
	assert.deepEqual(before.missing, []);
	const changed = changedNight(problem, before, 230);
	assert.ok(changed, 'a dough is on its way at that time');
	const { difference } = replanned(changed, before, 60);
	assert.equal(difference.dropped.length + difference.added.length, 0);
	const free = changed.tasks.filter(({ pin }) => pin === null).length;
	const stayed = difference.kept - (changed.tasks.length - free);
	assert.ok(stayed >= 0.7 * free, `${stayed} of ${free} stay`);
	for (const { before: was } of difference.moved) assert.ok(was.start >= 230, was.task);
});

test('a resource that is gone moves what stood on it, and only the problem decides what may stay', () => {
	const before = solve(EVERY_KIND, { seed: 1, moves: 300 });
	assert.ok(before.ok);
	const without: Problem = {
		...EVERY_KIND,
		batchMachines: EVERY_KIND.batchMachines.map((machine) => ({
			...machine,
			units: machine.units.filter(({ id }) => id !== before.value.loads[0]?.unit)
		}))
	};
	const { difference } = replanned(without, before.value, 100);
	const tiles = difference.moved.map(({ after }) => after.task);
	assert.ok(tiles.some((task) => task.endsWith('tile')));
	assert.equal(difference.dropped.length, 0);
});

test('a new job is put in around what stands', () => {
	const [first, ...others] = EVERY_KIND.tasks;
	assert.ok(first);
	const one = { ...EVERY_KIND, tasks: [first, ...others] };
	const extra: Problem = {
		...one,
		tasks: [...one.tasks, { ...first, id: 'more red', group: 'more' }]
	};
	const before = solve(EVERY_KIND, { seed: 1, moves: 300 });
	assert.ok(before.ok);
	const { difference } = replanned(extra, before.value, 100);
	assert.deepEqual(
		difference.added.map(({ task }) => task),
		['more red']
	);
	assert.ok(difference.kept >= 3, JSON.stringify(difference.moved));
});

test('what exists is used outside its window rather than dropped, at its price', () => {
	const pinned: Problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'red'
				? { ...task, pin: { start: 0, mode: 'press', unit: null } }
				: task.id === 'red tile'
					? { ...task, earliest: 30 }
					: task
		)
	};
	const strict = solve(pinned, { seed: 1, moves: 100 });
	assert.ok(strict.ok && strict.value.missing.includes('red tile'));
	const soft = withSoftWindows(pinned, (task) => task === 'red', 50);
	const made = solve(soft, { seed: 1, moves: 100 });
	assert.ok(made.ok);
	assert.deepEqual(made.value.missing, []);
	const { violations, cost } = checkPlan(soft, made.value);
	assert.deepEqual(violations, []);
	// The tile starts at 30, its window closed at 16: fourteen units at 50, and eight off its wish at 2.
	assert.equal(cost.tiers[1], 14 * 50 + 8 * 2);
});

test('two plans that are one differ in nothing', () => {
	const { moved, added, dropped, kept } = differenceOf(GOOD_PLAN, GOOD_PLAN);
	assert.deepEqual([moved, added, dropped, kept], [[], [], [], 5]);
});

test('what is pinned is put in once, however dear what hangs from it, and the search knows what it costs', () => {
	for (const [seed, at] of [
		[2, 230],
		[4, 150]
	] as const) {
		const problem = problemOf(generateDay('medium', seed));
		const before = solve(problem, { seed: 1, moves: 100 });
		assert.ok(before.ok);
		const placed = new Map(before.value.placed.map((one) => [one.task, one]));
		// What began is where it was; everything else comes long after its window.
		const tasks = problem.tasks.map((task) => {
			const one = placed.get(task.id);
			return one && one.start < at
				? { ...task, pin: { start: one.start, mode: one.mode, unit: one.unit } }
				: { ...task, earliest: at + 40 };
		});
		const soft = withSoftWindows({ ...problem, tasks }, () => true, 50);
		const made = Solver.of(soft, 1);
		assert.ok(made.ok);
		const solver = made.value;
		solver.begin();
		const { cost: first } = solver.progress;
		assert.equal(first, checkPlan(soft, solver.plan()).cost.total);
		solver.run(100, 0.5);
		const { cost } = solver.progress;
		assert.ok(first !== null && cost !== null && cost < first, `${first} to ${cost}`);
		assert.equal(cost, checkPlan(soft, solver.plan()).cost.total);
	}
});
