import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { choosePassword, makePasswordKey, signIn } from '../../src/lib/server/auth/doors.ts';
import { takeIntoHands, makePairingCode, pairTablet } from '../../src/lib/server/auth/tablets.ts';
import { carryOut, readCommand } from '../../src/lib/server/commands/door.ts';
import { visitorOf } from '../../src/lib/server/auth/visitor.ts';
import { AREA_OF_COMMAND } from '../../src/lib/contracts/change-views.ts';
import { COMMANDS } from '../../src/lib/server/commands/registry.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { personFile } from '../../src/lib/server/services/person-file.ts';
import { readChanges } from '../../src/lib/server/services/read-changes.ts';
import { readDoors } from '../../src/lib/server/services/read-doors.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import { asking, ILO, MAUD, moment, PASSWORD } from './at-the-door.ts';
import { entryOf } from './entry-content.ts';
import { LOAF, NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
});
after(() => t.drop());

const NOBODY = { actor: null, session: null };
const everything = { byId: null, area: null, before: null };

/** Gives a command as somebody who works here. */
async function sendAs(personId: string, draft: object): Promise<void> {
	const command = readCommand({ ...draft, id: randomUUID(), occurredAtMs: NOW_MS });
	assert.ok(command.ok, JSON.stringify(command));
	const outcome = await carryOut(
		t.db,
		command.value,
		{ id: personId, name: 'whoever', role: 'head-baker' },
		NOW_MS
	);
	assert.equal(outcome.outcome, 'done', JSON.stringify(outcome));
}

test('tries that failed are written down: whose name it was, and from where; a name that is nobody’s is not kept', async () => {
	const stranger = asking();
	await signIn(t.db, { name: ILO.name, password: 'a guess of mine' }, stranger);
	await signIn(t.db, { name: 'a password in the wrong place', password: '' }, stranger);
	const code = await makePairingCode(
		t.db,
		{ name: 'Shelf tablet', kind: 'tablet', opensAt: '' },
		MAUD.id,
		moment()
	);
	await pairTablet(t.db, 'NOTACODE', stranger);
	const paired = await pairTablet(t.db, code, asking());
	assert.ok(paired.ok);
	const { session } = await visitorOf(t.db, paired.value, moment());
	assert.ok(session);
	await takeIntoHands(t.db, session, { personId: ILO.id, code: '9753' }, moment());
	// A tap before any code was typed is no try.
	await takeIntoHands(t.db, session, { personId: ILO.id, code: null }, moment());
	const { entries } = await readDoors(t.db, NOBODY, moment());
	const tried = entries.filter(({ act }) => act === 'tried');
	assert.deepEqual(
		tried.map(({ person, about }) => [person, about]),
		[
			[ILO.name, 'at Shelf tablet'],
			['', `to pair a screen, from ${stranger.address}`],
			['', `at a desk, from ${stranger.address}`],
			[ILO.name, `at a desk, from ${stranger.address}`]
		]
	);
	assert.ok(!JSON.stringify(entries).includes('wrong place'));
});

test('who changed what is read newest first, by person, by what, and page by page to the beginning', async () => {
	for (let pieces = 1; pieces <= 70; pieces += 1)
		await sendAs(ILO.id, {
			kind: 'change-order',
			date: TOMORROW,
			dropId: demoId('drop', 'Ferry'),
			productId: LOAF,
			pieces,
			expectedVersion: await versionOf()
		});
	await sendAs(MAUD.id, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius: 22.5,
		instrument: 'typed',
		correctsId: null
	});
	const { changes, before: next, people } = await readChanges(t.db, everything);
	assert.equal(changes.length, 60);
	assert.ok(people.some(({ name }) => name === ILO.name));
	const [reading, order] = changes;
	assert.deepEqual([reading?.by, reading?.kind], [MAUD.name, 'take-reading']);
	assert.deepEqual(
		reading?.said.filter(([what]) => what === 'celsius'),
		[['celsius', 22.5]]
	);
	assert.deepEqual(
		[order?.by, order?.date, order?.about, order?.said.find(([what]) => what === 'pieces')],
		[ILO.name, TOMORROW, ['Ferry', 'Harbour loaf'], ['pieces', 70]]
	);
	assert.ok(next !== null);
	const older = await readChanges(t.db, { ...everything, before: next });
	assert.equal(older.changes[0]?.sequence, (changes.at(-1)?.sequence ?? 0) - 1);
	const ilos = await readChanges(t.db, { ...everything, byId: ILO.id });
	assert.ok(ilos.changes.every(({ by }) => by === ILO.name));
	const orders = await readChanges(t.db, { ...everything, area: 'orders' });
	assert.ok(orders.changes.every(({ kind }) => /order|standing/.test(kind)));
	const nothing = await readChanges(t.db, { byId: randomUUID(), area: 'stock', before: 1 });
	assert.deepEqual([nothing.changes, nothing.before], [[], null]);
	for (const { kind } of COMMANDS) assert.ok(AREA_OF_COMMAND[kind], kind);
});

async function versionOf(): Promise<number> {
	const line = await t.db
		.selectFrom('order_line')
		.select('row_version')
		.where('bake_date', '=', TOMORROW)
		.where('product_id', '=', LOAF)
		.where('drop_id', '=', demoId('drop', 'Ferry'))
		.executeTakeFirst();
	return line?.row_version ?? 0;
}

