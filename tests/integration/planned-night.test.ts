import { test } from 'node:test';
import assert from 'node:assert/strict';
import { holds, judgePlacement, takenAsDone } from '../../src/lib/core/planning/index.ts';
import { bakeryTime } from '../../src/lib/core/time/index.ts';
import { loadClock } from '../../src/lib/server/db/bakery.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { loadSaltmarrow } from '../../src/lib/server/demo/load-saltmarrow.ts';
import { planNextNight } from '../../src/lib/server/demo/plan-next-night.ts';
import { readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { heldPlacement } from './placement.ts';
import { testDatabase, TOMORROW } from './test-database.ts';

const REAL_MS = Date.UTC(2027, 4, 3, 9);

test('the demo can be opened in the middle of a night whose plan was accepted in the afternoon and holds', async () => {
	const { db, drop } = await testDatabase('empty');
	try {
		await migrateToLatest(db);
		await loadSaltmarrow(db, demoClock('2026-11-24T01:00', REAL_MS), REAL_MS);
		await planNextNight(db, REAL_MS);
		const { accepted, input } = await readPlan(db, TOMORROW);
		assert.ok(accepted?.current);
		assert.equal(accepted.acceptedAtMs, Date.UTC(2026, 10, 23, 14));
		const { plan } = accepted.document;
		assert.deepEqual([plan.cautions, plan.unplaced], [[], []]);
		for (const { name, readyMs, readyByMs } of plan.drops)
			assert.ok(readyMs !== null && readyMs <= readyByMs, name);
		for (const { id, startMs } of plan.tasks)
			assert.ok(startMs >= accepted.acceptedAtMs, `${id} was begun before it was planned`);
		assert.ok(takenAsDone(input, plan, Date.UTC(2026, 10, 24, 1)).length > 10, 'it is under way');
	} finally {
		await drop();
	}
});

test('whenever the demo is opened its next night holds: planned already, or to be planned', async () => {
	// Afternoons, nights and mornings of a week; on some a chain was to be begun two days before.
	for (const at of [
		'2026-11-24T21:30',
		'2026-11-25T11:00',
		'2026-11-26T16:00',
		'2026-11-28T12:00'
	]) {
		const { db, drop } = await testDatabase('empty');
		try {
			await migrateToLatest(db);
			await loadSaltmarrow(db, demoClock(at, REAL_MS), REAL_MS);
			await planNextNight(db, REAL_MS);
			const { date } = await readNextBake(db, { epochMs: REAL_MS });
			const { accepted, input } = await readPlan(db, date);
			const nowMs = bakeryTime(await loadClock(db), { epochMs: REAL_MS }).epochMs;
			if (accepted) {
				assert.ok(accepted.current, at);
				assert.ok(accepted.acceptedAtMs <= nowMs, at);
				assert.ok(holds(accepted.document.plan), at);
				for (const { startMs } of accepted.document.plan.tasks)
					assert.ok(startMs >= accepted.acceptedAtMs, `${at}: begun before it was planned`);
			} else assert.ok(holds(judgePlacement(input, heldPlacement(input, 400, { nowMs })).plan), at);
		} finally {
			await drop();
		}
	}
});
