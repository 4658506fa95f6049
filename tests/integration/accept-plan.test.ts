import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { takenAsDone, type Placement } from '../../src/lib/core/planning/index.ts';
import { readDayAsIf, readPlan } from '../../src/lib/server/services/read-plan.ts';
import { newPlacement } from './placement.ts';
import {
	batchOf,
	FERRY,
	HARBOUR_DOUGH,
	LOAF,
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

async function accept(change: (placement: Placement) => Placement = (placement) => placement) {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	return send(t.db, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: change(newPlacement(input))
	});
}
const batches = () =>
	t.db
		.selectFrom('plan_batch')
		.innerJoin('batch', 'batch.id', 'plan_batch.batch_id')
		.innerJoin('plan_version', 'plan_version.id', 'plan_batch.plan_id')
		.select([
			'batch.id',
			'batch.kind',
			'batch.ordinal',
			'batch.recipe_id',
			'plan_version.number',
			'plan_batch.pieces',
			'batch.formula_revision_id'
		])
		.execute();

const placeOf = (batch: { kind: string; recipe_id: string; ordinal: number; id: string }) =>
	batch.kind === 'mix' || batch.kind === 'pre-ferment' || batch.kind === 'preparation'
		? `${batch.kind} ${batch.recipe_id} ${batch.ordinal}`
		: batch.id;

test('accepting stores a version with its tasks and batches, pinned to revisions', async () => {
	const done = await accept();
	assert.ok(done.outcome === 'done' && done.answer.number === 1);
	const view = await readPlan(t.db, TOMORROW);
	assert.equal(view.accepted?.number, 1);
	assert.equal(view.accepted?.current, true);
	assert.equal(view.accepted?.acceptedBy, 'Maud Tarrow');
	const stored = await batches();
	assert.ok(stored.some((batch) => batch.kind === 'pre-ferment'));
	assert.ok(stored.some((batch) => batch.kind === 'load' && (batch.pieces ?? 0) > 0));
	const mixes = stored.filter((batch) => batch.kind === 'mix');
	assert.ok(mixes.length > 3 && mixes.every((mix) => mix.formula_revision_id !== null));
	const tasks = await t.db.selectFrom('plan_task').selectAll().execute();
	assert.equal(tasks.length, view.accepted?.document.plan.tasks.length);
});

test('a second version keeps the identity of the batches it still has', async () => {
	const first = new Map((await batches()).map((batch) => [placeOf(batch), batch.id]));
	const lead = await send(t.db, {
		kind: 'set-lead',
		batch: await batchOf(t.db, HARBOUR_DOUGH),
		minutes: 20,
		expectedVersion: 0
	});
	assert.equal(lead.outcome, 'done');
	assert.equal((await readPlan(t.db, TOMORROW)).accepted?.current, false);
	const done = await accept();
	assert.ok(done.outcome === 'done' && done.answer.number === 2);
	for (const batch of await batches()) assert.equal(batch.id, first.get(placeOf(batch)));
});

test('a plan made before the orders changed is refused', async () => {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	const changed = await send(t.db, {
		kind: 'change-order',
		date: TOMORROW,
		dropId: FERRY,
		productId: LOAF,
		pieces: 20,
		expectedVersion: 0
	});
	assert.equal(changed.outcome, 'done');
	const late = await send(t.db, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: newPlacement(input)
	});
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'plan-out-of-date');
});

test('a plan that breaks its own rules is refused by the server, whoever made it', async () => {
	const moved = await accept((placement) => {
		const { plan } = placement;
		const [first, ...others] = plan.placed;
		if (!first) return placement;
		const moved = { ...first, start: first.start + 120, end: first.end + 120 };
		return { ...placement, plan: { ...plan, placed: [moved, ...others] } };
	});
	assert.ok(moved.outcome === 'refused' && moved.refusal.kind === 'plan-impossible');
	assert.ok(moved.refusal.violations.length > 0);
	const emptied = await accept((placement) => ({
		...placement,
		plan: { placed: [], loads: [], missing: [] }
	}));
	assert.ok(emptied.outcome === 'refused' && emptied.refusal.kind === 'plan-impossible');
	assert.equal((await readPlan(t.db, TOMORROW)).accepted?.number, 2);
});

