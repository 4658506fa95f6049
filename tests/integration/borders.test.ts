import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { CommandContent, CommandKind } from '../../src/lib/contracts/commands.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { carryOut, readCommand } from '../../src/lib/server/commands/door.ts';
import { loadBakery } from '../../src/lib/server/db/bakery.ts';
import { loadNewestReadings } from '../../src/lib/server/db/readings.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { formulaContent } from './book-content.ts';
import { ingredientContent } from './ingredient-content.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
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

const DAY = 86_400_000;
const reading = (celsius: number, quantity: 'room' | 'flour' = 'room') => ({
	kind: 'take-reading' as const,
	quantity,
	preparationId: null,
	celsius,
	instrument: 'typed' as const,
	correctsId: null
});

/** Sends a command that says it happened at one moment, while the bakery's clock shows another. */
async function sendAt<K extends CommandKind>(
	occurredAtMs: number,
	nowMs: number,
	draft: { readonly kind: K } & CommandContent<K>
) {
	const actor = await headBaker(t.db);
	const read = readCommand({ ...draft, id: randomUUID(), occurredAtMs });
	assert.ok(actor && read.ok);
	return carryOut(t.db, read.value, actor, nowMs);
}

test('what happened is held against the clock of the bakery: a little ahead or late is taken, more is refused', async () => {
	const outcome = async (aheadMs: number) => {
		const told = await sendAt(NOW_MS + aheadMs, NOW_MS, reading(22));
		return told.outcome === 'done' ? 'done' : told.refusal.kind;
	};
	assert.equal(await outcome(0), 'done');
	assert.equal(await outcome(10 * 60_000), 'done', 'a clock drifts');
	assert.equal(await outcome(10 * 60_000 + 1), 'clock-off');
	assert.equal(await outcome(170 * 365 * DAY), 'clock-off');
	assert.equal(await outcome(-30 * DAY), 'done', 'a tablet that lay in a drawer');
	assert.equal(await outcome(-366 * DAY), 'done');
	assert.equal(await outcome(-366 * DAY - 1), 'clock-off');
	const told = await sendAt(NOW_MS + DAY, NOW_MS, reading(22));
	assert.deepEqual(told.outcome === 'refused' && told.refusal, {
		kind: 'clock-off',
		occurredAtMs: NOW_MS + DAY,
		bakeryNowMs: NOW_MS
	});
});

test('the clock of the bakery counts, not that of the machine', async () => {
	await sql`update app_clock set anchor_real_ms = ${NOW_MS}, anchor_bakery_ms = ${NOW_MS + 400 * DAY}`.execute(
		t.db
	);
	const old = await sendAt(NOW_MS, NOW_MS, reading(22));
	assert.ok(old.outcome === 'refused' && old.refusal.kind === 'clock-off');
	assert.equal((await sendAt(NOW_MS + 400 * DAY, NOW_MS, reading(22))).outcome, 'done');
	await sql`update app_clock set anchor_real_ms = 0, anchor_bakery_ms = 0`.execute(t.db);
});

test('a reading that an earlier version took from the future does not stand for the flour', async () => {
	const before = await sendAt(NOW_MS, NOW_MS, reading(19, 'flour'));
	assert.equal(before.outcome, 'done');
	// As the door once took it: at the moment it says.
	await sendAt(NOW_MS + 170 * 365 * DAY, NOW_MS + 170 * 365 * DAY, reading(59, 'flour'));
	const { inputs } = await readWater(t.db, TOMORROW, NOW_MS);
	assert.equal(inputs.find((input) => input.quantity === 'flour')?.reading?.celsius, 19);
	const wanted = [{ quantity: 'flour' as const, preparationId: null, placeId: null }];
	const [up] = await loadNewestReadings(t.db, wanted, NOW_MS + 10 * 60_000);
	assert.equal(up?.celsius, 19);
});

