import { test } from 'node:test';
import assert from 'node:assert/strict';
import { EVERY_KIND, GOOD_PLAN } from '../every-kind.fixture.ts';
import type { Placed, Plan, PlannedLoad } from '../plan.ts';
import type { BatchMachine, Mode, Problem, Task } from '../problem.ts';
import { checkPlan } from './check-plan.ts';
import type { Violation } from './violations.ts';

type Kind = Violation['kind'];

const kindsOf = (plan: Plan, problem: Problem = EVERY_KIND): readonly Kind[] => [
	...new Set(checkPlan(problem, plan).violations.map(({ kind }) => kind))
];

/** The good plan with something else about one task. */
const moved = (task: string, change: Partial<Placed>): Plan => ({
	...GOOD_PLAN,
	placed: GOOD_PLAN.placed.map((one) => (one.task === task ? { ...one, ...change } : one))
});

const loaded = (change: Partial<PlannedLoad>): Plan => ({
	...GOOD_PLAN,
	loads: GOOD_PLAN.loads.map((load) => ({ ...load, ...change }))
});

const withTask = (id: string, change: Partial<Task>): Problem => ({
	...EVERY_KIND,
	tasks: EVERY_KIND.tasks.map((task) => (task.id === id ? { ...task, ...change } : task))
});

const withKiln = (change: Partial<BatchMachine>): Problem => ({
	...EVERY_KIND,
	batchMachines: EVERY_KIND.batchMachines.map((machine) => ({ ...machine, ...change }))
});

/** The blue tile as another portion. */
const withTile = (change: Partial<NonNullable<Mode['batch']>>): Problem => {
	const modes = EVERY_KIND.tasks[3]?.modes ?? [];
	return withTask('blue tile', {
		modes: modes.map((mode) => ({ ...mode, batch: mode.batch && { ...mode.batch, ...change } }))
	});
};

/** Both tiles as other portions. */
const withTiles = (change: Partial<NonNullable<Mode['batch']>>): Problem => ({
	...EVERY_KIND,
	tasks: EVERY_KIND.tasks.map((task) => ({
		...task,
		modes: task.modes.map((mode) => ({
			...mode,
			batch: mode.batch && { ...mode.batch, ...change }
		}))
	}))
});

/** The blue tile in a load of its own. */
const apart = (unit: string, start: number): Plan => ({
	...moved('blue tile', { unit, start, end: start + 7 }),
	placed: moved('blue tile', { unit, start, end: start + 7 }).placed.map((one) =>
		one.task === 'pack' ? { ...one, start: start + 10, end: start + 12 } : one
	),
	loads: [
		{ unit: 'kiln 1', start: 14, end: 21, tasks: ['red tile'], given: [['ann'], ['bob']] },
		{ unit, start, end: start + 7, tasks: ['blue tile'], given: [['bob'], ['bob']] }
	]
});

test('a plan that keeps everything holds, and costs what its tiers add up to', () => {
	const { violations, cost } = checkPlan(EVERY_KIND, GOOD_PLAN);
	assert.deepEqual(violations, []);
	// One unit late at 10; six off the wish at 2; the day 26 long, the kiln on for 7 and 3 before.
	assert.deepEqual(cost, { total: 10 + 12 + 36, tiers: [10, 12, 36] });
});

