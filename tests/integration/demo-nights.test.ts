import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { holds, judgePlacement, planDay } from '../../src/lib/core/planning/index.ts';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('a night that barely fits, with rye that rests for six hours, is found from each of several beginnings', async () => {
	const { input } = await readPlan(t.db, '2026-11-26' as BakeDate);
	for (const seed of [1, 2, 3]) {
		const made = planDay(input, { seed, moves: 1500 });
		assert.ok(made.ok);
		const { plan, violations } = judgePlacement(input, made.value);
		assert.deepEqual(violations, []);
		const late = plan.drops.flatMap(({ name, readyMs, readyByMs }) =>
			readyMs === null || readyMs > readyByMs ? [name] : []
		);
		assert.deepEqual(late, [], `seed ${seed}`);
		assert.ok(holds(plan), `seed ${seed}`);
	}
});