test('a mix that comes out as planned leaves the plan current, one that is an hour late does not', async () => {
	const night = await testDatabase();
	try {
		const { input, fingerprint } = await readPlan(night.db, TOMORROW);
		const done = await send(night.db, {
			kind: 'accept-plan',
			date: TOMORROW,
			fingerprint,
			placement: newPlacement(input)
		});
		assert.equal(done.outcome, 'done');
		const { accepted } = await readPlan(night.db, TOMORROW);
		const mixing = (ordinal: number) =>
			accepted?.document.plan.tasks.find(
				({ batch, step }) =>
					batch.kind === 'mix' &&
					batch.formulaId === HARBOUR_DOUGH &&
					batch.ordinal === ordinal &&
					step.kind === 'hands-on' &&
					step.activity === 'mix'
			)?.endMs ?? NaN;
		const measure = async (ordinal: number, minutesLate: number) => {
			const measured = await send(
				night.db,
				{
					kind: 'measure-dough',
					batch: await batchOf(night.db, HARBOUR_DOUGH, ordinal),
					celsius: 25,
					waterCelsius: 12,
					instrument: 'core-probe',
					mixerId: null,
					program: null
				},
				{ minutes: Math.round((mixing(ordinal) - NOW_MS) / 60_000) + minutesLate }
			);
			assert.equal(measured.outcome, 'done', JSON.stringify(measured));
		};
		await measure(1, 4);
		assert.equal((await readPlan(night.db, TOMORROW)).accepted?.current, true);
		await measure(2, 60);
		const changed = await readPlan(night.db, TOMORROW);
		assert.equal(changed.accepted?.current, false);
		// The night goes on: what version 1 told for before now is done, and the server holds every word of that.
		const minutes = Math.round((mixing(2) - NOW_MS) / 60_000) + 61;
		const nowMs = NOW_MS + minutes * 60_000;
		const taken = takenAsDone(changed.input, changed.accepted.document.plan, nowMs);
		assert.notEqual(taken.length, 0);
		const again = newPlacement(changed.input, { nowMs, done: taken });
		const offer = (placement: Placement) =>
			send(
				night.db,
				{ kind: 'accept-plan', date: TOMORROW, fingerprint: changed.fingerprint, placement },
				{ minutes }
			);
		const [first] = taken;
		assert.ok(first, 'something is done');
		for (const forged of [
			[{ ...first, startMs: first.startMs - 600_000 }],
			[{ ...first, task: again.plan.placed.at(-1)?.task ?? '' }],
			[{ ...first, group: 'mix:another:1' }]
		]) {
			const refused = await offer({ ...again, done: forged });
			assert.equal(refused.outcome === 'refused' && refused.refusal.kind, 'plan-out-of-date');
		}
		const second = await offer(again);
		assert.ok(second.outcome === 'done', JSON.stringify(second).slice(0, 400));
		assert.equal(second.answer.number, 2);
	} finally {
		await night.drop();
	}
});

test('a drop that is taken to order twice as much has twice the pieces, and the others theirs', async () => {
	const { input } = await readPlan(t.db, TOMORROW);
	const [order] = input.orders;
	assert.ok(order);
	const twice = await readDayAsIf(t.db, TOMORROW, { drop: order.dropId, times: 2 });
	const pieces = (day: typeof input, isOfDrop: boolean) =>
		day.orders
			.filter(({ dropId }) => (dropId === order.dropId) === isOfDrop)
			.reduce((all, line) => all + line.pieces, 0);
	assert.equal(pieces(twice, true), 2 * pieces(input, true));
	assert.equal(pieces(twice, false), pieces(input, false));
	const made = (day: typeof input) =>
		day.doughs.flatMap(({ mixes }) => mixes).reduce((all, { grams }) => all + grams, 0);
	assert.ok(made(twice) > made(input), 'more dough is mixed');
	const none = await readDayAsIf(t.db, TOMORROW, { drop: order.dropId, times: 0 });
	assert.equal(pieces(none, true), 0);
	assert.deepEqual((await readPlan(t.db, TOMORROW)).input, input, 'and the day is as it was');
});
