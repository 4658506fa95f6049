import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Lag, Problem, Task } from '../problem.ts';
import { solve } from '../solver.ts';
import { compile } from './compile.ts';

const task = (id: string, length: number, pools: readonly string[] = []): Task => ({
	id,
	group: id,
	modes: [
		{
			id: 'only',
			length,
			demands: pools.map((pool) => ({ pools: [pool], amount: 1, from: 0, to: length })),
			machine: null,
			batch: null
		}
	],
	earliest: null,
	latest: null,
	pin: null
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
			window: { least, most, wish: null, price: 0, outside: null, tier: 0, holds: [] }
		}
	]
});

/** Chains that end with their packing; what is packed of all is picked, and goes. */
function chains(count: number): Problem {
	const names = Array.from({ length: count }, (_, at) => `${at}`);
	return {
		horizon: 200,
		tiers: ['late'],
		pools: [{ id: 'hands', there: [{ from: 0, to: 200, amount: 1 }] }],
		machines: [],
		batchMachines: [],
		tasks: [
			...names.flatMap((name) => [
				task(`mix ${name}`, 4, ['hands']),
				task(`bake ${name}`, 6),
				task(`pack ${name}`, 1, ['hands'])
			]),
			task('pick', 2, ['hands']),
			task('go', 1)
		],
		lags: [
			...names.flatMap((name) => [
				lag(`mix ${name}`, `bake ${name}`, 2, 6),
				// Bread cools as long as it likes.
				lag(`bake ${name}`, `pack ${name}`, name === '0' ? 40 : 3, null),
				lag(`pack ${name}`, 'pick', 0, null)
			]),
			lag('pick', 'go', 0, 5)
		],
		prices: names.map((name) => ({
			id: name,
			task: `pack ${name}`,
			of: 'end' as const,
			at: 60,
			early: 1,
			late: 50,
			away: 0,
			tier: 0
		})),
		spans: []
	};
}

test('what ends a chain goes with it, and so does what comes after that, to the end of all', () => {
	const problem = chains(3);
	const { components } = compile(problem);
	const at = (id: string) => problem.tasks.findIndex((one) => one.id === id);
	const named = (list: readonly number[] | undefined) =>
		(list ?? []).map((u) => problem.tasks[u]?.id);
	assert.deepEqual(named(components.ends[at('bake 1')]), ['pack 1']);
	assert.deepEqual(named(components.tails[at('bake 1')]), ['pack 1', 'pick', 'go']);
	assert.deepEqual(named(components.tails[at('mix 1')]), []);
	const lifted = problem.tasks.filter((_, u) => components.isTail[u] === 1).map(({ id }) => id);
	assert.deepEqual(lifted, ['pack 0', 'pack 1', 'pack 2', 'pick', 'go']);
});

test('a chain whose end is late is moved with its end, also where something comes after it', () => {
	// The first wants 57 units from its mix to its end, so that it is mixed first; all others have time.
	for (let seed = 1; seed <= 5; seed += 1) {
		const made = solve(chains(8), { seed, moves: 200 });
		assert.ok(made.ok);
		const first = made.value.placed.find((one) => one.task === 'mix 0');
		const packed = made.value.placed.find((one) => one.task === 'pack 0');
		assert.ok(first && packed);
		assert.ok(packed.end <= 60, `seed ${seed}: packed by ${packed.end}`);
	}
});
