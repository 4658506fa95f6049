import assert from 'node:assert/strict';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { heldPlacement } from '../integration/placement.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { sendBeside, type Bakery } from './bakery.ts';

/** A plan that holds is accepted, as by the head baker at the desk; gives it as it was told. */
export async function acceptBeside(bakery: Bakery) {
	const { input, fingerprint } = await readPlan(bakery.database.db, TOMORROW);
	await sendBeside(bakery, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: heldPlacement(input)
	});
	const { accepted } = await readPlan(bakery.database.db, TOMORROW);
	assert.ok(accepted);
	return accepted.document;
}