const WRONG: readonly (readonly [Kind, Plan, Problem?])[] = [
	['task-missing', { ...GOOD_PLAN, placed: GOOD_PLAN.placed.slice(0, 4) }],
	[
		'task-unknown',
		{ ...GOOD_PLAN, placed: [...GOOD_PLAN.placed, { ...GOOD_PLAN.placed[4]!, task: 'ghost' }] }
	],
	['task-twice', { ...GOOD_PLAN, placed: [...GOOD_PLAN.placed, GOOD_PLAN.placed[4]!] }],
	['mode-unknown', moved('pack', { mode: 'by foot' })],
	['outside-horizon', moved('pack', { start: 59, end: 61 })],
	['outside-horizon', moved('pack', { start: 24.5, end: 26.5 })],
	['length-wrong', moved('pack', { end: 27 })],
	['length-wrong', moved('red tile', { end: 22 })],
	['too-early', GOOD_PLAN, withTask('pack', { earliest: 25 })],
	['too-late', GOOD_PLAN, withTask('pack', { latest: 23 })],
	['pin-moved', GOOD_PLAN, withTask('pack', { pin: { start: 30, mode: null, unit: null } })],
	[
		'pin-moved',
		GOOD_PLAN,
		withTask('red tile', { pin: { start: null, mode: null, unit: 'kiln 2' } })
	],
	['lag-too-short', moved('pack', { start: 21, end: 23 })],
	['lag-too-long', moved('blue', { start: 0, end: 1 })],
	[
		'modes-forbidden',
		GOOD_PLAN,
		{ ...EVERY_KIND, lags: [{ ...EVERY_KIND.lags[2]!, windows: [] }] }
	],
	['demand-unmet', moved('red', { given: [['ann']] })],
	['demand-unmet', moved('pack', { given: [['ann']] })],
	['demand-unmet', moved('pack', { given: [] })],
	// Bob packs while he unloads.
	['pool-overdrawn', moved('pack', { start: 20, end: 22 })],
	['size-unfit', GOOD_PLAN, { ...EVERY_KIND, machines: [{ ...EVERY_KIND.machines[0]!, most: 9 }] }],
	[
		'machine-closed',
		GOOD_PLAN,
		{ ...EVERY_KIND, machines: [{ ...EVERY_KIND.machines[0]!, closed: [{ from: 3, to: 5 }] }] }
	],
	['machine-overlap', moved('blue', { start: 3, end: 7 })],
	['changeover-short', moved('blue', { start: 6, end: 10 })],
	['unit-wrong', moved('red tile', { unit: null })],
	['unit-wrong', moved('pack', { unit: 'kiln 1' })],
	['unit-wrong', GOOD_PLAN, withTile({ notOn: ['kiln 1'] })],
	['load-missing', { ...GOOD_PLAN, loads: [] }],
	['load-wrong', loaded({ tasks: ['red tile'] })],
	['load-wrong', loaded({ end: 20 })],
	[
		'load-wrong',
		{ ...GOOD_PLAN, loads: [...GOOD_PLAN.loads, { ...GOOD_PLAN.loads[0]!, start: 40 }] }
	],
	['load-overfull', GOOD_PLAN, withTile({ size: 7 })],
	['load-mixed', GOOD_PLAN, withTile({ kind: 'wet' })],
	['load-mixed', GOOD_PLAN, withTile({ level: 206 })],
	['load-mixed', GOOD_PLAN, withTile({ length: 3 })],
	['load-mixed', GOOD_PLAN, withTile({ leaves: 206 })],
	// What falls while it is in leaves no other beside it in a shared chamber.
	['levels-clash', apart('kiln 2', 18), withTile({ leaves: 180 })],
	['load-unattended', loaded({ given: [['ann']] })],
	['loads-too-close', apart('kiln 1', 22)],
	// A unit that wants more of its own than the machine.
	[
		'loads-too-close',
		apart('kiln 1', 24),
		{
			...EVERY_KIND,
			batchMachines: EVERY_KIND.batchMachines.map((machine) => ({
				...machine,
				units: machine.units.map((unit) => ({ ...unit, recovery: 6 }))
			}))
		}
	],
	['levels-clash', apart('kiln 2', 18), withTile({ level: 240 })],
	// Going down takes twice as long as up: 230 to 200 six units, so that 26 is too soon and 27 not.
	['levels-clash', apart('kiln 2', 23), withTile({ level: 180 })]
];

for (const [kind, plan, problem] of WRONG)
	test(`a plan that is wrong by ${kind} is caught by that name`, () => {
		const found = kindsOf(plan, problem);
		assert.ok(found.includes(kind), found.join(', '));
	});

test('loads stand free of each other at the least time between them, and not before', () => {
	assert.deepEqual(kindsOf(apart('kiln 1', 23)), []);
	// From 200 to 240 four units up; to 180 four units down at twice the time.
	assert.deepEqual(kindsOf(apart('kiln 2', 25), withTile({ level: 240 })), ['lag-too-long']);
	assert.ok(kindsOf(apart('kiln 2', 24), withTile({ level: 240 })).includes('levels-clash'));
	assert.ok(!kindsOf(apart('kiln 2', 25), withTile({ level: 180 })).includes('levels-clash'));
	assert.ok(kindsOf(apart('kiln 2', 24), withTile({ level: 180 })).includes('levels-clash'));
	// Left at 180, the kiln goes up again in two units.
	const falling = (start: number, leaves: number) =>
		kindsOf(apart('kiln 2', start), withTiles({ leaves }));
	assert.ok(falling(22, 180).includes('levels-clash'));
	assert.ok(!falling(23, 180).includes('levels-clash'));
	assert.ok(!falling(14, 180).includes('levels-clash'), 'what falls together may');
	assert.ok(falling(15, 180).includes('levels-clash'));
	// Units that do not share their level do not see each other.
	const own = withKiln({ shared: false });
	const tile = withTile({ level: 240 });
	assert.deepEqual(
		kindsOf(apart('kiln 2', 18), { ...own, tasks: tile.tasks }).filter(
			(kind) => kind !== 'pool-overdrawn'
		),
		[]
	);
});

test('a break leaves nobody there, and a window outside of which a price is paid is kept by none', () => {
	const atBreak = moved('pack', { given: [['ann']], start: 22, end: 24 });
	const byAnyone = withTask('pack', {
		modes: [
			{
				id: 'by hand',
				length: 2,
				demands: [{ pools: ['ann', 'bob'], amount: 1, from: 0, to: 2 }],
				machine: null,
				batch: null
			}
		]
	});
	assert.deepEqual(kindsOf(atBreak, byAnyone), ['pool-overdrawn']);
	const soft = {
		...EVERY_KIND,
		lags: EVERY_KIND.lags.map((lag) => ({
			...lag,
			windows: lag.windows.map((choice) => ({
				...choice,
				window: choice.window && { ...choice.window, outside: 7 }
			}))
		}))
	};
	const late = checkPlan(soft, moved('pack', { start: 21, end: 23 }));
	assert.deepEqual(late.violations, []);
	// Twice a unit short, at 7; nothing late; the day three units shorter.
	assert.deepEqual(late.cost.tiers, [0, 12 + 14, 33]);
});
