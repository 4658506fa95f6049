import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { taskOfWork } from '../../src/lib/core/bench/index.ts';
import { followRetarder, LIFT } from '../../src/lib/core/fermentation/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { loadBakeryDay } from '../../src/lib/server/services/day-production.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { acceptHeld } from './accepted-plan.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

const MINUTE = 60_000;
const NEXT = addDays(TOMORROW, 1);
const NIGHTS = [1, 2, 3];
/** What its compressor really gives, of what its entry says. */
const REALLY = 0.6;
let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
});
after(() => t.drop());

const coldOf = async () => {
	const { retarders } = await readRipening(t.db, NEXT, NOW_MS);
	const [cold] = retarders;
	assert.ok(cold, 'there is a cold room');
	return cold;
};

test('a cold room that pulls weakly night after night is followed as it is, once what went into it was tapped', async () => {
	const [retarder] = (await loadBakeryDay(t.db, NEXT)).retarders;
	assert.ok(retarder);
	const { plan_id, task_key, leg, into_work } = await t.db
		.selectFrom('plan_stay')
		.select(['plan_id', 'task_key', 'leg', 'into_work'])
		.where('place_id', '=', retarder.id)
		.where('bake_date', '=', TOMORROW)
		.limit(1)
		.executeTakeFirstOrThrow();
	assert.equal((await coldOf()).learned, null, 'nothing is known yet');

	// The nights before, each with a heavy load at one in the morning.
	const deviceId = randomUUID();
	const sensorId = randomUUID();
	const registered = await send(t.db, {
		kind: 'register-device',
		deviceId,
		name: 'Cold room',
		keySha256: 'a'.repeat(64),
		sensors: [
			{
				id: sensorId,
				name: 'Air',
				kind: 'place-probe',
				placeId: retarder.id,
				reportEverySeconds: 600
			}
		]
	});
	assert.equal(registered.outcome, 'done', JSON.stringify(registered));
	const load = { kilograms: 150, startCelsius: 26, timeConstantMinutes: 120 };
	const minutes = Array.from({ length: 30 }, (_, index) => (index + 1) * 10);
	const air = followRetarder(
		{ ...retarder, compressorWatts: retarder.compressorWatts * REALLY },
		[{ ...load, inAtMinutes: 0, curve: LIFT.sourdough, referenceCelsius: 25 }],
		21,
		minutes
	);
	for (const ago of NIGHTS) {
		const date = addDays(TOMORROW, -ago);
		const inMs = Date.parse(`${date}T01:00:00Z`);
		const id = randomUUID();
		await sql`insert into plan_version (id, bake_date, number, command_id, accepted_by, occurred_at, fingerprint, document, document_schema, takes)
			select ${id}, ${date}, 1, command_id, accepted_by, occurred_at, fingerprint, document, document_schema, takes
			from plan_version where id = ${plan_id}`.execute(t.db);
		await sql`insert into plan_task (plan_id, task_key, batch_id, activity, machine_id, start_at, end_at, book_min, load_celsius)
			select ${id}, task_key, batch_id, activity, machine_id, start_at, end_at, null, load_celsius
			from plan_task where plan_id = ${plan_id}`.execute(t.db);
		await sql`insert into plan_stay (plan_id, bake_date, task_key, leg, place_id, planned_in_at, into_work, out_works, kilograms, celsius, time_constant_min)
			select ${id}, ${date}, task_key, leg, place_id, ${new Date(inMs)}, into_work, out_works, ${load.kilograms}, ${load.startCelsius}, ${load.timeConstantMinutes}
			from plan_stay where plan_id = ${plan_id} and task_key = ${task_key} and leg = ${leg}`.execute(
			t.db
		);
		await t.db
			.insertInto('device_reading')
			.values(
				[
					{ minutes: -20, celsius: retarder.setCelsius },
					...air.map(({ minutes, airCelsius }) => ({ minutes, celsius: airCelsius }))
				].map((one) => ({
					id: randomUUID(),
					sensor_id: sensorId,
					celsius: one.celsius,
					percent: null,
					measured_at: new Date(inMs + one.minutes * MINUTE)
				}))
			)
			.execute();
	}
	assert.equal((await coldOf()).learned, null, 'what was not tapped may not have been in there');

	for (const ago of NIGHTS) {
		const date = addDays(TOMORROW, -ago);
		const tapped = await send(
			t.db,
			{
				kind: 'tap-work',
				date,
				work: into_work,
				taskId: taskOfWork(into_work),
				act: 'ended',
				untilMs: null,
				because: '',
				celsius: null,
				personId: null
			},
			{ minutes: (Date.parse(`${date}T01:00:00Z`) - NOW_MS) / MINUTE }
		);
		assert.equal(tapped.outcome, 'done', JSON.stringify(tapped));
	}
	const cold = await coldOf();
	assert.equal(cold.learned?.used, NIGHTS.length);
	assert.equal(cold.learned.entryWatts, retarder.compressorWatts);
	const share = cold.compressorWatts / retarder.compressorWatts;
	assert.ok(
		share < 0.72 && share > REALLY,
		`${share}: towards what was seen, from what its entry says`
	);

	// A night with dough in it that nobody planned tells nothing.
	const [other] = NIGHTS;
	await t.db.transaction().execute(async (tx) => {
		await sql`set local session_replication_role = replica`.execute(tx);
		const event = randomUUID();
		await sql`insert into batch_event (id, batch_id, recipe_id, kind, command_id, occurred_at)
			values (${event}, ${randomUUID()}, ${randomUUID()}, 'moved', ${randomUUID()}, ${new Date(Date.parse(`${addDays(TOMORROW, -(other ?? 1))}T02:00:00Z`))})`.execute(
			tx
		);
		await sql`insert into event_moved (event_id, place, ambient_celsius, time_constant_min, retarder_id)
			values (${event}, 'cold', 4, 120, ${retarder.id})`.execute(tx);
	});
	assert.equal((await coldOf()).learned?.used, NIGHTS.length - 1);
});
