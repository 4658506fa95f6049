import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readCultures } from '../../src/lib/server/services/read-cultures.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { newPlacement } from './placement.ts';
import {
	LEVAIN,
	NOW_MS,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const set = (batches: number | null, expectedVersion: number, preparationId: string = LEVAIN) =>
	send(t.db, { kind: 'set-batches', date: TOMORROW, preparationId, batches, expectedVersion });
const levains = async () =>
	(await readDoughs(t.db, TOMORROW)).production.builds.filter(
		({ preparation }) => preparation.id === LEVAIN
	);
const shared = async () =>
	(await readDoughs(t.db, TOMORROW)).shared.find(({ preparationId }) => preparationId === LEVAIN);

test('how far the mixes lie apart that take from one pre-ferment is told, with how long it is usable', async () => {
	const levain = await shared();
	assert.ok(levain);
	assert.equal(levain.takers, 2);
	assert.ok(levain.apartMinutes > 60 && levain.apartMinutes < 24 * 60);
	// Early after 255 and late after 390 min at its reference, in the culture box.
	assert.ok(Math.abs(levain.usableMinutes - 135) < 20, String(levain.usableMinutes));
	assert.equal(levain.batches, 1);
});

test('in two batches each has its own mixes, its own culture, and the plan its own times', async () => {
	const [before] = await levains();
	const cultureBefore = await readCultures(t.db, TOMORROW, NOW_MS);
	assert.deepEqual(await set(2, 0), { outcome: 'done', answer: { version: 1, batches: 2 } });
	const late = await set(3, 0);
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'changed-meanwhile');
	assert.equal(late.refusal.value, 2);
	const unknown = await set(2, 0, randomUUID());
	assert.ok(unknown.outcome === 'refused' && unknown.refusal.kind === 'unknown');
	const two = await levains();
	assert.deepEqual(
		two.map(({ ordinal }) => ordinal),
		[1, 2]
	);
	const grams = two.reduce((total, { gross }) => total + gross.value, 0);
	assert.ok(before && Math.abs(grams - before.gross.value) < 1);
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	const planned = input.builds.filter(({ preparationId }) => preparationId === LEVAIN);
	const mixes = planned.map(({ takenByMixes }) =>
		(takenByMixes ?? []).map(({ formulaId, ordinal }) => `${formulaId} ${ordinal}`)
	);
	assert.ok(mixes.every((one) => one.length > 0));
	assert.equal(new Set(mixes.flat()).size, mixes.flat().length, 'no mix takes from both');
	const apart = await shared();
	assert.equal(apart?.batches, 2);
	// One uses of each batch; the first is kept back from.
	const WHEAT = demoId('ingredient', 'Wheat culture');
	const usesOf = (view: typeof cultureBefore) =>
		view.cultures
			.find(({ ingredientId }) => ingredientId === WHEAT)
			?.uses.filter(({ date }) => date === TOMORROW) ?? [];
	assert.equal(usesOf(cultureBefore).length, 1);
	assert.equal(usesOf(await readCultures(t.db, TOMORROW, NOW_MS)).length, 2);
	const accepted = await send(t.db, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: newPlacement(input)
	});
	assert.equal(accepted.outcome, 'done', JSON.stringify(accepted).slice(0, 400));
	const { accepted: plan } = await readPlan(t.db, TOMORROW);
	assert.equal(
		plan?.document.input.builds.filter(({ preparationId }) => preparationId === LEVAIN).length,
		2
	);
});

test('in one batch for all again it is as it was', async () => {
	assert.equal((await set(null, 1)).outcome, 'done');
	assert.equal((await levains()).length, 1);
	const { input } = await readPlan(t.db, TOMORROW);
	assert.ok(input.builds.every(({ takenByMixes }) => takenByMixes === undefined));
});
