import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { addDays } from '../../src/lib/core/time/index.ts';
import { loadBakeryDay } from '../../src/lib/server/services/day-production.ts';
import { loadLearnedForPlan } from '../../src/lib/server/services/learned-for-plan.ts';
import { readBenchMoment } from '../../src/lib/server/services/read-bench.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readTimes } from '../../src/lib/server/services/read-times.ts';
import type { Step } from '../../src/lib/core/formula/index.ts';
import type { DayPlan, LearnedInPlan } from '../../src/lib/core/planning/index.ts';
import type { WorkAct } from '../../src/lib/core/bench/index.ts';
import type { HandsOnEntry } from '../../src/lib/wording/list-entry.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

const MINUTE = 60_000;
const NEXT = addDays(TOMORROW, 1);
let t: TestDatabase;
let list: readonly HandsOnEntry[];
let plan: DayPlan;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
	({ plan, list } = await nightInForce(t.db));
});
after(() => t.drop());

const tap = (
	{ key, taskId }: HandsOnEntry,
	act: WorkAct,
	atMs: number,
	celsius: number | null = null
) =>
	send(
		t.db,
		{
			kind: 'tap-work',
			date: TOMORROW,
			work: key,
			taskId,
			act,
			untilMs: null,
			because: '',
			celsius,
			personId: null
		},
		{ minutes: Math.round((atMs - NOW_MS) / MINUTE) }
	);
/** A work that takes so many times its planned time. */
async function take(entry: HandsOnEntry, times: number) {
	await tap(entry, 'begun', entry.atMs);
	return tap(entry, 'ended', entry.atMs + (entry.endMs - entry.atMs) * times);
}
const learnedNext = async () => loadLearnedForPlan(t.db, await loadBakeryDay(t.db, NEXT));

test('hands that were slow all night are planned slower the next, and not the night they were', async () => {
	const shaped = list.filter(
		({ kind, taskId, batch, endMs, atMs }) =>
			kind === 'do' && taskId !== null && batch?.kind === 'portion' && endMs - atMs > 4 * MINUTE
	);
	assert.ok(shaped.length > 3, `${shaped.length} were shaped`);
	for (const entry of shaped) assert.equal((await take(entry, 1.5)).outcome, 'done');
	const rows = await t.db.selectFrom('work_timed').selectAll().execute();
	assert.ok(rows.length > 3, `${rows.length} were timed`);
	for (const { real_min, book_min } of rows) assert.ok(real_min > book_min * 1.2);
	const learned = (await learnedNext()).filter(({ kind }) => kind === 'hands');
	assert.ok(learned.length > 0, 'something was learned');
	for (const one of learned) assert.ok(one.kind === 'hands' && one.share > 1.1);
	const tonight = await loadLearnedForPlan(t.db, await loadBakeryDay(t.db, TOMORROW));
	assert.deepEqual(
		tonight.filter(({ kind }) => kind === 'hands'),
		[]
	);
	const stands = await readPlan(t.db, TOMORROW);
	assert.ok(stands.accepted?.current, 'the plan that is followed still stands');
	const next = await readPlan(t.db, NEXT);
	const [first] = learned;
	assert.ok(first?.kind === 'hands');
	const book = (await loadBakeryDay(t.db, NEXT)).book.products.find(
		({ product }) => product.id === first.recipeId
	);
	const planned = next.input.products.find(({ id }) => id === first.recipeId);
	const seconds = (steps: typeof planned) =>
		steps?.steps.reduce(
			(all, step) =>
				step.kind === 'hands-on' && step.activity === first.activity
					? all + step.fixedMinutes * 60 + step.secondsPerPiece
					: all,
			0
		) ?? 0;
	assert.ok(seconds(planned) > seconds(book as never));
});

test('a tap that is taken back teaches nothing any more', async () => {
	const before = await t.db.selectFrom('work_timed').selectAll().execute();
	const entries = (await readBenchMoment(t.db, TOMORROW)).entries.filter(
		({ act }) => act === 'ended'
	);
	const [ended] = entries;
	assert.ok(ended);
	await send(t.db, { kind: 'strike-work', entryId: ended.id }, { minutes: 900 });
	const after = await t.db.selectFrom('work_timed').selectAll().execute();
	assert.equal(after.length, before.length - 1);
});

