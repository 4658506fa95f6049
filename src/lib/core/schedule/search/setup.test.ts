import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { EVERY_KIND } from '../every-kind.fixture.ts';
import type { BatchMachine } from '../problem.ts';
import { rangeOf, Setups } from './setup.ts';

const MACHINE = EVERY_KIND.batchMachines[0] as BatchMachine;

test('from level to level takes its time, up and down, however far; none within the tolerance', () => {
	const level = fc.oneof(
		fc.integer({ min: -600, max: 600 }),
		fc.integer({ min: -90_000, max: 90_000 })
	);
	const figure = fc.integer({ min: 0, max: 9 });
	fc.assert(
		fc.property(level, level, figure, figure, figure, (from, to, rise, fall, tolerance) => {
			const setups = new Setups({ ...MACHINE, rise, fall, step: 7, tolerance });
			const first = rangeOf({ level: 0, leaves: from });
			const second = rangeOf({ level: to, leaves: 0 });
			const away = Math.abs(to - from);
			// In whole numbers: an engine's division may lie a little above a whole.
			const whole = away * (to > from ? rise : fall);
			const wanted = away <= tolerance ? 0 : (whole - (whole % 7)) / 7 + (whole % 7 > 0 ? 1 : 0);
			assert.equal(setups.between(first, second), wanted);
		})
	);
});

test('of loads with several levels the longest way counts', () => {
	const setups = new Setups({ ...MACHINE, rise: 1, fall: 3, step: 10, tolerance: 5 });
	const warm = { low: 200, high: 210, leavesLow: 190, leavesHigh: 210 };
	const hot = { low: 240, high: 250, leavesLow: 240, leavesHigh: 250 };
	assert.equal(setups.between(warm, hot), 6, 'up from 190 to 250');
	assert.equal(setups.between(hot, warm), 15, 'down from 250 to 200');
});
