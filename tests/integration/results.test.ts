import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import { id, type FormulaId, type ProductId } from '../../src/lib/core/identity.ts';
import { countedOf, shortsOf, type ResultTold } from '../../src/lib/core/results/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { findPicture } from '../../src/lib/server/db/results.ts';
import { readBenchMoment, readNightLog } from '../../src/lib/server/services/read-bench.ts';
import { acceptHeld, nightInForce } from './accepted-plan.ts';
import {
	HARBOUR_DOUGH,
	LOAF,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

const PORTION = {
	formulaId: id<FormulaId>(HARBOUR_DOUGH),
	ordinal: 1,
	productId: id<ProductId>(LOAF)
};
let t: TestDatabase;
before(async () => {
	t = await testDatabase();
	await acceptHeld(t.db);
});
after(() => t.drop());

const tell = (told: ResultTold, minutes = 10, portion = PORTION) =>
	send(t.db, { kind: 'tell-result', date: TOMORROW, portion, told }, { minutes });
async function standing() {
	const { accepted, input } = await nightInForce(t.db);
	const { results } = await readBenchMoment(t.db, TOMORROW);
	const counted = countedOf(input, results, accepted.acceptedAtMs);
	return {
		results,
		counted,
		shorts: shortsOf(input, counted, results, accepted.acceptedAtMs),
		input
	};
}

test('what is counted begins its mix, adds up, and is taken back as an entry of its own', async () => {
	const first = await tell({ kind: 'counted', good: 3, second: 1, lost: 0, because: 'torn' });
	assert.ok(first.outcome === 'done', JSON.stringify(first));
	const state = await sql<{ state: string }>`select state from batch where bake_date = ${TOMORROW}
		and formula_id = ${HARBOUR_DOUGH} and ordinal = 1 and state <> 'withdrawn'`.execute(t.db);
	assert.equal(state.rows[0]?.state, 'begun');
	const { results } = await standing();
	assert.deepEqual(
		results.map(({ told }) => told),
		[{ kind: 'counted', good: 3, second: 1, lost: 0, because: 'torn' }]
	);
	const { entryId } = first.answer;
	for (let time = 0; time < 2; time += 1) {
		const struck = await send(t.db, { kind: 'strike-result', entryId }, { minutes: 11 });
		assert.equal(struck.outcome, 'done');
	}
	assert.deepEqual((await standing()).results, []);
	const log = await readNightLog(t.db, TOMORROW);
	assert.deepEqual(
		log.struckResults.map(({ struck }) => struck.by),
		['Maud Tarrow']
	);
	await assert.rejects(sql`delete from result_entry`.execute(t.db), /append-only/);
});

test('everything that can be told of a portion is kept as it was told', async () => {
	const { input } = await standing();
	const [drop] = input.drops;
	assert.ok(drop);
	const all: readonly ResultTold[] = [
		{ kind: 'weighed', pieces: 4, bakedGrams: 3120.5 },
		{ kind: 'scored', scores: { crust: 4, crumb: null, taste: 5 }, note: 'open, a little wild' },
		{ kind: 'fault', fault: 'dull-crust', note: '' },
		{
			kind: 'judged',
			at: 'proof',
			bookFactor: 1,
			clock: { share: 0.9, earlyShare: 0.7, lateShare: 1.4 },
			sightings: [{ kind: 'poke', seen: 'half-springs-back' }],
			decision: 'load'
		},
		{
			kind: 'judged',
			at: 'rest',
			bookFactor: 1,
			clock: { share: 1, earlyShare: 0.75, lateShare: 2 },
			sightings: [{ kind: 'spread', seen: 'runs' }],
			decision: 'pre-shape-again'
		},
		{ kind: 'drawn', browning: 'golden', sound: null },
		{ kind: 'drawn', browning: null, sound: 'hollow' },
		{ kind: 'less', dropId: drop.id, pieces: 1 }
	];
	for (const told of all) assert.equal((await tell(told, 12)).outcome, 'done');
	const { results } = await standing();
	assert.deepEqual(
		results.map(({ told }) => told),
		all
	);
	for (const { id: entryId } of results)
		await send(t.db, { kind: 'strike-result', entryId }, { minutes: 13 });
});

test('a picture is kept beside what is told, as it was; what is none, or too large, is refused', async () => {
	const jpeg = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.alloc(3000, 7)]);
	const told = (bytes: Buffer) =>
		tell({ kind: 'picture', jpegBase64: bytes.toString('base64') }, 12);
	const taken = await told(jpeg);
	assert.ok(taken.outcome === 'done');
	const found = (await standing()).results.find((one) => one.told.kind === 'picture');
	assert.ok(found?.told.kind === 'picture');
	assert.equal(found.told.jpegBase64, null, 'a night is read without its pictures');
	assert.deepEqual(await findPicture(t.db, TOMORROW, found.id), jpeg);
	assert.equal(await findPicture(t.db, addDays(TOMORROW, 1), found.id), null, 'of another date');
	await send(t.db, { kind: 'strike-result', entryId: found.id }, { minutes: 13 });
	assert.equal(await findPicture(t.db, TOMORROW, found.id), null, 'it was taken back');
	await assert.rejects(sql`delete from result_picture`.execute(t.db), /append-only/);
	const page = Buffer.from(`<script>alert(1)</script>${' '.repeat(400)}`);
	for (const bad of [page, Buffer.concat([jpeg, Buffer.alloc(300_000, 7)])]) {
		const refused = await told(bad);
		assert.equal(refused.outcome === 'refused' && refused.refusal.kind, 'malformed');
	}
});

