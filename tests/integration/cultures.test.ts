import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import { demoPlaceId } from '../../src/lib/server/demo/demo-place.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readCultureLimits } from '../../src/lib/server/services/read-culture-limits.ts';
import { readCultureNotices } from '../../src/lib/server/services/read-culture-notices.ts';
import { readCultures } from '../../src/lib/server/services/read-cultures.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readSour } from '../../src/lib/server/services/read-sour.ts';
import { readStock } from '../../src/lib/server/services/read-stock.ts';
import {
	FERRY,
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

const WHEAT = demoId('ingredient', 'Wheat culture');
const RYE = demoId('ingredient', 'Rye culture');
const HOUR_MS = 3_600_000;

async function culture(ingredientId: string, minutes = 0) {
	const view = await readCultures(t.db, TOMORROW, NOW_MS + minutes * 60_000);
	const found = view.cultures.find((one) => one.ingredientId === ingredientId);
	assert.ok(found, 'the culture is told');
	return found;
}
const tend = (
	ingredientId: string,
	what: CommandContent<'tend-culture'>['what'],
	minutes = 1,
	id?: string
) => send(t.db, { kind: 'tend-culture', ingredientId, what }, { minutes, ...(id ? { id } : {}) });

test('what the week takes of a culture and gives back is told by date, as late as its drops allow', async () => {
	const { uses, returns, grams, keeping } = await culture(WHEAT);
	assert.equal(grams, 2450);
	assert.equal(keeping?.keepGrams, 200);
	// Baked from Tuesday to Saturday and on Monday: nothing on Sunday.
	assert.deepEqual(
		[...new Set(uses.map(({ date }) => date))],
		['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28']
	);
	const [first] = uses;
	assert.equal(first?.by, 'Wheat levain');
	assert.equal(first.isPlanned, false);
	const { input } = await readPlan(t.db, TOMORROW);
	const levain = input.builds.find(({ preparationId }) => preparationId === LEVAIN);
	assert.ok(levain);
	// A sixth of the levain is its culture: 10 of 60 parts.
	assert.ok(Math.abs(first.grams - levain.grams / 6) < 5, `${first.grams} of ${levain.grams}`);
	assert.ok(first.atMs > NOW_MS - HOUR_MS && first.atMs < NOW_MS + 6 * HOUR_MS);
	assert.equal(returns[0]?.grams, 2300);
	assert.equal(returns[0].batchId, null);
	assert.ok(returns[0].atMs > first.atMs + 4 * HOUR_MS);
});

test('orders that ask for more of a culture than there will be are told so, for the days that can be known', async () => {
	const limits = (date: string) => readCultureLimits(t.db, date as never, NOW_MS);
	assert.deepEqual(await limits(TOMORROW), []);
	const out = await tend(WHEAT, { kind: 'taken-out', grams: 2350 });
	assert.ok(out.outcome === 'done');
	const [short] = await limits(TOMORROW);
	assert.equal(short?.name, 'Wheat culture');
	assert.equal(short.by, 'Wheat levain');
	assert.ok(short.missingGrams > 1500 && short.missingGrams < 1800);
	assert.equal(short.met?.feeds, 2);
	const notices = await readCultureNotices(t.db, NOW_MS);
	assert.deepEqual(
		notices.map(({ name, told }) => [name, told.kind]),
		[['Wheat culture', 'short']]
	);
	assert.deepEqual(
		await limits('2026-11-25'),
		[],
		'what tonight keeps back is enough for the next'
	);
	assert.deepEqual(await limits('2026-11-22'), [], 'what is over stays as it was');
	assert.deepEqual(await limits('2026-12-24'), [], 'nobody knows so far ahead');
	await send(t.db, { kind: 'strike-culture', entryId: out.answer.entryId }, { minutes: 2 });
	assert.deepEqual(await limits(TOMORROW), []);
});

test('a batch that is begun takes its culture, and what is kept back of it is written down once', async () => {
	const before = await culture(WHEAT);
	const { input } = await readPlan(t.db, TOMORROW);
	const levain = input.builds.find(({ preparationId }) => preparationId === LEVAIN);
	assert.ok(levain);
	const begun = await send(
		t.db,
		{
			kind: 'measure-dough',
			batch: {
				kind: 'planned-preparation',
				date: TOMORROW,
				preparationId: levain.preparationId,
				ordinal: 1,
				revisionId: levain.revisionId,
				grams: levain.grams
			},
			celsius: 26,
			waterCelsius: null,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes: 60 }
	);
	assert.equal(begun.outcome, 'done');
	const then = await culture(WHEAT, 61);
	const taken = before.uses[0]?.grams ?? 0;
	assert.ok(Math.abs((before.grams ?? 0) - (then.grams ?? 0) - taken) < 1);
	assert.equal(then.entries[0]?.kind, 'used');
	assert.equal(then.entries[0].by, 'Wheat levain');
	assert.equal(then.uses.length, before.uses.length - 1, 'it is not wanted twice');
	const [back] = then.returns;
	assert.ok(back?.batchId);
	// Five hours and more in the culture box, by its own clock.
	assert.ok(Math.abs(back.atMs - (NOW_MS + (60 + 315) * 60_000)) < HOUR_MS / 2);
	const what = { kind: 'kept-back' as const, grams: 2280, batchId: back.batchId };
	const id = randomUUID();
	for (let time = 0; time < 2; time += 1)
		assert.equal((await tend(WHEAT, what, 380, id)).outcome, 'done', 'told twice it is one');
	const kept = await culture(WHEAT, 381);
	assert.ok(Math.abs((kept.grams ?? 0) - (then.grams ?? 0) - 2280) < 1e-6);
	assert.ok(kept.returns.every(({ batchId }) => batchId === null));
	assert.equal(kept.follow?.keptBackAtMs, NOW_MS + 380 * 60_000);
	assert.equal(kept.coldSinceMs, null, 'it is not in the cold room yet');
});

test('a feed weighs what it is made of, takes its flours out of stock, and can be taken back', async () => {
	const rye = async () => {
		const { rows } = await readStock(t.db, TOMORROW);
		return rows.find(({ name }) => name === 'Whole rye flour')?.onHandGrams ?? NaN;
	};
	const before = await rye();
	const fed = await send(
		t.db,
		{
			kind: 'feed-culture',
			ingredientId: RYE,
			beginning: null,
			seedGrams: 100,
			flourGrams: 200,
			waterGrams: 200,
			celsius: 27
		},
		{ minutes: 5 }
	);
	assert.equal(fed.outcome, 'done');
	const then = await culture(RYE, 6);
	assert.equal(then.grams, 500);
	assert.equal(then.coldSinceMs, null, 'it is fed, and stands where it ferments');
	assert.equal(then.follow?.fedCelsius, 27);
	assert.equal(then.follow.isAssumed, false);
	assert.equal(await rye(), before - 200);
	assert.ok(fed.outcome === 'done');
	const strike = () =>
		send(t.db, { kind: 'strike-culture', entryId: fed.answer.entryId }, { minutes: 7 });
	assert.equal((await strike()).outcome, 'done');
	assert.equal((await strike()).outcome, 'done');
	assert.equal((await culture(RYE, 8)).grams, 1020);
	assert.equal(await rye(), before);
});

test('what is seen of it is held against its clock and kept with it', async () => {
	assert.equal(
		(await tend(RYE, { kind: 'moved', placeId: demoPlaceId('Culture box') }, 8)).outcome,
		'done'
	);
	const seen = await tend(
		RYE,
		{
			kind: 'seen',
			sightings: [
				{ kind: 'volume', seen: 'collapsing' },
				{ kind: 'taste', seen: 'biting' }
			]
		},
		10
	);
	assert.equal(seen.outcome, 'done');
	const { follow } = await culture(RYE, 11);
	const [one] = follow?.seen ?? [];
	assert.ok(one && one.clockShare > 1.5, 'kept back ripe, and half a day in the cold since');
	assert.ok(one.seenShare !== null && one.seenShare > 1.3);
	const nothing = await tend(RYE, { kind: 'seen', sightings: [] });
	assert.ok(nothing.outcome === 'refused' && nothing.refusal.kind === 'malformed');
});

test('how it is kept is saved as a whole, and the second of two editors is told', async () => {
	const { keeping, version } = await culture(RYE);
	assert.ok(keeping);
	const keep = (change: Partial<typeof keeping>, expectedVersion = version) =>
		send(t.db, {
			kind: 'keep-culture',
			ingredientId: RYE,
			keeping: { ...keeping, ...change },
			expectedVersion
		});
	const saved = await keep({ feedTimes: ['20:00' as never], keepGrams: 350, restPlaceId: null });
	assert.deepEqual(saved, { outcome: 'done', answer: { version: 2 } });
	const late = await keep({ keepGrams: 1 });
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'settings-changed-meanwhile');
	const now = await culture(RYE);
	assert.deepEqual(now.keeping?.feedTimes, ['20:00']);
	assert.equal(now.scheduledMs[0], NOW_MS + 6 * HOUR_MS);
	const strange = await keep({ flours: [{ flourId: WHEAT, parts: 1 }] }, 2);
	assert.ok(strange.outcome === 'refused' && strange.refusal.kind === 'unknown');
	const early = await keep({ clock: { ...keeping.clock, underMinutes: 900 } }, 2);
	assert.ok(early.outcome === 'refused' && early.refusal.kind === 'malformed');
	const twice = await keep({ flours: [...keeping.flours, ...keeping.flours] }, 2);
	assert.ok(twice.outcome === 'refused' && twice.refusal.kind === 'malformed');
	const nowhere = await keep({ placeId: randomUUID() }, 2);
	assert.ok(nowhere.outcome === 'refused' && nowhere.refusal.kind === 'unknown');
});

