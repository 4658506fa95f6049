import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { CommandOutcome } from '../../src/lib/contracts/commands.ts';
import { workStates, type WorkAct } from '../../src/lib/core/bench/index.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readBench, readBenchMoment } from '../../src/lib/server/services/read-bench.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import type { HandsOnEntry } from '../../src/lib/wording/list-entry.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
	LOAF,
	NOW_MS,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

const MINUTE = 60_000;
let t: TestDatabase;
let list: readonly HandsOnEntry[];
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
	({ list } = await nightInForce(t.db));
});
after(() => t.drop());

const workOf = (key: string, kind = 'do') => {
	const found = list.find((one) => one.kind === kind && one.taskId?.startsWith(key));
	assert.ok(found, key);
	return found;
};
const tap = (
	{ key, taskId }: Pick<HandsOnEntry, 'key' | 'taskId'>,
	act: WorkAct,
	minutes: number,
	more: {
		untilMs?: number;
		because?: string;
		celsius?: number;
		personId?: string;
		id?: string;
	} = {}
): Promise<CommandOutcome<'tap-work'>> =>
	send(
		t.db,
		{
			kind: 'tap-work',
			date: TOMORROW,
			work: key,
			taskId,
			act,
			untilMs: more.untilMs ?? null,
			because: more.because ?? '',
			celsius: more.celsius ?? null,
			personId: more.personId ?? null
		},
		{ minutes, ...(more.id ? { id: more.id } : {}) }
	);
const taken = (outcome: CommandOutcome<'tap-work'>) => {
	assert.ok(outcome.outcome === 'done', JSON.stringify(outcome));
	return outcome.answer;
};
const stateOf = async ({ key }: HandsOnEntry) =>
	workStates((await readBenchMoment(t.db, TOMORROW)).entries).get(key);

test('a tap is taken once: by the same hand twice, by two at once, or of what is done already', async () => {
	const mix = workOf(`mix:${HARBOUR_DOUGH}:1:`);
	const id = randomUUID();
	assert.equal(taken(await tap(mix, 'begun', 10, { id })).entryId, id);
	assert.equal(taken(await tap(mix, 'begun', 10, { id })).entryId, id, 'the same tap again');
	const second = taken(await tap(mix, 'begun', 11));
	assert.equal(second.entryId, null);
	assert.deepEqual([second.already?.act, second.already?.by], ['begun', 'Maud Tarrow']);
	const both = (await Promise.all([tap(mix, 'ended', 20), tap(mix, 'ended', 20)])).map(taken);
	assert.equal(both.filter(({ entryId }) => entryId !== null).length, 1);
	const state = await stateOf(mix);
	assert.ok(state?.kind === 'done');
	assert.deepEqual([state.fromMs, state.toMs], [NOW_MS + 10 * MINUTE, NOW_MS + 20 * MINUTE]);
	const batch = await t.db
		.selectFrom('batch')
		.selectAll()
		.where('formula_id', '=', HARBOUR_DOUGH)
		.where('bake_date', '=', TOMORROW)
		.where('ordinal', '=', 1)
		.where('state', '<>', 'withdrawn')
		.executeTakeFirstOrThrow();
	assert.equal(batch.state, 'begun', 'what hands are on is begun');
	const used = await t.db
		.selectFrom('stock_use')
		.select('amount_g')
		.where('batch_id', '=', batch.id)
		.execute();
	assert.ok(used.length > 3, 'and out of stock, once');
});

test('put off with its reason, by a named person; a beginning told later stands before its end', async () => {
	const mix = workOf(`mix:${HARBOUR_DOUGH}:2:`);
	const ilo = (await readPlan(t.db, TOMORROW)).input.people?.find(({ name }) =>
		name.startsWith('Ilo')
	);
	assert.ok(ilo);
	const untilMs = NOW_MS + 45 * MINUTE;
	taken(await tap(mix, 'put-off', 30, { untilMs, because: 'no hands free', personId: ilo.id }));
	const off = await stateOf(mix);
	assert.ok(off?.kind === 'put-off');
	assert.deepEqual([off.untilMs, off.because, off.entry.by], [untilMs, 'no hands free', ilo.name]);
	taken(await tap(mix, 'ended', 80));
	taken(await tap(mix, 'begun', 50));
	const state = await stateOf(mix);
	assert.ok(state?.kind === 'done');
	assert.equal(state.fromMs, NOW_MS + 50 * MINUTE);
	const taking = await send(
		t.db,
		{ kind: 'strike-work', entryId: state.entry.id },
		{ minutes: 81 }
	);
	assert.equal(taking.outcome, 'done');
	const again = await send(t.db, { kind: 'strike-work', entryId: state.entry.id }, { minutes: 81 });
	assert.equal(again.outcome, 'done', 'taken back twice is taken back once');
	assert.equal((await stateOf(mix))?.kind, 'begun');
	await assert.rejects(sql`update work_entry set because = ''`.execute(t.db), /append-only/);
});

