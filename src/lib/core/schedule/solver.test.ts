import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { checkPlan } from './check/check-plan.ts';
import { EVERY_KIND } from './every-kind.fixture.ts';
import type { Problem } from './problem.ts';
import { solve, Solver } from './solver.ts';
import { bestByTrying, tinyFrom, tinyProblem } from './tiny-problems.fixture.ts';

const SEED = fc.integer({ min: 1, max: 1_000_000 });

/** The cost of the plan found, which must hold; null where tasks are missing. */
function costOf(problem: Problem, moves: number, seed = 1): number | null {
	const made = solve(problem, { seed, moves });
	assert.ok(made.ok, JSON.stringify(made));
	const { violations, cost } = checkPlan(problem, made.value);
	if (made.value.missing.length > 0) {
		assert.deepEqual(
			violations.filter(({ kind }) => kind !== 'task-missing'),
			[]
		);
		return null;
	}
	assert.deepEqual(violations, []);
	return cost.total;
}

test('on problems small enough to try every plan, the best is found', () => {
	fc.assert(
		fc.property(SEED, (seed) => {
			const problem = tinyProblem(tinyFrom(seed));
			assert.equal(costOf(problem, 400), bestByTrying(problem));
		}),
		{ numRuns: 20, seed: 20_261_125 }
	);
});

test('a wider window never makes the best plan dearer', () => {
	fc.assert(
		fc.property(SEED, (seed) => {
			const tiny = tinyFrom(seed);
			// The wish stays where it was.
			const wish = Math.min(tiny.lag.wish, tiny.lag.over);
			const wider = { ...tiny, lag: { ...tiny.lag, over: tiny.lag.over + 2, wish } };
			const narrow = costOf(tinyProblem(tiny), 400);
			const wide = costOf(tinyProblem(wider), 400);
			assert.ok(narrow === null || (wide !== null && wide <= narrow), `${narrow} ${wide}`);
		}),
		{ numRuns: 40, seed: 20_261_126 }
	);
});

test('every kind of constraint at once is kept, at the best cost', () => {
	// Both in one load as soon as the hands allow: tried by hand.
	const cost = costOf(EVERY_KIND, 600);
	assert.equal(cost, costOf(EVERY_KIND, 4000, 7));
	assert.ok(cost !== null && cost <= 58, String(cost));
});

test('the same seed and budget give the same plan, another seed may not', () => {
	const run = (seed: number) => solve(EVERY_KIND, { seed, moves: 120 });
	assert.deepEqual(run(3), run(3));
});

test('what nobody needs changes nothing', () => {
	const more: Problem = {
		...EVERY_KIND,
		pools: [...EVERY_KIND.pools, { id: 'idle', there: [{ from: 0, to: 60, amount: 3 }] }],
		machines: [
			...EVERY_KIND.machines,
			{ id: 'idle press', least: 0, most: 9, closed: [], changeovers: [] }
		]
	};
	assert.deepEqual(
		solve(more, { seed: 5, moves: 200 }),
		solve(EVERY_KIND, { seed: 5, moves: 200 })
	);
});

const shift = (problem: Problem, by: number): Problem => ({
	...problem,
	horizon: problem.horizon + by,
	pools: problem.pools.map((pool) => ({
		...pool,
		there: pool.there.map(({ from, to, amount }) => ({ from: from + by, to: to + by, amount }))
	})),
	machines: problem.machines.map((machine) => ({
		...machine,
		closed: machine.closed.map(({ from, to }) => ({ from: from + by, to: to + by }))
	})),
	tasks: problem.tasks.map((task) => ({ ...task, earliest: (task.earliest ?? 0) + by })),
	prices: problem.prices.map((price) => ({ ...price, at: price.at + by })),
	spans: problem.spans.map((span) => ({
		...span,
		floor: span.floor === null ? null : span.floor + by,
		until: span.until === null ? null : span.until + by
	}))
});

test('a problem told later has the same plan later', () => {
	const [now, later] = [EVERY_KIND, shift(EVERY_KIND, 17)].map((problem) => {
		const made = solve(problem, { seed: 2, moves: 300 });
		assert.ok(made.ok);
		return made.value;
	});
	assert.ok(now && later);
	assert.deepEqual(
		later.placed.map(({ task, mode, start, unit }) => [task, mode, start - 17, unit]),
		now.placed.map(({ task, mode, start, unit }) => [task, mode, start, unit])
	);
});

test('pins are kept and the rest is planned around them', () => {
	const pinned: Problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'red tile' ? { ...task, pin: { start: 30, mode: 'kiln', unit: 'kiln 2' } } : task
		)
	};
	const made = solve(pinned, { seed: 1, moves: 300 });
	assert.ok(made.ok);
	assert.deepEqual(checkPlan(pinned, made.value).violations, []);
	const red = made.value.placed.find(({ task }) => task === 'red');
	assert.ok(red && red.end >= 18 && red.end <= 28, JSON.stringify(red));
});

