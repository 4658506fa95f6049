import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import {
	changePassword,
	choosePassword,
	endSession,
	makePasswordKey,
	passwordProblem,
	signIn,
	signOut
} from '../../src/lib/server/auth/doors.ts';
import { announceKeyOfTheFirst } from '../../src/lib/server/auth/first-key.ts';
import { visitorOf } from '../../src/lib/server/auth/visitor.ts';
import { readDoors } from '../../src/lib/server/services/read-doors.ts';
import { asking, ILO, MAUD, moment, PASSWORD, PERRIN, WENNA } from './at-the-door.ts';
import { signedIn } from './signed-in.ts';
import { send, testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const comesIn = async (name: string, password: string, from = asking()) =>
	signIn(t.db, { name, password }, from);
const whoIs = async (token: string, nowMs = moment()) =>
	(await visitorOf(t.db, token, nowMs)).actor;

test('a name and its password open a session, as that person; nothing else opens one, and all of it is answered alike', async () => {
	const opened = await comesIn('  maud   TARROW ', PASSWORD);
	assert.ok(opened.ok, 'capitals and spaces of a name do not matter');
	assert.deepEqual(await whoIs(opened.value), {
		id: MAUD.id,
		name: 'Maud Tarrow',
		role: 'head-baker'
	});
	for (const [name, password] of [
		['Maud Tarrow', 'saltmarrow tides'],
		['Maud Tarrow', ''],
		['Nobody Here', PASSWORD],
		['', ''],
		["' or 1=1 --", PASSWORD]
	] as const)
		assert.deepEqual(await comesIn(name, password), { ok: false, error: { kind: 'wrong' } }, name);
	assert.equal(await whoIs('no token of ours'), null);
	const stored = await t.db.selectFrom('door_session').select('token_sha256').execute();
	assert.ok(
		stored.every(({ token_sha256 }) => token_sha256 !== opened.value),
		'what is stored opens nothing'
	);
});

test('a stranger’s tries end, and stand in the way of nobody but the stranger', async () => {
	const nowMs = moment();
	const stranger = asking({ nowMs });
	const known = await comesIn(ILO.name, PASSWORD, asking({ nowMs }));
	assert.ok(known.ok);
	const answers = [];
	for (let n = 0; n < 10; n += 1) answers.push(await comesIn(ILO.name, `guess ${n}`, stranger));
	assert.deepEqual(answers.at(0), { ok: false, error: { kind: 'wrong' } });
	const last = answers.at(-1);
	assert.ok(last && !last.ok && last.error.kind === 'wait' && last.error.seconds > 0);
	// The same place is told to wait for the right password too: it learns nothing by that.
	const right = await comesIn(ILO.name, PASSWORD, stranger);
	assert.ok(!right.ok && right.error.kind === 'wait');
	assert.ok((await comesIn(ILO.name, PASSWORD, asking({ nowMs }))).ok, 'from another place');
	assert.ok(
		(await comesIn(ILO.name, PASSWORD, { ...stranger, token: known.value })).ok,
		'in a browser where Ilo signed in before, behind the same address'
	);
	const other = await comesIn(PERRIN.name, PASSWORD, stranger);
	assert.ok(other.ok, 'another name at that place');
});

test('a session ends when it is not used, at the latest after a week, when it is ended, and with who leaves the bakery', async () => {
	const nowMs = moment();
	const hour = 3_600_000;
	const opened = await comesIn(PERRIN.name, PASSWORD, asking({ nowMs }));
	assert.ok(opened.ok);
	assert.ok(await whoIs(opened.value, nowMs + 11 * hour), 'within its twelve hours');
	assert.ok(await whoIs(opened.value, nowMs + 22 * hour), 'it was used meanwhile');
	assert.equal(await whoIs(opened.value, nowMs + 35 * hour), null, 'unused for thirteen hours');
	let used = await comesIn(PERRIN.name, PASSWORD, asking({ nowMs }));
	assert.ok(used.ok);
	for (let at = 10; at < 168; at += 10)
		assert.ok(await whoIs(used.value, nowMs + at * hour), `used every ten hours, after ${at}`);
	assert.equal(await whoIs(used.value, nowMs + 169 * hour), null, 'a week is over');
	used = await comesIn(PERRIN.name, PASSWORD, asking({ nowMs }));
	assert.ok(used.ok);
	const { session, actor } = await visitorOf(t.db, used.value, nowMs);
	assert.ok(session && actor);
	await signOut(t.db, session, nowMs);
	assert.equal(await whoIs(used.value, nowMs), null);
	const again = await comesIn(WENNA.name, PASSWORD, asking({ nowMs }));
	assert.ok(again.ok);
	const wennas = await visitorOf(t.db, again.value, nowMs);
	const maud = await headBaker(t.db);
	assert.ok(wennas.session && maud);
	await endSession(t.db, wennas.session, maud, nowMs);
	assert.equal(await whoIs(again.value, nowMs), null);
	const { entries } = await readDoors(t.db, wennas, nowMs);
	const told = entries.find(({ act }) => act === 'session-ended');
	assert.deepEqual([told?.person, told?.by], ['Wenna Tull', 'Maud Tarrow']);
});

test('who was retired is out at once, and comes in no more', async () => {
	const own = await testDatabase();
	try {
		const token = await signedIn(own.db, WENNA.id);
		assert.equal((await visitorOf(own.db, token, Date.now())).actor?.name, 'Wenna Tull');
		const entry = await own.db
			.selectFrom('bakery_entry_revision')
			.select(['content', 'number'])
			.where('entry_id', '=', WENNA.id)
			.executeTakeFirstOrThrow();
		const retired = await send(own.db, {
			kind: 'save-entry',
			entryId: WENNA.id,
			expectedNumber: entry.number,
			entryKind: 'person',
			name: 'Wenna Tull',
			appliesFrom: '2026-11-23',
			retired: true,
			content: entry.content
		} as never);
		assert.equal(retired.outcome, 'done', JSON.stringify(retired));
		assert.equal((await visitorOf(own.db, token, Date.now())).actor, null);
		const back = await signIn(own.db, { name: WENNA.name, password: PASSWORD }, asking());
		assert.ok(!back.ok && back.error.kind === 'wrong');
	} finally {
		await own.drop();
	}
});

test('a password is changed by who knows the old one, by a key once, and whoever else was signed in is out', async () => {
	const nowMs = moment();
	const here = await comesIn(ILO.name, PASSWORD, asking({ nowMs }));
	const there = await comesIn(ILO.name, PASSWORD, asking({ nowMs }));
	assert.ok(here.ok && there.ok);
	const { session, actor } = await visitorOf(t.db, here.value, nowMs);
	assert.ok(session && actor);
	const change = (old: string, wanted: string) =>
		changePassword(
			t.db,
			{ session, actor },
			{ old, wanted, known: ['Saltmarrow Bakehouse'] },
			nowMs
		);
	assert.deepEqual(await change('not it', 'a loaf under the stairs'), {
		ok: false,
		error: { kind: 'wrong' }
	});
	for (const [wanted, kind] of [
		['short', 'too-short'],
		['x'.repeat(201), 'too-long'],
		['Ilo   Venn Ilo', 'ok'],
		['saltmarrowbakehouse', 'easily-guessed'],
		['aaaaaaaaaaaa', 'easily-guessed'],
		['abcdefghijklm', 'easily-guessed'],
		['Sunshine2026!', 'easily-guessed'],
		['passwordpassword', 'easily-guessed'],
		['sunshine over the quay', 'ok']
	] as const) {
		const problem = await passwordProblem(wanted, ['Ilo Venn', 'Saltmarrow Bakehouse']);
		assert.equal(problem?.kind ?? 'ok', kind, wanted);
	}
	assert.ok((await change(PASSWORD, 'a loaf under the stairs')).ok);
	assert.ok(await whoIs(here.value, nowMs), 'where it was changed one stays signed in');
	assert.equal(await whoIs(there.value, nowMs), null);
	assert.ok(!(await comesIn(ILO.name, PASSWORD)).ok);

	const first = await makePasswordKey(t.db, ILO.id, MAUD.id, nowMs);
	const key = await makePasswordKey(t.db, ILO.id, MAUD.id, nowMs);
	const choose = (key: string, at = nowMs) =>
		choosePassword(t.db, { key, wanted: 'rye by the window', known: [] }, asking({ nowMs: at }));
	const opensNothing = { ok: false, error: { kind: 'key-opens-nothing' } };
	assert.deepEqual(await choose(first), opensNothing, 'a newer one was made');
	assert.deepEqual(await choose('made up'), opensNothing);
	assert.deepEqual(await choose(key, nowMs + 25 * 3_600_000), opensNothing, 'a day is over');
	const chosen = await choose(key);
	assert.ok(chosen.ok);
	assert.equal((await whoIs(chosen.value, nowMs))?.name, 'Ilo Venn');
	assert.equal(await whoIs(here.value, nowMs), null, 'whoever was in before is out');
	assert.deepEqual(await choose(key), opensNothing, 'it was used');
	assert.ok((await comesIn(ILO.name, 'rye by the window')).ok);
});

test('a key that two use at once opens for one of them', async () => {
	const nowMs = moment();
	const key = await makePasswordKey(t.db, PERRIN.id, null, nowMs);
	const chosen = await Promise.all(
		[1, 2, 3].map((n) =>
			choosePassword(t.db, { key, wanted: `number ${n} was first`, known: [] }, asking({ nowMs }))
		)
	);
	assert.equal(chosen.filter(({ ok }) => ok).length, 1);
});

test('where people stand and nobody has a password, the machine’s owner is told how the first comes in', async () => {
	const own = await testDatabase();
	const said: string[] = [];
	const { error } = console;
	console.error = (text: string) => void said.push(text);
	try {
		await announceKeyOfTheFirst(own.db, 'http://127.0.0.1:4320', Date.now());
		assert.deepEqual(said, [], 'the demo’s people have theirs');
		await own.db.deleteFrom('credential').execute();
		await announceKeyOfTheFirst(own.db, 'http://127.0.0.1:4320', Date.now());
		const key = /Maud Tarrow .*\n.*\/let-in\/([\w-]{43})$/.exec(said[0] ?? '')?.[1];
		assert.ok(key, said.join());
		const chosen = await choosePassword(
			own.db,
			{ key, wanted: 'first of them all', known: [] },
			asking()
		);
		assert.ok(chosen.ok);
	} finally {
		console.error = error;
		await own.drop();
	}
});
