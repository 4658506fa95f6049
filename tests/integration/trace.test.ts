import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { ourLot } from '../../src/lib/contracts/our-lot.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import {
	readBatchTrace,
	readLotTrace,
	readTraceSearch
} from '../../src/lib/server/services/read-trace.ts';
import { recallSentence, searchSentence } from '../../src/lib/wording/trace-text.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import { HARBOUR_DOUGH, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

const FLOUR = demoId('ingredient', 'Bread flour');
let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
});
after(() => t.drop());

/** Puts the first hand to a mix: it is begun, and booked. */
async function begin(ordinal: number, minutes: number) {
	const { list } = await nightInForce(t.db);
	const work = list.find(
		({ kind, taskId }) => kind === 'do' && taskId?.startsWith(`mix:${HARBOUR_DOUGH}:${ordinal}:`)
	);
	assert.ok(work);
	const tapped = await send(
		t.db,
		{
			kind: 'tap-work',
			date: TOMORROW,
			work: work.key,
			taskId: work.taskId,
			act: 'begun',
			untilMs: null,
			because: '',
			celsius: null,
			personId: null
		},
		{ minutes }
	);
	assert.equal(tapped.outcome, 'done');
	const batch = await t.db
		.selectFrom('batch')
		.select('id')
		.where('formula_id', '=', HARBOUR_DOUGH)
		.where('bake_date', '=', TOMORROW)
		.where('ordinal', '=', ordinal)
		.where('state', '<>', 'withdrawn')
		.executeTakeFirstOrThrow();
	return batch.id;
}

/** Weighs flour of a lot into a mix. */
async function weigh(batchId: string, lot: string, minutes: number) {
	const weighed = await send(
		t.db,
		{
			kind: 'weigh-line',
			batch: { kind: 'made', batchId },
			material: { kind: 'ingredient', ingredientId: FLOUR },
			addition: 'start',
			wantedGrams: 5000,
			grams: 5000,
			how: 'typed',
			closeEnough: false,
			scale: '',
			lot
		},
		{ minutes, id: randomUUID() }
	);
	assert.equal(weighed.outcome, 'done', JSON.stringify(weighed));
}

/** The first mix, which the first test begins. */
let first = '';

test('a lot leads to its batches and to every drop that had bread of them, and back', async () => {
	const mix = await begin(1, 10);
	first = mix;
	const found = await readTraceSearch(t.db, TOMORROW, 'bf 31');
	assert.deepEqual(found.lots.map(({ lot }) => lot).toSorted(), ['BF 3118', 'BF 3162']);
	// 230 kg were counted and 150 kg of them came last: both lots can lie there.
	for (const lot of ['BF 3118', 'BF 3162']) {
		const trace = await readLotTrace(t.db, FLOUR, lot);
		assert.ok(trace, lot);
		const own = trace.batches.find(({ id }) => id === mix);
		assert.deepEqual([own?.known, own?.firstHand], ['possible', true], lot);
		assert.ok(trace.batches.some(({ kind }) => kind === 'portion'));
		assert.deepEqual(trace.unplanned, []);
		const { input } = await nightInForce(t.db);
		const portions =
			input.doughs
				.find(({ formulaId }) => formulaId === HARBOUR_DOUGH)
				?.mixes.find(({ ordinal }) => ordinal === 1)?.portions ?? [];
		const names = new Set(
			portions
				.flatMap(({ dropIds }) => dropIds)
				.map((id) => input.drops.find((drop) => drop.id === id)?.name)
		);
		assert.deepEqual(new Set(trace.drops.map(({ drop }) => drop)), names);
		assert.match(recallSentence(trace), /possibly: nobody told the lot at the scale/);
	}
	const back = await readBatchTrace(t.db, mix);
	assert.ok(back);
	const flour = back.madeOf
		.flatMap(({ ingredients }) => ingredients)
		.find(({ ingredient }) => ingredient === 'Bread flour');
	assert.deepEqual(flour?.lots.map(({ lot }) => lot).toSorted(), ['BF 3118', 'BF 3162']);
	assert.ok(back.drops.length > 0);
	assert.ok(back.allergens.length > 0, 'wheat at the least');
});

test('a lot told at the scale is the one that went in, and no other', async () => {
	const mix = await begin(2, 12);
	await weigh(mix, 'BF 3162', 13);
	const told = await readLotTrace(t.db, FLOUR, 'BF 3162');
	assert.equal(told?.batches.find(({ id }) => id === mix)?.known, 'told');
	const other = await readLotTrace(t.db, FLOUR, 'BF 3118');
	assert.equal(
		other?.batches.find(({ id }) => id === mix),
		undefined
	);
});

