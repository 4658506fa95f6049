import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay } from '../../bench/schedule/generate-day.ts';
import { withEngineInBrowser } from '../../bench/schedule/in-browser.ts';
import { problemOf } from '../../bench/schedule/neutral-case.ts';
import { checkPlan, solve } from '../../src/lib/core/schedule/index.ts';

test('the browser makes the plan that Node.js makes, and its worker hears a cancel while it searches', async () => {
	const chromium = process.env.JOVET_CHROMIUM;
	assert.ok(chromium, 'JOVET_CHROMIUM is not set; run the tests with "npm test"');
	await withEngineInBrowser(chromium, async (ask) => {
		for (const [size, day, moves] of [
			['small', 4, 400],
			['medium', 2, 120]
		] as const) {
			const problem = problemOf(generateDay(size, day));
			const here = solve(problem, { seed: 11, moves });
			assert.ok(here.ok);
			assert.deepEqual(checkPlan(problem, here.value).violations, []);
			assert.deepEqual(await ask('solve', size, day, 11, moves), here.value);
		}
		assert.equal((await ask('cancels', 3)).length, 3);
	});
});
