import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { holds, judgePlacement, planDay } from '../../src/lib/core/planning/index.ts';
import { REAL_TIME, type BakeDate } from '../../src/lib/core/time/index.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { loadSaltmarrow } from '../../src/lib/server/demo/load-saltmarrow.ts';
import { planNextNight } from '../../src/lib/server/demo/plan-next-night.ts';
import { readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('a night that barely fits, with rye that rests for six hours, is found by the better of two beginnings in two of three pairs at the least', async () => {
	const { input } = await readPlan(t.db, '2026-11-26' as BakeDate);
	const lateWith = (seed: number): readonly string[] => {
		const made = planDay(input, { seed, moves: 1500 });
		assert.ok(made.ok, `seed ${seed}`);
		const { plan, violations } = judgePlacement(input, made.value);
		assert.deepEqual(violations, [], `seed ${seed}`);
		const late = plan.drops.flatMap(({ name, readyMs, readyByMs }) =>
			readyMs === null || readyMs > readyByMs ? [name] : []
		);
		assert.equal(holds(plan), late.length === 0, `seed ${seed}`);
		return late;
	};
	// A beginning alone misses a drop one time in four (of sixteen seeds four or five): the page asks two workers, and takes the
	// better plan. One pair in sixteen may miss it all the same; two of three would say that the search has lost such nights.
	const missed: string[] = [];
	for (const seed of [1, 3, 5]) {
		const late = lateWith(seed);
		const both = late.length === 0 ? late : lateWith(seed + 1);
		if (both.length > 0) missed.push(`seeds ${seed}, ${seed + 1}: ${both.join(', ')}`);
	}
	assert.ok(missed.length <= 1, missed.join('; '));
});

test('opened on a Saturday or a Sunday, the demo shows Monday’s night as it was planned on Saturday', async () => {
	for (const day of [28, 29]) {
		const own = await testDatabase('empty');
		try {
			await migrateToLatest(own.db);
			const nowMs = Date.parse(`2026-11-${day}T16:38:00Z`);
			assert.ok(await loadSaltmarrow(own.db, REAL_TIME, nowMs), `filled on ${day}`);
			await planNextNight(own.db, nowMs);
			const { date } = await readNextBake(own.db, { epochMs: nowMs });
			assert.equal(date, '2026-11-30', `opened on ${day}`);
			const { accepted, input } = await readPlan(own.db, date);
			assert.ok(input.doughs.length > 0, 'something is baked');
			assert.ok(accepted, `opened on ${day}: nothing was accepted`);
			assert.ok(
				accepted.acceptedAtMs <= Date.parse('2026-11-28T14:00:00Z'),
				'by Saturday afternoon'
			);
		} finally {
			await own.drop();
		}
	}
});