test('a time that does not count teaches nothing, a recipe that is learned anew stands as its book says', async () => {
	const shaped = list.filter(
		({ kind, taskId, batch, endMs, atMs }) =>
			kind === 'do' && taskId !== null && batch?.kind === 'portion' && endMs - atMs > 4 * MINUTE
	);
	const handsOf = async () => (await learnedNext()).filter(({ kind }) => kind === 'hands');
	const [first] = await handsOf();
	assert.ok(first?.kind === 'hands');
	const of = async (recipeId: string) => (await readTimes(t.db, NEXT, recipeId)).activities;
	const shown = (await of(first.recipeId)).find(({ activity }) => activity === first.activity);
	assert.ok(shown && shown.used === first.used, 'the page shows what the plan takes');
	assert.ok(shown.times.every(({ ignored, leftOut }) => !ignored && !leftOut));

	for (const { date, taskId } of shown.times)
		assert.equal(
			(await send(t.db, { kind: 'ignore-time', date, taskId, ignored: true })).outcome,
			'done'
		);
	const isOfIt = (one: LearnedInPlan) =>
		one.kind === 'hands' && one.recipeId === first.recipeId && one.activity === first.activity;
	assert.ok(!(await handsOf()).some(isOfIt), 'it is no longer in the plan');
	const ignored = (await of(first.recipeId)).find(({ activity }) => activity === first.activity);
	assert.deepEqual(
		[ignored?.used, ignored?.times.every((one) => one.ignored)],
		[0, true],
		'it stands there, and does not count'
	);
	// A tap on the same work times it anew, and it still does not count.
	const again = shaped.find(({ taskId }) => taskId === shown.times[0]?.taskId);
	if (again) await take(again, 1.6);
	assert.ok(!(await handsOf()).some(isOfIt));
	for (const { date, taskId } of shown.times)
		await send(t.db, { kind: 'ignore-time', date, taskId, ignored: false });
	assert.ok((await handsOf()).some(isOfIt), 'it counts again');

	await send(t.db, { kind: 'reset-times', recipeId: first.recipeId }, { minutes: 1000 });
	assert.ok(!(await handsOf()).some(isOfIt), 'learned anew');
	assert.deepEqual(await of(first.recipeId), []);
	const none = await send(t.db, {
		kind: 'ignore-time',
		date: TOMORROW,
		taskId: 'nothing is called so',
		ignored: true
	});
	assert.deepEqual(none.outcome === 'refused' && none.refusal, {
		kind: 'unknown',
		what: 'observation'
	});
});

test('pieces that are ready before their clock each night have a shorter proof the next', async () => {
	const next = (await readPlan(t.db, NEXT)).input;
	const portion = (await readPlan(t.db, TOMORROW)).input.doughs
		.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions }) =>
				portions.map(({ productId }) => ({ formulaId, ordinal, productId }))
			)
		)
		.find(({ productId }) => next.products.some(({ id }) => id === productId));
	assert.ok(portion);
	for (const minutes of [700, 701, 702])
		await send(
			t.db,
			{
				kind: 'tell-result',
				date: TOMORROW,
				portion,
				told: {
					kind: 'judged',
					at: 'proof',
					clock: { share: 0.75, earlyShare: 0.7, lateShare: 1.4 },
					bookFactor: 1,
					sightings: [
						{ kind: 'poke', seen: 'half-springs-back' },
						{ kind: 'rise', seen: 'to-the-mark' }
					],
					decision: 'load'
				}
			},
			{ minutes }
		);
	const proof = (await learnedNext()).find((one) => one.kind === 'proof');
	assert.ok(proof?.kind === 'proof' && proof.recipeId === portion.productId, 'learned for it');
	assert.ok(proof.share < 0.9 && proof.share > 0.7, `${proof.share}`);
	const clockOf = (steps: readonly Step[] | undefined) => {
		const wait = steps?.find((step) => step.kind === 'wait' && step.activity === 'proof');
		return wait?.kind === 'wait' ? (wait.clock?.ripeMinutes ?? NaN) : NaN;
	};
	const { product, ...book } = (await loadBakeryDay(t.db, NEXT)).book.products.find(
		(one) => one.product.id === portion.productId
	) ?? { product: null, steps: [] };
	assert.ok(product);
	const planned = (await readPlan(t.db, NEXT)).input.products.find(
		({ id }) => id === portion.productId
	);
	assert.equal(
		clockOf(planned?.steps),
		Math.round(clockOf(book.steps) * proof.share),
		'the next plan takes it'
	);
	assert.equal((await readTimes(t.db, NEXT, portion.productId)).proof?.used, 3);
});

