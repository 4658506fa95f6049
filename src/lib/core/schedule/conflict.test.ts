import { test } from 'node:test';
import assert from 'node:assert/strict';
import { circleOf } from './circle.ts';
import { conflictOf, type Wish } from './conflict.ts';
import { EVERY_KIND } from './every-kind.fixture.ts';
import type { Lag, Problem, Task } from './problem.ts';

const BUDGET = { seed: 1, moves: 60 };

const job = (id: string, hour: number): Task => ({
	id,
	group: id,
	modes: [
		{
			id: 'by hand',
			length: 4,
			demands: [{ pools: ['bob'], amount: 1, from: 0, to: 4 }],
			machine: null,
			batch: null
		}
	],
	earliest: hour,
	latest: hour,
	pin: null
});

const jobs = (...hours: readonly number[]): Problem => ({
	...EVERY_KIND,
	machines: [],
	batchMachines: [],
	lags: [],
	prices: [],
	spans: [],
	tasks: hours.map((hour, at) => job(`job ${at}`, hour))
});

/** The wish that a job is done at its hour; without it, it may be done at any. */
const atItsHour = (id: string): Wish => ({
	id,
	relax: (problem) => ({
		...problem,
		tasks: problem.tasks.map((task) =>
			task.id === id ? { ...task, earliest: null, latest: null } : task
		)
	})
});

const conflict = (problem: Problem, wishes: readonly Wish[]) => {
	const found = conflictOf(problem, wishes, BUDGET);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
};

test('a day that can be planned has no conflict', () => {
	assert.deepEqual(conflict(EVERY_KIND, []), { kind: 'none' });
});

test('of five jobs the two that want one person at once are the conflict, and no other', () => {
	const problem = jobs(0, 10, 12, 20, 30);
	const wishes = problem.tasks.map(({ id }) => atItsHour(id));
	const found = conflict(problem, wishes);
	assert.ok(found.kind === 'wishes');
	assert.deepEqual(
		found.clash.map(({ id }) => id),
		['job 1', 'job 2']
	);
	// Either given up alone is enough, and costs nothing here.
	assert.deepEqual(
		found.clash.map(({ cost }) => cost),
		[0, 0]
	);
});

test('what no wish can mend is told by what finds no place', () => {
	const nobody: Problem = {
		...jobs(0, 10),
		pools: EVERY_KIND.pools.map((pool) => (pool.id === 'bob' ? { ...pool, there: [] } : pool))
	};
	assert.deepEqual(conflict(nobody, [atItsHour('job 0')]), {
		kind: 'beyond',
		missing: ['job 0', 'job 1']
	});
});

test('where two pairs clash, giving up one wish alone is told to be not enough', () => {
	const problem = jobs(0, 2, 20, 22);
	const found = conflict(
		problem,
		problem.tasks.map(({ id }) => atItsHour(id))
	);
	assert.ok(found.kind === 'wishes');
	assert.equal(found.clash.length, 2);
	assert.deepEqual(
		found.clash.map(({ cost }) => cost),
		[null, null]
	);
});

const lag = (before: string, after: string, least: number, most: number | null): Lag => ({
	id: `${before} ${after}`,
	before,
	after,
	from: 'end',
	windows: [
		{
			beforeMode: null,
			afterMode: null,
			window: { least, most, wish: null, price: 0, outside: null, tier: 1, holds: [] }
		}
	]
});

const free = (problem: Problem): Problem => ({
	...problem,
	tasks: problem.tasks.map((task) => ({ ...task, earliest: null, latest: null }))
});

test('a circle of lags is told as the chain it is, before anything is searched', () => {
	const problem: Problem = {
		...free(jobs(0, 0, 0, 0)),
		lags: [
			lag('job 0', 'job 1', 2, 10),
			lag('job 1', 'job 2', 3, 10),
			// From the end of the first to the start of the third at most 8, of which 2 + 4 + 3 are taken.
			lag('job 0', 'job 2', 0, 8),
			lag('job 2', 'job 3', 0, null)
		]
	};
	const found = conflict(problem, []);
	assert.ok(found.kind === 'circle');
	assert.deepEqual(found.links.map(({ kind, of }) => `${kind} ${of}`).sort(), [
		'lag-least job 0 job 1',
		'lag-least job 1 job 2',
		'lag-most job 0 job 2'
	]);
	// It closes, and asks for a unit more than there is.
	const [first] = found.links;
	assert.equal(found.links.at(-1)?.to, first?.from);
	assert.equal(
		found.links.reduce((sum, { by }) => sum + by, 0),
		1
	);
	assert.equal(circleOf({ ...problem, lags: problem.lags.filter((_, at) => at !== 2) }), null);
});

test('pins and bounds that contradict a lag are part of the chain', () => {
	const base = free(jobs(0, 0));
	const pinned: Problem = {
		...base,
		lags: [lag('job 0', 'job 1', 2, null)],
		tasks: base.tasks.map((task, at) => ({
			...task,
			pin: at === 0 ? { start: 20, mode: null, unit: null } : null,
			latest: at === 1 ? 22 : null
		}))
	};
	assert.deepEqual(
		circleOf(pinned)
			?.map(({ kind, of }) => `${kind} ${of}`)
			.sort(),
		['lag-least job 0 job 1', 'latest job 1', 'pin job 0']
	);
	// A window outside of which a price is paid forbids nothing.
	const soft = {
		...pinned,
		lags: pinned.lags.map((one) => ({
			...one,
			windows: one.windows.map((choice) => ({
				...choice,
				window: choice.window && { ...choice.window, outside: 5 }
			}))
		}))
	};
	assert.equal(circleOf(soft), null);
	assert.equal(circleOf(EVERY_KIND), null);
});