async function fileOf(personId: string): Promise<Record<string, unknown> | null> {
	const file = await personFile(t.db, { personId, byId: MAUD.id }, moment());
	return file ? ((await new Response(file).json()) as Record<string, unknown>) : null;
}

test('what is kept of somebody is handed out whole, and taken out where they have left, without a hole in the log', async () => {
	// Ilo looked in at a desk, changed a password, tapped something, and was ill once.
	const key = await makePasswordKey(t.db, ILO.id, MAUD.id, moment());
	const nowMs = moment();
	const desk = await choosePassword(
		t.db,
		{ key, wanted: 'a loaf under the stairs', known: [] },
		asking({ nowMs, browser: 'Ilo’s own telephone' })
	);
	assert.ok(desk.ok);
	const ilo = await entryOf(t.db, 'person', ILO.name);
	assert.ok(ilo.entryKind === 'person');
	const ill = {
		...ilo,
		content: {
			...ilo.content,
			exceptions: [
				{
					fromDate: '2026-10-01' as BakeDate,
					toDate: '2026-10-03' as BakeDate,
					shift: null,
					note: 'a slipped disc'
				}
			]
		}
	};
	assert.equal((await send(t.db, ill)).outcome, 'done');
	const { list } = await nightInForce(t.db);
	const work = list.find(({ kind }) => kind === 'do');
	assert.ok(work);
	const tap = {
		kind: 'tap-work',
		date: TOMORROW,
		work: work.key,
		taskId: work.taskId,
		act: 'begun',
		untilMs: null,
		because: '',
		celsius: null,
		personId: null
	};
	await sendAs(ILO.id, tap);
	// A second tap on the same is told whose the first was, and that answer is kept too.
	await sendAs(MAUD.id, tap);

	const kept = JSON.stringify(await fileOf(ILO.id));
	for (const wanted of [ILO.name, 'a slipped disc', 'Ilo’s own telephone', 'tap-work', work.key])
		assert.ok(kept.includes(JSON.stringify(wanted).slice(1, -1)), `${wanted} is handed out`);
	for (const secret of ['argon2', PASSWORD, 'a loaf under the stairs'])
		assert.ok(!kept.includes(secret), `${secret} is not`);
	assert.equal(await fileOf(randomUUID()), null);

	const forget = { kind: 'forget-person', personId: ILO.id } as const;
	const still = await send(t.db, forget);
	assert.ok(still.outcome === 'refused' && still.refusal.kind === 'entry-needed');
	const leaves = { ...ill, expectedNumber: ill.expectedNumber + 1, retired: true };
	assert.equal(
		(await send(t.db, { ...leaves, appliesFrom: '2027-01-01' as BakeDate })).outcome,
		'done'
	);
	assert.equal((await send(t.db, forget)).outcome, 'refused', 'leaves next year');
	assert.equal(
		(
			await send(t.db, {
				...leaves,
				expectedNumber: leaves.expectedNumber + 1,
				appliesFrom: TOMORROW
			})
		).outcome,
		'done'
	);
	const counts = async () =>
		(
			await sql<
				Record<string, string>
			>`select (select count(*) from command) as commands, (select count(*) from work_entry) as taps,
				(select count(*) from plan_version) as plans, (select count(*) from bakery_entry_revision) as revisions`.execute(
				t.db
			)
		).rows[0];
	const before = await counts();
	const gone = await send(t.db, forget, { minutes: 24 * 60 });
	assert.ok(gone.outcome === 'done', JSON.stringify(gone));
	assert.deepEqual(gone.answer, { called: 'Somebody who left 1' });
	assert.deepEqual({ ...(await counts()), commands: before?.commands }, before, 'no row is gone');
	// Nowhere in all of the database is the name, or what was noted.
	const { rows: tables } = await sql<{ name: string }>`
		select relname as name from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace`.execute(
		t.db
	);
	for (const { name } of tables)
		for (const word of [ILO.name, 'a slipped disc', 'own telephone']) {
			const { rows } = await sql<{ row: string }>`
				select left(t::text, 300) as row from ${sql.table(name)} t where strpos(t::text, ${word}) > 0 limit 1`.execute(
				t.db
			);
			assert.deepEqual(rows, [], `${word} in ${name}`);
		}
	const { changes } = await readChanges(t.db, { ...everything, byId: ILO.id });
	assert.ok(changes.some(({ by, kind }) => by === 'Somebody who left 1' && kind === 'tap-work'));
	const { accepted } = await readPlan(t.db, TOMORROW);
	assert.ok(
		accepted?.document.input.people?.some(({ name }) => name === 'Somebody who left 1'),
		'the plan reads as before'
	);
	assert.ok(!(await signIn(t.db, { name: ILO.name, password: PASSWORD }, asking())).ok);
	assert.equal((await visitorOf(t.db, desk.value, moment())).actor, null);
	const { left, entries } = await readDoors(t.db, NOBODY, moment());
	assert.deepEqual(left.find(({ id }) => id === ILO.id)?.isOut, true);
	assert.ok(entries.some(({ act, by }) => act === 'person-removed' && by === MAUD.name));
	// And nothing else may be changed by that.
	await assert.rejects(
		sql`update bakery_entry_revision set name = 'other'`.execute(t.db),
		/append-only/
	);
});
