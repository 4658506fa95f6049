import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	assignMachines,
	checkPlan,
	placeLatest,
	type Link,
	type Placement,
	type Problem,
	type Task
} from './index.ts';

function place(problem: Problem) {
	const run = placeLatest(problem);
	let step = run.next();
	while (!step.done) step = run.next();
	return step.value;
}
const task = (id: string, minutes: number, machines: string[] = [], grid = 1): Task => ({
	id,
	minutes,
	grid,
	machines,
	fixedStart: null
});
const link = (
	before: string,
	after: string,
	leastGap = 0,
	mostGap: number | null = null
): Link => ({
	before,
	after,
	leastGap,
	mostGap,
	pulls: false,
	soft: false
});

const CHAIN: Problem = {
	tasks: [
		task('mix', 20, ['mixer'], 5),
		task('bulk', 190, [], 5),
		task('bake', 42, ['deck 1', 'deck 2'])
	],
	links: [link('mix', 'bulk'), link('bulk', 'bake', 0, 30)],
	deadlines: [{ task: 'bake', endBy: 1000 }]
};

test('a chain stands as late as its deadline and its grid allow', () => {
	const placed = place(CHAIN);
	assert.ok(placed.ok);
	assert.deepEqual(Object.fromEntries(placed.value), { bake: 958, bulk: 765, mix: 745 });
});

test('a pulling link brings the later task forward to its most gap, and lets go when it cannot', () => {
	const two: Problem = {
		tasks: [task('bulk', 100), task('early', 10), task('late', 10)],
		links: [
			{ ...link('bulk', 'early', 0, 20), pulls: true },
			{ ...link('bulk', 'late', 0, 20), pulls: true }
		],
		deadlines: [
			{ task: 'early', endBy: 500 },
			{ task: 'late', endBy: 900 }
		]
	};
	const pulled = place(two);
	assert.ok(pulled.ok);
	assert.deepEqual(Object.fromEntries(pulled.value), { bulk: 390, early: 490, late: 510 });
	const torn = place({ ...two, links: [...two.links, link('early', 'late', 60)] });
	assert.ok(torn.ok);
	assert.equal(torn.value.get('late'), 890);
});

test('a circle and a task without a deadline are named', () => {
	const circle = place({ ...CHAIN, links: [...CHAIN.links, link('bulk', 'mix')] });
	assert.ok(!circle.ok && circle.error.kind === 'circle');
	assert.deepEqual([...circle.error.tasks].sort(), ['bulk', 'mix']);
	const open = place({ ...CHAIN, deadlines: [] });
	assert.ok(!open.ok && open.error.kind === 'no-deadline');
	assert.deepEqual([...open.error.tasks].sort(), ['bake', 'bulk', 'mix']);
});

test('two tasks at one time get a machine each, a third overlaps and is told', () => {
	const three: Problem = {
		tasks: ['a', 'b', 'c'].map((id) => task(id, 30, ['deck 1', 'deck 2'])),
		links: [],
		deadlines: ['a', 'b', 'c'].map((id) => ({ task: id, endBy: 100 }))
	};
	const placed = place(three);
	assert.ok(placed.ok);
	const machines = Object.fromEntries(assignMachines(three, placed.value));
	assert.deepEqual(machines, { a: 'deck 1', b: 'deck 2', c: 'deck 1' });
	const judged = checkPlan(three, { starts: Object.fromEntries(placed.value), machines });
	assert.deepEqual(judged.violations, []);
	assert.deepEqual(judged.cautions, [
		{ kind: 'overlap', machine: 'deck 1', first: 'a', second: 'c', from: 70, to: 100 }
	]);
});

test('between two that stand already there is nothing to settle, between one and a planned one there is', () => {
	const at = (id: string, fixedStart: number | null) => ({
		...task(id, 20, ['mixer']),
		fixedStart
	});
	const judged = (second: number | null) =>
		checkPlan(
			{
				tasks: [at('first', 100), at('second', second)],
				links: [
					{
						before: 'first',
						after: 'second',
						leastGap: 60,
						mostGap: null,
						soft: true,
						pulls: false
					}
				],
				deadlines: []
			},
			{ starts: { first: 100, second: 110 }, machines: { first: 'mixer', second: 'mixer' } }
		).cautions.map((caution) => caution.kind);
	assert.deepEqual(judged(110), []);
	assert.deepEqual(judged(null), ['too-early', 'overlap']);
});