const chain = (count: number, length = 1): Problem => ({
	...EVERY_KIND,
	machines: [],
	batchMachines: [],
	prices: [],
	spans: [],
	lags: Array.from({ length: count - 1 }, (_, at) => ({
		id: `lag ${at}`,
		before: `t${at}`,
		after: `t${at + 1}`,
		from: 'end',
		windows: [
			{
				beforeMode: null,
				afterMode: null,
				window: { least: 0, most: 3, wish: 1, price: 1, outside: null, tier: 1, holds: [] }
			}
		]
	})),
	tasks: Array.from({ length: count }, (_, at) => ({
		id: `t${at}`,
		group: 'chain',
		modes: [
			{
				id: 'only',
				length,
				demands: [{ pools: ['bob'], amount: 1, from: 0, to: length }],
				machine: null,
				batch: null
			}
		],
		earliest: null,
		latest: null,
		pin: null
	}))
});

const missingOf = (problem: Problem, moves = 60): readonly string[] => {
	const made = solve(problem, { seed: 1, moves });
	assert.ok(made.ok, JSON.stringify(made));
	assert.deepEqual(
		checkPlan(problem, made.value).violations.filter(({ kind }) => kind !== 'task-missing'),
		[]
	);
	return made.value.missing;
};

test('with nobody there, what needs hands is told as missing and nothing else is', () => {
	const nobody = {
		...EVERY_KIND,
		pools: EVERY_KIND.pools.map((pool) => (pool.id === 'shelf' ? pool : { ...pool, there: [] }))
	};
	assert.equal(missingOf(nobody).length, 5);
	const two = chain(3);
	const lone = {
		...two,
		tasks: two.tasks.map((task, at) => (at === 1 ? { ...task, id: 'x' } : task)),
		lags: []
	};
	assert.deepEqual(missingOf(lone), []);
	// However much finds no place, the rest is planned.
	const [job] = chain(1).tasks;
	assert.ok(job);
	const many: Problem = {
		...lone,
		pools: [...lone.pools, { id: 'nobody', there: [] }],
		tasks: Array.from({ length: 120 }, (_, at) => ({
			...job,
			id: `job ${at}`,
			modes: job.modes.map((mode) => ({
				...mode,
				demands: [{ pools: [at < 100 ? 'nobody' : 'bob'], amount: 1, from: 0, to: 1 }]
			}))
		}))
	};
	assert.equal(missingOf(many).length, 100);
});

test('a circle of lags, pins that contradict, a chain longer than the day: missing, not hung', () => {
	const ring = chain(3);
	const [first] = ring.lags;
	assert.ok(first);
	const circle = {
		...ring,
		lags: [...ring.lags, { ...first, id: 'back', before: 't2', after: 't0' }]
	};
	assert.equal(missingOf(circle).length, 3);
	const pins = {
		...ring,
		tasks: ring.tasks.map((task, at) => ({
			...task,
			pin: { start: [20, 10, 30][at] ?? 0, mode: null, unit: null }
		}))
	};
	assert.ok(missingOf(pins).length > 0);
	assert.equal(missingOf(chain(40, 2)).length, 40);
});

test('a deadline before anything can be ready is missed by as little as can be', () => {
	const late = { ...EVERY_KIND, prices: EVERY_KIND.prices.map((price) => ({ ...price, at: 0 })) };
	assert.deepEqual(missingOf(late, 300), []);
});

test('two thousand tasks are answered within a budget of few moves', () => {
	const many = chain(2);
	const tasks = Array.from({ length: 1000 }, (_, at) =>
		many.tasks.map((task) => ({ ...task, id: `${task.id} ${at}`, group: `pair ${at}` }))
	).flat();
	const lags = Array.from({ length: 1000 }, (_, at) =>
		many.lags.map((lag) => ({
			...lag,
			id: `${lag.id} ${at}`,
			before: `${lag.before} ${at}`,
			after: `${lag.after} ${at}`
		}))
	).flat();
	const problem = {
		...many,
		horizon: 2500,
		pools: many.pools.map((pool) => ({
			...pool,
			there: [{ from: 0, to: 2500, amount: 1 }]
		})),
		tasks,
		lags
	};
	assert.deepEqual(missingOf(problem, 20), []);
});

test('a problem that names what it does not have is told so', () => {
	const made = solve(
		{ ...EVERY_KIND, lags: [{ ...EVERY_KIND.lags[0]!, after: 'nowhere' }] },
		{ seed: 1, moves: 1 }
	);
	assert.deepEqual(made, {
		ok: false,
		error: { kind: 'unknown-name', where: 'red to red tile', what: 'nowhere' }
	});
});

test('a solver that was closed says so, and what another does meanwhile is its own', () => {
	const made = Solver.of(EVERY_KIND, 1);
	assert.ok(made.ok);
	const one = made.value;
	one.begin();
	const plan = one.plan();
	one.close();
	one.close();
	const other = Solver.of(EVERY_KIND, 1);
	assert.ok(other.ok);
	other.value.begin();
	assert.deepEqual(other.value.plan(), plan);
	assert.throws(() => one.run(1, 0), /this solver was closed/);
	assert.throws(() => one.plan(), /this solver was closed/);
	one.close();
	other.value.run(20, 0.5);
	assert.deepEqual(checkPlan(EVERY_KIND, other.value.plan()).violations, []);
});
