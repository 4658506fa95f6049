import assert from 'node:assert/strict';
import { bakeryTime } from '../../src/lib/core/time/bakery-clock.ts';
import { loadClock } from '../../src/lib/server/db/bakery.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { heldPlacement } from '../integration/placement.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { sendBeside, type Bakery } from './bakery.ts';

/**
 * A plan that holds is accepted, as by the head baker at the desk; gives it as it was told. Where it is to lie all ahead, it
 * begins after the bakery's clock.
 */
export async function acceptBeside(bakery: Bakery, lies: 'anywhere' | 'ahead' = 'anywhere') {
	const { db } = bakery.database;
	const { input, fingerprint } = await readPlan(db, TOMORROW);
	const now = bakeryTime(await loadClock(db), { epochMs: Date.now() });
	const notBeforeMs = lies === 'ahead' ? now.epochMs : undefined;
	await sendBeside(bakery, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: heldPlacement(input, undefined, undefined, notBeforeMs)
	});
	const { accepted } = await readPlan(db, TOMORROW);
	assert.ok(accepted);
	return accepted.document;
}
