import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { generateDay } from '../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../bench/schedule/neutral-case.ts';
import { checkPlan } from './check/check-plan.ts';
import { faultOf } from './faults.ts';
import { holdersOf } from './holders.ts';
import type { Problem, TakenUnit } from './problem.ts';
import { Solver } from './solver.ts';

/** A made-up day on whose ovens others have loads too. */
function withTaken(
	day: number,
	taken: (units: readonly string[]) => readonly TakenUnit[]
): Problem {
	const problem = problemOf(generateDay('small', day));
	return {
		...problem,
		batchMachines: problem.batchMachines.map((machine) => ({
			...machine,
			taken: taken(machine.units.map(({ id }) => id))
		}))
	};
}

function planOf(problem: Problem, seed = 1) {
	const made = Solver.of(problem, seed);
	assert.ok(made.ok, JSON.stringify(made));
	made.value.begin();
	made.value.run(120, 0.5);
	made.value.finish();
	return made.value.plan();
}

test('what others have of an oven stays clear, with its recovery and its change of heat', () => {
	const stretch = fc.record({
		at: fc.nat(3),
		from: fc.integer({ min: -20, max: 280 }),
		length: fc.integer({ min: 1, max: 30 }),
		level: fc.constantFrom(200, 230, 250)
	});
	fc.assert(
		fc.property(
			fc.integer({ min: 1, max: 12 }),
			fc.array(stretch, { maxLength: 5 }),
			(day, some) => {
				const problem = withTaken(day, (units) =>
					some.map(({ at, from, length, level }) => ({
						unit: units[at % units.length] ?? '',
						from,
						to: from + length,
						level,
						leaves: level - 10
					}))
				);
				const plan = planOf(problem);
				const { violations } = checkPlan(problem, plan);
				assert.deepEqual(
					violations.filter(({ kind }) => kind !== 'task-missing'),
					[]
				);
				for (const load of plan.loads) {
					assert.ok(load.tasks.length > 0, 'what others have is not told as a load');
					for (const machine of problem.batchMachines)
						for (const { unit, from, to } of machine.taken ?? [])
							if (unit === load.unit) assert.ok(load.end <= from || to <= load.start);
				}
			}
		),
		{ numRuns: 25 }
	);
});

test('a load put where others have the unit is told by name, and two of others are no matter of the plan', () => {
	const free = withTaken(3, () => []);
	const plan = planOf(free);
	const [load] = plan.loads;
	assert.ok(load);
	const over = (unit: string) => ({
		unit,
		from: load.start + 1,
		to: load.start + 2,
		level: 230,
		leaves: 230
	});
	const problem = withTaken(3, (units) =>
		units.includes(load.unit) ? [over(load.unit), over(load.unit)] : []
	);
	const kinds = checkPlan(problem, plan).violations.map(({ kind }) => kind);
	assert.ok(kinds.length > 0);
	for (const kind of kinds) assert.match(kind, /^(loads-too-close|levels-clash)$/);
});

test('a load that stands right after what others have says so', () => {
	const problem: Problem = {
		horizon: 100,
		tiers: ['late'],
		pools: [],
		machines: [],
		batchMachines: [
			{
				id: 'oven',
				units: [{ id: 'deck', capacity: 1 }],
				shared: false,
				tolerance: 5,
				rise: 1,
				fall: 2,
				step: 10,
				recovery: 3,
				loading: 1,
				unloading: 0,
				attended: [],
				preheat: 0,
				onPrice: 0,
				tier: 0,
				taken: [{ unit: 'deck', from: 0, to: 10, level: 240, leaves: 200 }]
			}
		],
		tasks: [
			{
				id: 'bake',
				group: 'bread',
				modes: [
					{
						id: 'bake',
						length: null,
						demands: [],
						machine: null,
						batch: {
							machines: ['oven'],
							size: 1,
							kind: 'dry',
							level: 260,
							length: 8,
							lengthTolerance: 0
						}
					}
				],
				earliest: null,
				latest: null,
				pin: null
			}
		],
		lags: [],
		prices: [{ id: 'soon', task: 'bake', of: 'start', at: 0, early: 0, late: 1, away: 0, tier: 0 }],
		spans: []
	};
	const plan = planOf(problem);
	// It left at 200: six units to 260, more than the recovery of three.
	assert.deepEqual(
		plan.placed.map(({ start }) => start),
		[16]
	);
	const held = holdersOf(problem, plan);
	assert.ok(held.ok);
	assert.deepEqual(held.value, [
		{ task: 'bake', earlier: [{ kind: 'taken', unit: 'deck' }], later: [] }
	]);
});

test('a unit that is not there, or ends before it begins, is a fault', () => {
	const wrong = (change: Partial<TakenUnit>) =>
		faultOf(
			withTaken(1, (units) => [
				{ unit: units[0] ?? '', from: 5, to: 9, level: 230, leaves: 230, ...change }
			])
		);
	assert.equal(wrong({}), null);
	assert.equal(wrong({ unit: 'nowhere' })?.kind, 'unknown-name');
	assert.notEqual(wrong({ to: 4 }), null);
});
