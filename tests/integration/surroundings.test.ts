import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { KnownDevice } from '../../src/lib/server/db/devices.ts';
import { surroundingsOf } from '../../src/lib/server/services/surroundings-of-device.ts';
import type { HandsOnEntry } from '../../src/lib/wording/list-entry.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
});
after(() => t.drop());

const tapEnded = (work: HandsOnEntry) =>
	send(
		t.db,
		{
			kind: 'tap-work',
			date: TOMORROW,
			work: work.key,
			taskId: work.taskId,
			act: 'ended',
			untilMs: null,
			because: '',
			celsius: null,
			personId: null
		},
		{ minutes: Math.round((work.endMs - NOW_MS) / 60_000) }
	);

test('what a device is told of follows the taps: a load in its deck until it is drawn, a dough in its tub until it is divided', async () => {
	const { plan, list } = await nightInForce(t.db);
	const load = list.find(({ kind }) => kind === 'load');
	const draw = list.find(({ kind, taskId }) => kind === 'draw' && taskId === load?.taskId);
	const task = plan.tasks.find(({ id }) => id === load?.taskId);
	assert.ok(load && draw && task?.machineId && task.step.kind === 'bake', 'the night bakes');
	const sensor = { id: randomUUID(), placeId: null, reportEverySeconds: 60 };
	const held: KnownDevice = {
		id: randomUUID(),
		name: 'Oven',
		revoked: false,
		sensors: [
			{ ...sensor, name: 'Stone', kind: 'deck-stone', deckId: task.machineId },
			{ ...sensor, name: 'Tub', kind: 'tub-rise', deckId: null }
		]
	};
	const look = async () =>
		(await surroundingsOf(t.db, held, NOW_MS)).sensors.map(({ holds }) => holds);
	assert.equal((await tapEnded(load)).outcome, 'done');
	const [deck] = await look();
	assert.ok(deck?.kind === 'deck' && deck.load, JSON.stringify(deck));
	assert.deepEqual(
		[deck.load.loadCelsius, deck.load.coreCelsius, deck.load.sinceMs],
		[task.step.loadCelsius, task.step.coreCelsius, Math.round(load.endMs / 60_000) * 60_000]
	);
	assert.equal((await tapEnded(draw)).outcome, 'done');
	const [empty] = await look();
	assert.ok(empty?.kind === 'deck' && empty.load === null, JSON.stringify(empty));
});

test('a cold room is told what was moved into it, until it is taken out again', async () => {
	const { plan, list } = await nightInForce(t.db);
	const waits = plan.tasks.flatMap((task) => {
		if (task.step.kind !== 'wait' || task.batch.kind === 'preparation') return [];
		const leg = task.step.legs.findIndex(({ place, named }) => place === 'cold' && named !== null);
		const named = task.step.legs[leg]?.named;
		const into = list.filter(({ taskId, kind }) => taskId === task.id && kind === 'move')[leg - 1];
		return named && into ? [{ task, placeId: named.id, into }] : [];
	});
	const [cold] = waits;
	assert.ok(cold, 'something is moved to the cold');
	const held: KnownDevice = {
		id: randomUUID(),
		name: 'Cold',
		revoked: false,
		sensors: [
			{
				id: randomUUID(),
				name: 'Air',
				kind: 'place-probe',
				placeId: cold.placeId,
				deckId: null,
				reportEverySeconds: 60
			}
		]
	};
	const look = async () => {
		const [holds] = (await surroundingsOf(t.db, held, NOW_MS)).sensors.map((one) => one.holds);
		assert.ok(holds?.kind === 'place', JSON.stringify(holds));
		return holds;
	};
	assert.deepEqual((await look()).loads, [], 'nothing was tapped');
	assert.equal((await tapEnded(cold.into)).outcome, 'done');
	const loaded = await look();
	assert.equal(loaded.loads.length, 1);
	const [load] = loaded.loads;
	assert.ok(load && load.kilograms > 1 && load.kilograms < 200, JSON.stringify(load));
	assert.ok(loaded.cold, 'a cold room says what cools it');
	const after = list.find(
		({ atMs, batch, kind }) =>
			kind === 'do' &&
			atMs >= cold.task.endMs &&
			batch !== null &&
			batch.kind !== 'preparation' &&
			cold.task.batch.kind !== 'preparation' &&
			batch.formulaId === cold.task.batch.formulaId &&
			batch.ordinal === cold.task.batch.ordinal
	);
	assert.ok(after, 'it is worked on after the cold');
	assert.equal((await tapEnded(after)).outcome, 'done');
	assert.deepEqual((await look()).loads, [], 'it is out');
});
