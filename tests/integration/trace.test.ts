import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { ourLot } from '../../src/lib/contracts/our-lot.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import {
	readBatchTrace,
	readLotTrace,
	readTraceSearch
} from '../../src/lib/server/services/read-trace.ts';
import { recallSentence } from '../../src/lib/wording/trace-text.ts';
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

test('a lot leads to its batches and to every drop that had bread of them, and back', async () => {
	const mix = await begin(1, 10);
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
	const weighed = await send(
		t.db,
		{
			kind: 'weigh-line',
			batch: { kind: 'made', batchId: mix },
			material: { kind: 'ingredient', ingredientId: FLOUR },
			addition: 'start',
			wantedGrams: 5000,
			grams: 5000,
			how: 'typed',
			closeEnough: false,
			scale: '',
			lot: 'BF 3162'
		},
		{ minutes: 13, id: randomUUID() }
	);
	assert.equal(weighed.outcome, 'done', JSON.stringify(weighed));
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

test('what is searched is found by date and by name; what nobody has is nothing', async () => {
	const day = await readTraceSearch(t.db, TOMORROW, TOMORROW);
	assert.ok(day.batches.length > 3 && day.batches.every(({ date }) => date === TOMORROW));
	const named = await readTraceSearch(t.db, TOMORROW, 'HARBOUR');
	assert.ok(named.batches.some(({ kind }) => kind === 'mix'));
	for (const text of ['%', '_', "' or true --", '\\', 'no such thing'])
		assert.deepEqual((await readTraceSearch(t.db, TOMORROW, text)).batches, [], text);
	const [first] = day.batches;
	assert.ok(first, 'the date has batches');
	const ours = await readTraceSearch(t.db, TOMORROW, ourLot(first).toUpperCase());
	assert.deepEqual(
		ours.batches.map(({ id }) => id),
		[first.id],
		'our own lot, as its label says'
	);
	assert.equal(await readLotTrace(t.db, FLOUR, 'none'), null);
	assert.equal(await readBatchTrace(t.db, randomUUID()), null);
});