test('what no portion is, and what nobody can have counted, is refused in words', async () => {
	const none = await tell({ kind: 'again', pieces: 1 }, 14, { ...PORTION, ordinal: 99 });
	assert.deepEqual(none.outcome === 'refused' && none.refusal, {
		kind: 'unknown',
		what: 'portion'
	});
	const nothing = await tell({ kind: 'counted', good: 0, second: 0, lost: 0, because: '' }, 14);
	assert.ok(nothing.outcome === 'refused' && nothing.refusal.kind === 'malformed');
	const drop = await tell({ kind: 'less', dropId: PORTION.productId as never, pieces: 1 }, 14);
	assert.deepEqual(drop.outcome === 'refused' && drop.refusal, { kind: 'unknown', what: 'drop' });
});

test('a short count is made again by a further mix: the day plans it, and it is expected once', async () => {
	const before = await standing();
	const portion = before.counted.find(
		({ portion: of }) => of.formulaId === HARBOUR_DOUGH && of.ordinal === 1 && of.productId === LOAF
	);
	assert.ok(portion);
	const ofLoaf = before.counted.filter(({ portion: of }) => of.productId === LOAF);
	const ordered = before.input.orders
		.filter(({ productId }) => productId === LOAF)
		.reduce((all, { pieces }) => all + pieces, 0);
	const spare = ofLoaf.reduce((all, { pieces }) => all + pieces, 0) - ordered;
	const lost = spare + 5;
	await tell(
		{ kind: 'counted', good: portion.pieces - lost, second: 0, lost, because: 'burnt' },
		20
	);
	const [short] = (await standing()).shorts;
	assert.equal(short?.open, 5);
	await tell({ kind: 'again', pieces: 5 }, 21);
	const [answered] = (await standing()).shorts;
	assert.deepEqual([answered?.open, answered?.toPlan], [0, 5]);

	const mixesOf = (input: Awaited<ReturnType<typeof acceptHeld>>) =>
		input.doughs.find(({ formulaId }) => formulaId === HARBOUR_DOUGH)?.mixes ?? [];
	const planned = mixesOf(before.input);
	const input = await acceptHeld(t.db, 30);
	const mixes = mixesOf(input);
	const piecesOf = (of: typeof mixes) =>
		of.flatMap(({ portions }) =>
			portions.filter(({ productId }) => productId === LOAF).map(({ pieces }) => pieces)
		);
	const first = mixes.find(({ ordinal }) => ordinal === 1);
	assert.equal(
		first?.portions.find(({ productId }) => productId === LOAF)?.pieces,
		portion.pieces - 5,
		'its mix is five smaller'
	);
	const sum = (of: readonly number[]) => of.reduce((all, one) => all + one, 0);
	assert.ok(sum(piecesOf(mixes)) >= sum(piecesOf(planned)), 'and five are made elsewhere');
	const after = await standing();
	assert.ok(after.shorts.every(({ open, toPlan }) => open === 0 && toPlan === 0));
});
