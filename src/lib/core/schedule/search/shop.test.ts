import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Problem } from '../index.ts';
import { FT06, jobShop } from '../job-shops.fixture.ts';
import { compile } from './compile.ts';
import { shopOf } from './shop.ts';

const SHOP = jobShop(FT06, 200);

test('a job shop is one: each operation with its machine, and after the one before it', () => {
	const shop = shopOf(compile(SHOP));
	assert.ok(shop);
	assert.equal(shop.tasks, 37);
	assert.deepEqual([...shop.length].slice(0, 6), [1, 3, 6, 7, 3, 6]);
	// The second operation of a job waits for the end of its first, the last of all for every job's last.
	assert.deepEqual(shop.before[1], [{ task: 0, least: 1 }]);
	assert.equal(shop.before[36]?.length, 6);
	assert.equal(new Set(shop.pool).size, 7, 'six machines, and none for the end');
	assert.equal(shop.gap(1, 2), 3);
	assert.equal(shop.changes(1), false);
});

test('changeovers count between those that follow each other', () => {
	const [machine] = SHOP.machines;
	assert.ok(machine);
	const dirty: Problem = {
		...SHOP,
		machines: SHOP.machines.map((each) =>
			each === machine ? { ...each, changeovers: [{ before: 'a', after: 'b', length: 5 }] } : each
		),
		tasks: SHOP.tasks.map((task, at) => ({
			...task,
			modes: task.modes.map((mode) => ({
				...mode,
				machine: mode.machine && { ...mode.machine, family: at % 2 === 0 ? 'a' : 'b' }
			}))
		}))
	};
	const shop = shopOf(compile(dirty));
	assert.ok(shop);
	const on = SHOP.tasks.flatMap((task, at) =>
		task.modes[0]?.machine?.id === machine.id ? [at] : []
	);
	const even = on.find((at) => at % 2 === 0);
	const odd = on.find((at) => at % 2 === 1);
	assert.ok(even !== undefined && odd !== undefined);
	assert.equal(shop.gap(even, odd), (shop.length[even] ?? 0) + 5);
	assert.equal(shop.gap(odd, even), shop.length[odd]);
	assert.equal(shop.changes(even), true);
});

/** One thing more than a shop has, each. */
const MORE: Readonly<Record<string, (problem: Problem) => Problem>> = {
	'a lag with a most': (problem) => withWindow(problem, { most: 10 }),
	'a wish in a lag': (problem) => withWindow(problem, { most: 200, wish: 3, price: 1 }),
	'a pinned task': (problem) => withTask(problem, { pin: { start: 0, mode: 'only', unit: null } }),
	'a task that must start by some time': (problem) => withTask(problem, { latest: 40 }),
	'a task that may be done in two ways': (problem) => {
		const [task] = problem.tasks;
		assert.ok(task?.modes[0]);
		return withTask(problem, {
			modes: [...task.modes, { ...task.modes[0], id: 'other', length: 9 }]
		});
	},
	'a price on being early': (problem) => ({
		...problem,
		prices: problem.prices.map((price) => ({ ...price, at: 70, early: 1 }))
	}),
	'a machine that is closed for a while': (problem) => ({
		...problem,
		machines: problem.machines.map((machine) => ({ ...machine, closed: [{ from: 20, to: 30 }] }))
	}),
	'a span that is priced': (problem) => ({
		...problem,
		spans: [
			{
				id: 'all',
				tasks: problem.tasks.map(({ id }) => id),
				floor: 0,
				until: null,
				price: 1,
				tier: 0
			}
		]
	})
};

function withTask(problem: Problem, change: Partial<Problem['tasks'][number]>): Problem {
	return {
		...problem,
		tasks: problem.tasks.map((task, at) => (at === 0 ? { ...task, ...change } : task))
	};
}

function withWindow(
	problem: Problem,
	change: Partial<Problem['lags'][number]['windows'][number]['window']>
): Problem {
	return {
		...problem,
		lags: problem.lags.map((lag, at) =>
			at > 0
				? lag
				: {
						...lag,
						windows: lag.windows.map((one) => ({
							...one,
							window: one.window && { ...one.window, ...change }
						}))
					}
		)
	};
}

for (const [what, change] of Object.entries(MORE))
	test(`${what} is more than orders decide`, () => {
		assert.equal(shopOf(compile(change(SHOP))), null);
	});