test('the checker finds every kind of fault in a placement from outside', () => {
	const good: Placement = {
		starts: { mix: 745, bulk: 765, bake: 958 },
		machines: { mix: 'mixer', bake: 'deck 2' }
	};
	assert.deepEqual(checkPlan(CHAIN, good), { violations: [], cautions: [] });
	const kinds = (starts: Record<string, number>, machines = good.machines) => {
		const judged = checkPlan(CHAIN, { starts, machines });
		return [...judged.violations, ...judged.cautions].map((violation) => violation.kind);
	};
	assert.deepEqual(kinds({ mix: 745, bulk: 765 }), ['missing-start']);
	assert.deepEqual(kinds({ ...good.starts, bulk: Number.NaN }), ['missing-start']);
	assert.deepEqual(kinds({ ...good.starts, loaf: 3 }), ['unknown-task']);
	assert.deepEqual(kinds({ ...good.starts, mix: 744 }), ['not-on-grid']);
	assert.deepEqual(kinds({ ...good.starts, mix: 750 }), ['gap-too-short']);
	assert.deepEqual(kinds({ ...good.starts, bake: 990 }), ['late', 'gap-too-long']);
	assert.deepEqual(kinds(good.starts, { mix: 'mixer' }), ['wrong-machine']);
	assert.deepEqual(kinds(good.starts, { mix: 'deck 1', bake: 'deck 1' }), ['wrong-machine']);
	assert.deepEqual(kinds(good.starts, { mix: 'constructor', bake: 'deck 1' }), ['wrong-machine']);
});

const problems = fc
	.array(
		fc.record({
			minutes: fc.integer({ min: 0, max: 90 }),
			grid: fc.constantFrom(1, 5),
			deck: fc.boolean()
		}),
		{
			minLength: 2,
			maxLength: 25
		}
	)
	.chain((specs) =>
		fc
			.array(fc.tuple(fc.nat(specs.length - 1), fc.nat(specs.length - 1), fc.nat(40)), {
				maxLength: 40
			})
			.map((pairs): Problem => {
				const tasks = specs.map(({ minutes, grid, deck }, i) =>
					task(`t${i}`, minutes, deck ? ['deck 1', 'deck 2'] : [], grid)
				);
				// Links go forward only, so that there is no circle.
				const links = pairs
					.filter(([a, b]) => a < b)
					.map(([a, b, gap]) => link(`t${a}`, `t${b}`, gap, gap + 10));
				return { tasks, links, deadlines: tasks.map(({ id }) => ({ task: id, endBy: 5000 })) };
			})
	);

test('whatever the problem, the separate checker finds nothing forbidden in the placement', () => {
	fc.assert(
		fc.property(problems, (problem) => {
			const placed = place(problem);
			assert.ok(placed.ok);
			const machines = Object.fromEntries(assignMachines(problem, placed.value));
			const starts = Object.fromEntries(placed.value);
			assert.deepEqual(checkPlan(problem, { starts, machines }).violations, []);
			// Latest means latest: any task moved on by its grid breaks something.
			for (const task of problem.tasks) {
				const moved = { ...starts, [task.id]: (starts[task.id] ?? 0) + task.grid };
				assert.notDeepEqual(checkPlan(problem, { starts: moved, machines }).violations, []);
			}
		}),
		{ numRuns: 60 }
	);
});

test('what takes no time overlaps nothing, whichever of two it is', () => {
	const kinds = (a: number, b: number, at: { a: number; b: number }) =>
		checkPlan(
			{ tasks: [task('a', a, ['deck']), task('b', b, ['deck'])], links: [], deadlines: [] },
			{ starts: at, machines: { a: 'deck', b: 'deck' } }
		).cautions.length;
	assert.equal(kinds(30, 0, { a: 100, b: 110 }), 0);
	assert.equal(kinds(0, 30, { a: 110, b: 100 }), 0);
	assert.equal(kinds(0, 30, { a: 100, b: 100 }), 0);
	assert.equal(kinds(30, 20, { a: 100, b: 110 }), 1);
	assert.equal(kinds(30, 20, { a: 100, b: 130 }), 0, 'one after the other');
});