test('a flour whose delivery is only in its own page is found, and possible wherever it can lie', async () => {
	const delivered = await send(t.db, {
		kind: 'add-delivery',
		deliveryId: randomUUID(),
		ingredientId: FLOUR,
		receivedOn: '2026-11-20',
		lot: 'BF only here',
		properties: {
			extractionPercent: null,
			proteinPercent: null,
			ashPercent: null,
			moisturePercent: null,
			fallingNumberSeconds: null,
			absorptionPoints: null,
			milling: null,
			wholegrainPercent: null
		}
	});
	assert.equal(delivered.outcome, 'done', JSON.stringify(delivered));
	const trace = await readLotTrace(t.db, FLOUR, 'BF only here');
	assert.ok(trace && trace.batches.length > 0);
	assert.ok(trace.batches.every(({ known }) => known === 'possible'));
});

test('an ingredient leads to its lots by any part of its name, retired or not, and says where none was told', async () => {
	const lotsOf = async (text: string) =>
		(await readTraceSearch(t.db, TOMORROW, text)).lots.map(({ ingredient, lot }) => [
			ingredient,
			lot
		]);
	const bread = await lotsOf('bread FLOUR');
	assert.ok(bread.every(([ingredient]) => ingredient === 'Bread flour'));
	for (const lot of ['BF 3118', 'BF 3162'])
		assert.ok(
			bread.some(([, own]) => own === lot),
			lot
		);
	// Told at the scale and nowhere else.
	await weigh(first, 'BF at the scale', 15);
	assert.ok((await lotsOf('ad flo')).some(([, lot]) => lot === 'BF at the scale'));
	await t.db
		.updateTable('ingredient')
		.set({ retired_at: new Date('2026-11-23T12:00:00Z') })
		.where('id', '=', FLOUR)
		.execute();
	assert.ok((await lotsOf('bread flour')).some(([, lot]) => lot === 'BF 3162'));
	const none = await readTraceSearch(t.db, TOMORROW, 'sea salt');
	assert.deepEqual([none.lots, none.batches, none.withoutLot], [[], [], ['Sea salt flakes']]);
	assert.equal(searchSentence(none), 'No lot of Sea salt flakes was ever told.');
	// Its lot was never told, but what took it is known.
	await sql`insert into stock_use (batch_id, ingredient_id, amount_g, occurred_at)
		select u.batch_id, i.id, 20, u.occurred_at from stock_use u, ingredient i
		where u.batch_id = ${first} and u.ingredient_id = ${FLOUR} and i.name = 'Sea salt flakes'`.execute(
		t.db
	);
	const took = await readTraceSearch(t.db, TOMORROW, 'sea salt');
	assert.deepEqual([took.lots, took.batches, took.tookIt.map(({ id }) => id)], [[], [], [first]]);
	assert.equal(searchSentence(took), 'No lot of Sea salt flakes was ever told; one batch took it.');
	assert.deepEqual((await readTraceSearch(t.db, TOMORROW, 'water')).tookIt, [], 'it has no lot');
	assert.equal(
		searchSentence(await readTraceSearch(t.db, TOMORROW, 'no such thing')),
		'Nothing is called "no such thing".'
	);
});

test('what is searched is found by date and by name; what nobody has is nothing', async () => {
	const day = await readTraceSearch(t.db, TOMORROW, TOMORROW);
	assert.ok(day.batches.length > 3 && day.batches.every(({ date }) => date === TOMORROW));
	const named = await readTraceSearch(t.db, TOMORROW, 'HARBOUR');
	assert.ok(named.batches.some(({ kind }) => kind === 'mix'));
	for (const text of ['%', '_', "' or true --", '\\', 'no such thing'])
		assert.deepEqual((await readTraceSearch(t.db, TOMORROW, text)).batches, [], text);
	const [one] = day.batches;
	assert.ok(one, 'the date has batches');
	const ours = await readTraceSearch(t.db, TOMORROW, ourLot(one).toUpperCase());
	assert.deepEqual(
		ours.batches.map(({ id }) => id),
		[one.id],
		'our own lot, as its label says'
	);
	assert.equal(await readLotTrace(t.db, FLOUR, 'none'), null);
	assert.equal(await readBatchTrace(t.db, randomUUID()), null);
});
