import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { generateDay } from '../../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../../bench/schedule/neutral-case.ts';
import { tinyFrom, tinyProblem } from '../tiny-problems.fixture.ts';
import type { Problem } from '../problem.ts';
import { compile } from './compile.ts';
import { OpenUnits } from './open-units.ts';
import { Search } from './search.ts';

/** Compares what is kept with what the loads allow, start by start, while the plan changes. */
function compare(problem: Problem, seed: number, turns: number): number {
	const search = new Search(compile(problem), seed);
	for (const _ of search.begin());
	const { state, model } = search;
	const open = new OpenUnits(state);
	let starts = 0;
	for (let turn = 0; turn < turns; turn += 1) {
		for (const { portion, task } of model.modes) {
			if (!portion) continue;
			const pinned = model.pinnedUnit[task] as number;
			for (const at of portion.machines) {
				const { machine, firstUnit, units } = model.batch[at] ?? assert.fail('no machine');
				const length = machine.loading + portion.length + machine.unloading;
				// Another stretch each time: what is kept of one must not be taken for the other.
				const from = (turn * 7) % 5;
				const to = model.horizon - length - ((turn * 3) % 4);
				const unitAt = open.at(at, portion, pinned, from, to);
				for (let t = from; t <= to; t += 1) {
					const fits = (unit: number) =>
						(pinned < 0 || pinned === unit) &&
						!portion.notOn?.has(unit) &&
						(model.unitCapacity[unit] as number) >= portion.size &&
						state.loads.fits(unit, t, t + length, portion.range, null);
					const all = Array.from({ length: units }, (_, k) => firstUnit + k);
					const told = unitAt[t] as number;
					const where = `${model.problem.tasks[task]?.id ?? ''} on ${machine.id} at ${t}`;
					if (told >= 0) assert.ok(fits(told), `${where}: ${told} is not free`);
					else assert.ok(!all.some(fits), `${where}: a unit is free`);
					starts += 1;
				}
			}
		}
		for (let move = 0; move < 4; move += 1) search.move(20);
	}
	return starts;
}

test('a unit is told for a start exactly where a load of its own would stand free, however the plan changes', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
			compare(tinyProblem(tinyFrom(seed)), seed, 3);
		}),
		{ numRuns: 40 }
	);
	assert.ok(compare(problemOf(generateDay('small', 4)), 1, 6) > 10_000);
});