test('a bake is timed from loaded to drawn, with its stone; a stone that is always short asks for time', async () => {
	const bakes = list.filter(({ kind }) => kind === 'load');
	for (const load of bakes) {
		const draw = list.find(({ kind, taskId }) => kind === 'draw' && taskId === load.taskId);
		assert.ok(draw);
		const step = plan.tasks.find(({ id }) => id === load.taskId)?.step;
		assert.ok(step?.kind === 'bake', load.what);
		await tap(load, 'ended', load.endMs, step.loadCelsius - 25);
		await tap(draw, 'ended', draw.endMs);
	}
	const rows = await t.db
		.selectFrom('work_timed')
		.selectAll()
		.where('activity', '=', 'bake')
		.execute();
	assert.equal(rows.length, new Set(bakes.map(({ taskId }) => taskId)).size);
	for (const { stone_off_k, real_min, book_min } of rows) {
		assert.equal(stone_off_k, -25);
		assert.ok(Math.abs(real_min - book_min) < 8, `${real_min} of ${book_min}`);
	}
	const recovery = (await learnedNext()).find(({ kind }) => kind === 'recovery');
	assert.ok(recovery?.kind === 'recovery' && recovery.minutes >= 1, JSON.stringify(recovery));
});

test('an oven that bakes something longer than the others do is planned so, and only that oven', async () => {
	const day = await loadBakeryDay(t.db, NEXT);
	const anew = (await t.db.selectFrom('times_reset').select('recipe_id').execute()).map(
		({ recipe_id }) => recipe_id
	);
	const product = (await readPlan(t.db, NEXT)).input.products.find(({ id }) => !anew.includes(id));
	assert.ok(product, 'one that was not learned anew');
	const ovens = day.ovens.filter(({ decks }) =>
		decks.some(({ id }) => product.deckIds.includes(id))
	);
	const [quick, slow] = ovens;
	assert.ok(quick && slow, 'it goes into two ovens');
	const { by_id } = await t.db
		.selectFrom('work_timed')
		.select('by_id')
		.limit(1)
		.executeTakeFirstOrThrow();
	const night = (oven: typeof quick, times: number) =>
		[1, 2, 3, 4].map((ago) => ({
			bake_date: addDays(TOMORROW, -ago),
			task_key: `of ${oven.name}`,
			recipe_id: product.id,
			activity: 'bake',
			machine_id: oven.decks[0]?.id ?? '',
			by_id,
			book_min: 40,
			real_min: 40 * times,
			stone_off_k: null,
			occurred_at: new Date(NOW_MS - ago * 24 * 60 * MINUTE)
		}));
	await t.db
		.insertInto('work_timed')
		.values([...night(quick, 1), ...night(slow, 1.3)])
		.execute();
	const learned = await learnedNext();
	const own = (oven: typeof quick) =>
		learned.flatMap((one) =>
			one.kind === 'bake-in' && one.recipeId === product.id && one.ovenId === oven.id
				? [one.share]
				: []
		);
	const all = learned.find((one) => one.kind === 'bake' && one.recipeId === product.id);
	const elsewhere = all?.kind === 'bake' ? all.share : 1;
	const [longer = NaN] = own(slow);
	const [shorter = 1] = own(quick);
	// Believed towards what all of them taught, never beyond what was seen.
	assert.ok(longer * elsewhere > 1.15 && longer * elsewhere <= 1.3, `${longer} ${elsewhere}`);
	assert.ok(shorter * elsewhere < 1.1, `${shorter} ${elsewhere}`);
	const next = await readPlan(t.db, NEXT);
	assert.deepEqual(next.input.learned, learned, 'the plan takes it along');
});
