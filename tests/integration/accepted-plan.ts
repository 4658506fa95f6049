import assert from 'node:assert/strict';
import type { BakeDayInput } from '../../src/lib/core/planning/index.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { readBench } from '../../src/lib/server/services/read-bench.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { heldPlacement } from './placement.ts';
import { NOW_MS, send, TOMORROW } from './test-database.ts';

/** Accepts a plan that holds for tomorrow's bake, as it is by then; gives what it was made from. */
export async function acceptHeld(db: Db, minutes = 0): Promise<BakeDayInput> {
	const { input, fingerprint } = await readPlan(db, TOMORROW);
	const accepted = await send(
		db,
		{ kind: 'accept-plan', date: TOMORROW, fingerprint, placement: heldPlacement(input) },
		{ minutes }
	);
	assert.equal(accepted.outcome, 'done', JSON.stringify(accepted));
	return input;
}

/** The plan in force, with all that hands do by it. */
export async function nightInForce(db: Db) {
	const { accepted } = await readBench(db, TOMORROW, NOW_MS);
	assert.ok(accepted, 'a plan is in force');
	const { plan, input } = accepted.document;
	return { accepted, plan, input, list: workList(plan, input) };
}
