import { afterEach, beforeEach, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import type { Sighting } from '../../src/lib/core/fermentation/index.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
	NOW_MS,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

let t: TestDatabase;
beforeEach(async () => {
	t = await testDatabase();
});
afterEach(() => t.drop());

const LATER = NOW_MS + 600 * 60_000;

async function measure(ordinal: number, celsius: number, minutes: number) {
	const done = await send(
		t.db,
		{
			kind: 'measure-dough',
			batch: await batchOf(t.db, HARBOUR_DOUGH, ordinal),
			celsius,
			waterCelsius: 18,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes }
	);
	assert.ok(done.outcome === 'done', JSON.stringify(done));
	return done.answer.entryId;
}
/** Sets what is ordered of one product over all drops to a share of what it was. */
async function order(productId: string, share: number): Promise<void> {
	const { cells } = await readOrders(t.db, TOMORROW);
	for (const cell of cells.filter((cell) => cell.productId === productId)) {
		const done = await send(t.db, {
			kind: 'change-order',
			date: TOMORROW,
			dropId: cell.dropId,
			productId,
			pieces: Math.round(cell.pieces * share),
			expectedVersion: cell.version
		});
		assert.equal(done.outcome, 'done');
	}
}
test('a pre-ferment is measured, checked, moved and judged like a dough, and a further one makes up what it lacks', async () => {
	const levain = async () => {
		const found = (await readWater(t.db, TOMORROW, LATER)).builds.filter(
			(build) => build.preparationId === LEVAIN
		);
		assert.ok(found[0]);
		return found;
	};
	const [planned] = await levain();
	assert.ok(planned && planned.measured === null);
	const name = async () => (await levain())[0]!.batch;
	const done = await send(
		t.db,
		{
			kind: 'measure-dough',
			batch: await name(),
			celsius: 26.4,
			waterCelsius: null,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes: 60 }
	);
	assert.ok(done.outcome === 'done' && done.answer.frictionKilojoulesPerKilogram === null);
	assert.equal((await levain())[0]?.measured?.celsius, 26.4);
	const place = { place: 'room', ambientCelsius: 21 } as const;
	const floats: Sighting[] = [{ kind: 'float', seen: 'floats' }];
	const steps = [
		{ kind: 'check-dough', stage: 'dough', celsius: 25.1, instrument: 'typed', ...place },
		{ kind: 'move-dough', timeConstantMinutes: 300, retarderId: null, ...place },
		{
			kind: 'judge-readiness',
			sightings: floats,
			decision: 'go-on'
		}
	] as const;
	for (const [at, step] of steps.entries()) {
		const answer = await send(
			t.db,
			{ ...step, batch: await name() },
			{
				minutes: 120 + 60 * at
			}
		);
		assert.equal(answer.outcome, 'done', JSON.stringify(answer));
	}
	const followed = (await readRipening(t.db, TOMORROW, LATER)).doughs.find(
		(dough) => dough.recipeId === LEVAIN
	);
	assert.equal(followed?.kind, 'pre-ferment');
	assert.deepEqual(
		followed.events.map((event) => event.kind),
		['checked', 'moved']
	);
	assert.equal(followed.judgements.length, 1);
	assert.equal(followed.endedAtMs, NOW_MS + 240 * 60_000);

	await order(LOAF, 3);
	const builds = (await readDoughs(t.db, TOMORROW)).production.builds.filter(
		(build) => build.preparation.id === LEVAIN
	);
	assert.deepEqual(
		builds.map((build) => [build.ordinal, build.made !== null]),
		[
			[1, true],
			[2, false]
		]
	);
	assert.equal(builds[0]?.gross.value, planned.grams, 'what was made stays as it was made');
	const [made, further] = builds;
	const loss = 1 - (made?.preparation.buildLoss.share ?? 0);
	const usable = (made?.gross.value ?? 0) * loss - (made?.preparation.takeBackGrams ?? 0);
	const needed = made?.needed.value ?? 0;
	assert.ok(Math.abs(usable + (further?.gross.value ?? 0) * loss - needed) < 1e-6);
});

test('what was written down by mistake is struck, and the log stays', async () => {
	await measure(1, 25, 480);
	const batch = await batchOf(t.db, HARBOUR_DOUGH, 1);
	const moved = await send(
		t.db,
		{
			kind: 'move-dough',
			batch,
			place: 'cold',
			ambientCelsius: 4,
			timeConstantMinutes: 240,
			retarderId: demoId('retarder', 'Cold room')
		},
		{ minutes: 500 }
	);
	assert.ok(moved.outcome === 'done');
	const { entryId } = moved.answer;
	const strike = () => send(t.db, { kind: 'strike-entry', entryId }, { minutes: 501 });
	assert.equal((await strike()).outcome, 'done');
	const twice = await strike();
	assert.ok(twice.outcome === 'refused' && twice.refusal.kind === 'unknown');
	const dough = (await readRipening(t.db, TOMORROW, LATER)).doughs.find(
		(dough) => dough.recipeId === HARBOUR_DOUGH && dough.mixed
	);
	assert.deepEqual([dough?.events, dough?.retarderId], [[], null]);
	const log = await sql<{
		n: string;
	}>`select count(*) as n from batch_event where kind in ('moved', 'struck')
		and batch_id = (select batch_id from batch_event where id = ${entryId})`.execute(t.db);
	assert.equal(Number(log.rows[0]?.n), 2);
	const state = async () =>
		(
			await sql<{ state: string }>`select state from batch
				where id = (select batch_id from batch_event where id = ${entryId})`.execute(t.db)
		).rows[0]?.state;
	assert.equal(await state(), 'begun', 'it goes on as it did before the move');
	const end = await send(t.db, { kind: 'end-dough', batch }, { minutes: 502 });
	assert.ok(end.outcome === 'done', JSON.stringify(end));
	assert.equal(await state(), 'ended');
	// The end itself is struck, and it goes on.
	const check = await send(
		t.db,
		{ kind: 'strike-entry', entryId: end.answer.entryId },
		{ minutes: 503 }
	);
	assert.equal(check.outcome, 'done');
	assert.equal(await state(), 'begun');
});

test('the database itself keeps what was begun as it is, and the log as it was written', async () => {
	await measure(1, 25, 480);
	for (const statement of [
		sql`update batch set mass_g = 1 where state = 'begun'`,
		sql`update batch set ordinal = 9 where state = 'begun'`,
		sql`update batch set state = 'planned' where state = 'begun'`,
		sql`delete from batch`,
		sql`update batch_event set occurred_at = now()`,
		sql`delete from event_measured`
	])
		await assert.rejects(statement.execute(t.db), /stays as it is|append-only|never deleted/);
	await assert.rejects(
		sql`insert into event_moved (event_id, place, ambient_celsius, time_constant_min)
			select id, 'room', 20, 100 from batch_event where kind = 'measured' limit 1`.execute(t.db),
		/foreign key/,
		'the detail is of the entry’s own kind'
	);
});
