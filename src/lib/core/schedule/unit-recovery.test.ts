import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { generateDay } from '../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../bench/schedule/neutral-case.ts';
import { checkPlan } from './check/check-plan.ts';
import { faultOf } from './faults.ts';
import type { Problem } from './problem.ts';
import { Solver } from './solver.ts';

/** A made-up day on whose ovens units want time of their own between two loads. */
function withRecovery(day: number, recoveries: readonly number[]): Problem {
	const problem = problemOf(generateDay('small', day));
	let next = 0;
	return {
		...problem,
		batchMachines: problem.batchMachines.map((machine) => ({
			...machine,
			units: machine.units.map((unit) => {
				next += 1;
				return { ...unit, recovery: recoveries[next % recoveries.length] ?? 0 };
			})
		}))
	};
}

test('between two loads of a unit lies what it wants of its own, or the machine where that is more', () => {
	let gaps = 0;
	fc.assert(
		fc.property(
			fc.integer({ min: 1, max: 12 }),
			fc.array(fc.nat(14), { minLength: 1, maxLength: 3 }),
			(day, recoveries) => {
				const problem = withRecovery(day, recoveries);
				const made = Solver.of(problem, 1);
				assert.ok(made.ok, JSON.stringify(made));
				made.value.begin();
				made.value.run(120, 0.5);
				made.value.finish();
				const plan = made.value.plan();
				const { violations } = checkPlan(problem, plan);
				assert.deepEqual(
					violations.filter(({ kind }) => kind !== 'task-missing'),
					[]
				);
				for (const machine of problem.batchMachines)
					for (const { id, recovery = 0 } of machine.units) {
						const own = plan.loads
							.filter(({ unit }) => unit === id)
							.sort((a, b) => a.start - b.start);
						own.slice(1).forEach(({ start }, at) => {
							gaps += 1;
							const gap = start - (own[at]?.end ?? 0);
							assert.ok(gap >= Math.max(recovery, machine.recovery), `${id}: ${gap}`);
						});
					}
			}
		),
		{ numRuns: 30 }
	);
	assert.ok(gaps > 50, 'units took several loads');
});

test('a recovery that is no whole time is a fault, told by the unit', () => {
	const fault = faultOf(withRecovery(1, [-1]));
	assert.ok(fault, 'less than nothing');
	assert.equal(faultOf(withRecovery(1, [3])), null);
});
