import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { changeCode, codeProblem } from '../../src/lib/server/auth/doors.ts';
import { makePairingCode, pairTablet, takeIntoHands } from '../../src/lib/server/auth/tablets.ts';
import { actorOfLetter, visitorOf } from '../../src/lib/server/auth/visitor.ts';
import { readHands } from '../../src/lib/server/services/read-doors.ts';
import { asking, ILO, MAUD, moment, PERRIN, WENNA } from './at-the-door.ts';
import { testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('a tablet is paired once by its code, goes from hand to hand, and says whose hands each entry was', async () => {
	const nowMs = moment();
	const code = await makePairingCode(
		t.db,
		{ name: 'Bench tablet', kind: 'tablet', opensAt: 'bench' },
		null,
		nowMs
	);
	assert.match(code, /^[A-HJKMNP-Z2-9]{8}$/);
	const typed = `${code.slice(0, 4).toLowerCase()} ${code.slice(4)}`;
	const late = await pairTablet(t.db, typed, asking({ nowMs: nowMs + 11 * 60_000 }));
	assert.ok(!late.ok && late.error.kind === 'key-opens-nothing');
	const paired = await pairTablet(t.db, typed, asking({ nowMs }));
	assert.ok(paired.ok, 'capitals and spaces do not matter');
	assert.ok(!(await pairTablet(t.db, code, asking({ nowMs }))).ok, 'a code pairs one');
	const visit = async (at = nowMs) => visitorOf(t.db, paired.value, at);
	const tablet = (await visit()).session;
	assert.ok(tablet);
	assert.equal((await visit()).actor?.role, 'screen', 'in nobody’s hands');

	const take = (personId: string, code: string | null, at = nowMs) =>
		takeIntoHands(t.db, tablet, { personId, code }, at);
	assert.ok(!(await take(ILO.id, null)).ok, 'a tap is not enough the first time');
	assert.ok(!(await take(ILO.id, PERRIN.code)).ok, 'another’s code neither');
	assert.ok((await take(ILO.id, ILO.code)).ok);
	assert.deepEqual((await visit()).actor, { id: ILO.id, name: 'Ilo Venn', role: 'baker' });
	assert.ok((await take(MAUD.id, MAUD.code)).ok);
	assert.equal((await visit()).actor?.role, 'baker', 'a code keeps no house: that is for a desk');
	assert.ok((await take(ILO.id, null)).ok, 'back by one tap');
	assert.equal((await visit()).actor?.name, 'Ilo Venn');
	const hands = await readHands(t.db, tablet, nowMs);
	assert.deepEqual(
		hands.people.filter(({ isKnown }) => isKnown).map(({ name }) => name),
		['Ilo Venn', 'Maud Tarrow']
	);

	// What Maud did here while there was no network is hers, whoever holds the tablet when it is back.
	const now = await visit();
	assert.equal((await actorOfLetter(t.db, now, MAUD.id, nowMs))?.name, 'Maud Tarrow');
	assert.equal(await actorOfLetter(t.db, now, WENNA.id, nowMs), null, 'who was never here');

	assert.equal((await visit(nowMs + 13 * 3_600_000)).actor?.role, 'screen', 'the shift is over');
	assert.ok(!(await take(ILO.id, null, nowMs + 13 * 3_600_000)).ok);
	assert.ok((await take(ILO.id, ILO.code, nowMs + 3_600_000)).ok);
	assert.ok((await takeIntoHands(t.db, tablet, null, nowMs)).ok);
	assert.equal((await visit()).actor?.role, 'screen', 'back on the shelf');
});

test('a code is tried a few times at a tablet and then has to wait; a new one is asked for everywhere', async () => {
	const nowMs = moment();
	const code = await makePairingCode(
		t.db,
		{ name: 'Oven tablet', kind: 'tablet', opensAt: 'oven' },
		null,
		nowMs
	);
	const paired = await pairTablet(t.db, code, asking({ nowMs }));
	assert.ok(paired.ok);
	const { session } = await visitorOf(t.db, paired.value, nowMs);
	assert.ok(session);
	const take = (code: string | null, personId = PERRIN.id) =>
		takeIntoHands(t.db, session, { personId, code }, nowMs);
	assert.ok((await take(PERRIN.code)).ok);
	let last;
	for (let n = 0; n < 9; n += 1) last = await take(`000${n}`);
	assert.ok(last && !last.ok && last.error.kind === 'wait');
	assert.ok((await take(WENNA.code, WENNA.id)).ok, 'nobody else has to wait');
	const perrin = { id: PERRIN.id, name: PERRIN.name, role: 'baker' as const };
	assert.ok((await changeCode(t.db, perrin, '7193')).ok);
	const again = await take(null);
	assert.ok(!again.ok, 'the old one is worth nothing any more');
	for (const [wanted, kind] of [
		['12a4', 'only-digits'],
		['123', 'too-short'],
		['123456789', 'too-long'],
		['1234', 'easily-guessed'],
		['8765', 'easily-guessed'],
		['0000', 'easily-guessed']
	] as const)
		assert.equal(codeProblem(wanted)?.kind, kind, wanted);
	assert.equal(codeProblem('4711'), null);
});

test('a wall screen shows and is in nobody’s hands', async () => {
	const nowMs = moment();
	const code = await makePairingCode(
		t.db,
		{ name: 'Wall', kind: 'wall', opensAt: '' },
		null,
		nowMs
	);
	const paired = await pairTablet(t.db, code, asking({ nowMs }));
	assert.ok(paired.ok);
	const { session, actor } = await visitorOf(t.db, paired.value, nowMs);
	assert.ok(session && actor?.role === 'screen');
	const taken = await takeIntoHands(t.db, session, { personId: ILO.id, code: ILO.code }, nowMs);
	assert.ok(!taken.ok && taken.error.kind === 'not-permitted');
});