test('what is no culture, and what nobody set up, is neither fed nor tended', async () => {
	const salt = demoId('ingredient', 'Salt');
	const fed = await send(t.db, {
		kind: 'feed-culture',
		ingredientId: salt,
		beginning: null,
		seedGrams: 1,
		flourGrams: 1,
		waterGrams: 1,
		celsius: null
	});
	assert.ok(fed.outcome === 'refused' && fed.refusal.kind === 'unknown');
	const tended = await tend(salt, { kind: 'counted', grams: 5 });
	assert.ok(tended.outcome === 'refused' && tended.refusal.kind === 'unknown');
	const elsewhere = await tend(RYE, { kind: 'moved', placeId: FERRY });
	assert.ok(elsewhere.outcome === 'refused' && elsewhere.refusal.kind === 'unknown');
	const none = await send(t.db, {
		kind: 'feed-culture',
		ingredientId: RYE,
		beginning: null,
		seedGrams: 100,
		flourGrams: 0,
		waterGrams: 0,
		celsius: null
	});
	assert.ok(none.outcome === 'refused' && none.refusal.kind === 'malformed');
});

test('a new one is begun, stirred and fed by its steps, and kept like the others once it is trusted', async () => {
	const begin = (beginning: 'flour-and-water' | null, minutes: number, seedGrams = 0) =>
		send(
			t.db,
			{
				kind: 'feed-culture',
				ingredientId: RYE,
				beginning,
				seedGrams,
				flourGrams: 50,
				waterGrams: 50,
				celsius: null
			},
			{ minutes }
		);
	assert.equal((await begin('flour-and-water', 20)).outcome, 'done');
	assert.equal((await tend(RYE, { kind: 'stirred' }, 24 * 60)).outcome, 'done');
	assert.equal((await begin(null, 48 * 60, 50)).outcome, 'done');
	const started = await culture(RYE, 49 * 60);
	assert.equal(started.start?.beginning, 'flour-and-water');
	assert.deepEqual(
		started.start.done.map(({ isFeed }) => isFeed),
		[false, true]
	);
	assert.equal(started.grams, 150);
	assert.equal((await tend(RYE, { kind: 'trusted' }, 50 * 60)).outcome, 'done');
	assert.equal((await culture(RYE, 51 * 60)).start, null);
});