test('a name is taken in one form, and one that reads like another is asked about once', async () => {
	const begin = (name: string, nameMeant = false) =>
		send(t.db, { kind: 'create-formula', formulaId: randomUUID(), name, nameMeant } as never);
	const first = await begin('  Whelk\u200b   dough ');
	assert.equal(first.outcome, 'done');
	const kept = await t.db
		.selectFrom('formula')
		.select('name')
		.where('name', '=', 'Whelk dough')
		.execute();
	assert.equal(kept.length, 1);
	const same = await begin('Whelk dough');
	assert.ok(same.outcome === 'refused' && same.refusal.kind === 'name-taken');
	const alike = await begin('whelk-dough');
	assert.deepEqual(alike.outcome === 'refused' && alike.refusal, {
		kind: 'name-alike',
		name: 'whelk-dough',
		other: 'Whelk dough'
	});
	assert.equal((await begin('whelk-dough', true)).outcome, 'done');
	const taken = await begin('whelk-dough', true);
	assert.ok(taken.outcome === 'refused' && taken.refusal.kind === 'name-taken', 'meant or not');
});

test('what has a name that reads like another goes on being saved, and is asked about when it gets one', async () => {
	const salt = await ingredientContent(t.db, 'Honey');
	const save = (change: object) =>
		send(t.db, { kind: 'save-ingredient', ...salt, ...change } as never);
	const alike = await save({ name: 'whole-egg' });
	const other =
		alike.outcome === 'refused' && alike.refusal.kind === 'name-alike' ? alike.refusal.other : null;
	assert.ok(other === 'Whole egg', JSON.stringify(alike));
	assert.equal((await save({ name: 'whole-egg', nameMeant: true })).outcome, 'done');
	assert.equal(
		(await save({ name: 'whole-egg', expectedVersion: salt.expectedVersion + 1 })).outcome,
		'done'
	);
});

test('a formula that is saved under another name is held to the names of the others', async () => {
	const content = await formulaContent(t.db, demoId('formula', 'Stick dough'));
	const save = (change: object) =>
		send(t.db, { kind: 'save-formula', ...content, nameMeant: false, ...change } as never);
	const refusal = async (change: object) => {
		const outcome = await save(change);
		return outcome.outcome === 'refused' ? outcome.refusal : outcome.outcome;
	};
	assert.deepEqual(await refusal({ name: 'Harbour dough' }), {
		kind: 'name-taken',
		name: 'Harbour dough'
	});
	assert.deepEqual(await refusal({ name: 'harbour-dough' }), {
		kind: 'name-alike',
		name: 'harbour-dough',
		other: 'Harbour dough'
	});
	assert.equal(await refusal({ name: 'harbour-dough', nameMeant: true }), 'done');
});

test('texts that no text can be, ids in capitals and numbers past counting are told or brought to one form', async () => {
	const content = await ingredientContent(t.db, 'Sugar');
	const base = { ...reading(20), id: randomUUID(), occurredAtMs: NOW_MS };
	assert.ok(readCommand(base).ok);
	const upper = readCommand({ ...base, id: base.id.toUpperCase() });
	assert.ok(upper.ok && upper.value.content.id === base.id);
	for (const change of [
		{ kind: 'create-formula', formulaId: randomUUID(), name: 'a\u0000b' },
		{ kind: 'create-formula', formulaId: randomUUID(), name: '\ud800' },
		{
			kind: 'change-order',
			date: TOMORROW,
			dropId: randomUUID(),
			productId: randomUUID(),
			pieces: 1,
			expectedVersion: 2 ** 31
		},
		{ kind: 'save-ingredient', ...content, allergens: ['a\u0000'] },
		{ kind: 'save-ingredient', ...content, weighedOn: '\udc00' }
	])
		assert.equal(
			readCommand({ id: randomUUID(), occurredAtMs: NOW_MS, ...change }).ok,
			false,
			JSON.stringify(change)
		);
});

test('a build, a new build or a delivery that stands twice in one save is told', async () => {
	const content = {
		kind: 'save-formula',
		id: randomUUID(),
		occurredAtMs: NOW_MS,
		...(await formulaContent(t.db, HARBOUR_DOUGH))
	};
	assert.ok(readCommand(content).ok, JSON.stringify(readCommand(content)));
	const build = (newName: string | null, preparationId: string = randomUUID()) => ({
		preparationId,
		expectedRevision: 0,
		newName,
		copyOf: null,
		lines: [{ material: content.lines[0]?.material, parts: 1 }]
	});
	const delivery = { ingredientId: randomUUID(), deliveryId: randomUUID() };
	const wrong = (change: object) => {
		const read = readCommand({ ...content, ...change });
		return read.ok ? null : read.error.kind === 'malformed' && read.error.problems[0]?.what;
	};
	assert.equal(wrong({ preparations: [build('a'), build('b')] }), null);
	assert.match(String(wrong({ preparations: [build('a'), build('a')] })), /same name/);
	assert.match(
		String(wrong({ preparations: [build('a', LEVAIN), build(null, LEVAIN.toUpperCase())] })),
		/twice/
	);
	assert.match(String(wrong({ deliveries: [delivery, delivery] })), /two deliveries/);
});