test('what is divided ferments in its tub no longer; taken back, it does again', async () => {
	const batch = await batchOf(t.db, HARBOUR_DOUGH, 1);
	const measured = await send(
		t.db,
		{
			kind: 'measure-dough',
			batch,
			celsius: 25,
			waterCelsius: 18,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes: 22 }
	);
	assert.equal(measured.outcome, 'done');
	const { mixed } = await readBenchMoment(t.db, TOMORROW);
	assert.deepEqual(mixed, [{ batch: `mix:${HARBOUR_DOUGH}:1`, atMs: NOW_MS + 22 * MINUTE }]);
	const stateOfMix = async () =>
		(
			await t.db
				.selectFrom('batch')
				.select('state')
				.where('id', '=', batch.kind === 'made' ? batch.batchId : '')
				.executeTakeFirst()
		)?.state;
	const divide = workOf(`portion:${HARBOUR_DOUGH}:1:${LOAF}:`);
	const begun = taken(await tap(divide, 'begun', 200));
	assert.equal(await stateOfMix(), 'ended');
	assert.ok(begun.entryId);
	await send(t.db, { kind: 'strike-work', entryId: begun.entryId }, { minutes: 201 });
	assert.equal(await stateOfMix(), 'begun');
});

test('a tap on a load begins its portion and its mix, out of stock once', async () => {
	const load = list.find(
		({ kind, batch }) => kind === 'load' && batch?.kind === 'load' && batch.productId !== LOAF
	);
	assert.ok(load?.batch?.kind === 'load');
	const { formulaId, ordinal } = load.batch;
	const mix = async () =>
		t.db
			.selectFrom('batch')
			.select(['id', 'state'])
			.where('formula_id', '=', formulaId)
			.where('bake_date', '=', TOMORROW)
			.where('ordinal', '=', ordinal)
			.where('kind', '=', 'mix')
			.executeTakeFirstOrThrow();
	assert.equal((await mix()).state, 'planned');
	taken(await tap(load, 'begun', 250));
	const begun = await mix();
	assert.equal(begun.state, 'begun');
	const parts = await t.db
		.selectFrom('batch_parent')
		.innerJoin('batch', 'batch.id', 'batch_parent.batch_id')
		.select(['batch.kind', 'batch.state'])
		.where('parent_id', '=', begun.id)
		.where('batch.kind', '=', 'portion')
		.execute();
	assert.ok(parts.some(({ state }) => state === 'begun'));
	const uses = await t.db
		.selectFrom('stock_use')
		.select('ingredient_id')
		.where('batch_id', '=', begun.id)
		.execute();
	assert.ok(uses.length > 2);
	assert.equal(new Set(uses.map(({ ingredient_id }) => ingredient_id)).size, uses.length);
	// The plan that is made from then on counts it as begun, and nothing twice.
	const { input } = await readPlan(t.db, TOMORROW);
	const same = input.doughs.find((dough) => dough.formulaId === formulaId);
	const pieces = same?.mixes.flatMap(({ portions }) => portions.map((portion) => portion.pieces));
	const before = list.length > 0 && (await readBench(t.db, TOMORROW, NOW_MS)).accepted;
	const planned = before
		? before.document.input.doughs.find((dough) => dough.formulaId === formulaId)
		: undefined;
	assert.deepEqual(
		pieces,
		planned?.mixes.flatMap(({ portions }) => portions.map((portion) => portion.pieces))
	);
});

test('what is in no plan, nobody’s hands and what says nothing are refused in words', async () => {
	const mix = workOf(`mix:${HARBOUR_DOUGH}:1:`);
	const refusal = async (outcome: Promise<CommandOutcome<'tap-work'>>) => {
		const found = await outcome;
		assert.ok(found.outcome === 'refused', JSON.stringify(found));
		return found.refusal;
	};
	const lost = { key: 'mix:none:1:0 do 0', taskId: 'mix:none:1:0' };
	assert.deepEqual(await refusal(tap(lost, 'begun', 1)), { kind: 'unknown', what: 'work' });
	assert.deepEqual(
		await refusal(tap(mix, 'begun', 1, { personId: demoId('person', 'Nobody at all') })),
		{ kind: 'unknown', what: 'person' }
	);
	for (const [key, act, more] of [
		[mix.key, 'put-off', {}],
		[mix.key, 'begun', { untilMs: NOW_MS + 60 * MINUTE }],
		[mix.key, 'put-off', { untilMs: NOW_MS }],
		[mix.key, 'put-off', { untilMs: NOW_MS + 26 * 60 * MINUTE }],
		['another:1 do 0', 'begun', {}]
	] as const) {
		const { kind } = await refusal(tap({ key, taskId: mix.taskId }, act, 5, more));
		assert.equal(kind, 'malformed', `${key} ${act}`);
	}
	const { kind: early } = await refusal(tap(mix, 'begun', 5, { celsius: 20 }));
	assert.equal(early, 'malformed', 'what is read is read as it is done');
	const load = list.find(({ kind }) => kind === 'load');
	assert.ok(load);
	taken(await tap(load, 'ended', 299, { celsius: 243 }));
	const state = await stateOf(load);
	assert.equal(state?.kind === 'done' ? state.entry.celsius : state, 243);
	const oven = list.find(({ kind }) => kind === 'oven');
	assert.ok(oven);
	assert.ok(taken(await tap(oven, 'ended', 300)).entryId, 'an oven is of no task');
	const elsewhere = await send(t.db, {
		kind: 'tap-work',
		date: '2026-12-24' as never,
		work: oven.key,
		taskId: null,
		act: 'ended',
		untilMs: null,
		because: '',
		celsius: null,
		personId: null
	});
	assert.equal(elsewhere.outcome, 'refused');
	const unknown = await send(t.db, { kind: 'strike-work', entryId: randomUUID() });
	assert.ok(unknown.outcome === 'refused' && unknown.refusal.kind === 'unknown');
});