test('a sour of three stages is told from its culture to its bread', async () => {
	const far = '2026-12-01';
	const ordered = await send(t.db, {
		kind: 'change-orders',
		date: far as never,
		lines: [
			{
				dropId: FERRY,
				productId: demoId('product', 'Storm rye block'),
				pieces: 12,
				expectedVersion: 0
			}
		]
	});
	assert.equal(ordered.outcome, 'done', JSON.stringify(ordered));
	const sour = await readSour(
		t.db,
		far as never,
		demoId('preparation', 'Storm sour, full'),
		NOW_MS
	);
	assert.ok(sour);
	assert.deepEqual(
		sour.stages.map(({ name, targetCelsius }) => [name, targetCelsius]),
		[
			['Storm sour, refresh', 28],
			['Storm sour, base', 24],
			['Storm sour, full', 30]
		]
	);
	const [refresh, base, full] = sour.stages;
	assert.deepEqual(refresh?.seedRatio, { flour: 4, water: 6 });
	assert.equal(refresh.takeBackGrams, 200);
	// What each stage takes of the one before is there.
	const taken = (stage: typeof base, name: string) =>
		stage?.lines.find((line) => line.name === name)?.grams ?? NaN;
	assert.ok(taken(base, 'Storm sour, refresh') <= (refresh.grams - 200) * 1.001);
	assert.ok(taken(full, 'Storm sour, base') <= (base?.grams ?? 0) * 1.001);
	const begins = sour.stages.map(({ plannedMs }) => plannedMs ?? NaN);
	assert.ok(begins.every((ms, at) => at === 0 || ms > (begins[at - 1] ?? NaN)));
	assert.ok((sour.bread.plannedMs ?? 0) > (begins[2] ?? Infinity));
	assert.equal(sour.bread.name, 'Storm rye');
	assert.equal(await readSour(t.db, TOMORROW, LEVAIN, NOW_MS), null, 'a levain has one stage');
});

test('the database keeps what happened as it was written', async () => {
	await assert.rejects(sql`delete from culture_entry`.execute(t.db), /append-only/);
	await assert.rejects(
		sql`update culture_feed_flour set amount_g = 1`.execute(t.db),
		/append-only/
	);
	await assert.rejects(
		sql`update culture set over_min = 1 where ingredient_id = ${WHEAT}`.execute(t.db),
		/check/
	);
});