test('a device or a sensor with an id that is there is refused, and its key stays as it is', async () => {
	const device = (deviceId: string, sensorId: string, name: string) =>
		send(t.db, {
			kind: 'register-device',
			deviceId,
			name,
			keySha256: randomUUID().replaceAll('-', '').repeat(2),
			sensors: [{ id: sensorId, name: 'One', kind: 'room-probe', reportEverySeconds: 60 }]
		});
	const [deviceId, sensorId] = [randomUUID(), randomUUID()];
	assert.equal((await device(deviceId, sensorId, 'Whelk probe')).outcome, 'done');
	const key = () =>
		t.db.selectFrom('device').select('key_sha256').where('id', '=', deviceId).executeTakeFirst();
	const before = await key();
	for (const [again, sensor, name] of [
		[deviceId, randomUUID(), 'Another'],
		[randomUUID(), sensorId, 'Another'],
		[deviceId.toUpperCase(), randomUUID(), 'Another']
	] as const) {
		const told = await device(again, sensor, name);
		assert.ok(
			told.outcome === 'refused' && told.refusal.kind === 'id-used-before',
			JSON.stringify(told)
		);
	}
	assert.deepEqual(await key(), before);
});

test('a correction names a reading of the very same thing', async () => {
	const wrong = await send(t.db, { ...reading(20), quantity: 'preferment', preparationId: LEVAIN });
	assert.ok(wrong.outcome === 'done');
	const other = demoId('preparation', 'Poolish');
	for (const preparationId of [other, null]) {
		const told = await send(t.db, {
			...reading(21),
			quantity: preparationId === null ? 'room' : 'preferment',
			preparationId,
			correctsId: wrong.answer.readingId
		});
		assert.ok(told.outcome === 'refused' && told.refusal.kind === 'unknown', String(preparationId));
	}
	const right = await send(t.db, {
		...reading(21),
		quantity: 'preferment',
		preparationId: LEVAIN,
		correctsId: wrong.answer.readingId
	});
	assert.equal(right.outcome, 'done');
});

test('a dough that is gone is written down as ended, and can be taken back', async () => {
	const batch = await batchOf(t.db, HARBOUR_DOUGH);
	const early = await send(t.db, { kind: 'end-dough', batch });
	assert.ok(early.outcome === 'refused' && early.refusal.kind === 'not-mixed-yet');
	await send(t.db, {
		kind: 'measure-dough',
		batch,
		celsius: 25,
		waterCelsius: 14,
		instrument: 'core-probe',
		mixerId: null,
		program: null
	});
	const told = async () => {
		const { doughs } = await readRipening(t.db, TOMORROW, NOW_MS + 3_600_000);
		return doughs.find((dough) => dough.recipeId === HARBOUR_DOUGH && dough.ordinal === 1)
			?.endedAtMs;
	};
	assert.equal(await told(), null);
	const gone = await send(
		t.db,
		{ kind: 'end-dough', batch: await batchOf(t.db, HARBOUR_DOUGH) },
		{ minutes: 30 }
	);
	assert.ok(gone.outcome === 'done');
	assert.equal(await told(), NOW_MS + 30 * 60_000);
	await send(t.db, { kind: 'strike-entry', entryId: gone.answer.entryId }, { minutes: 31 });
	assert.equal(await told(), null);
});

test('the learned room tells the heat of the formula that is looked at', async () => {
	const { formula } = await readLearned(
		t.db,
		TOMORROW,
		{ formulaId: HARBOUR_DOUGH, mixerId: null },
		NOW_MS
	);
	assert.equal(formula?.id, HARBOUR_DOUGH);
	assert.ok(formula.kilojoulesPerKilogramKelvin > 2.4 && formula.kilojoulesPerKilogramKelvin < 3.2);
	assert.ok(await loadBakery(t.db));
});
