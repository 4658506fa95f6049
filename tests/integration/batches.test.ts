import { afterEach, beforeEach, test } from 'node:test';
import assert from 'node:assert/strict';
import type { BatchName } from '../../src/lib/contracts/batch-name.ts';
import { id, type PreparationId } from '../../src/lib/core/identity.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { formulaContent } from './book-content.ts';
import { newPlacement } from './placement.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
	NOW_MS,
	plannedMix,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

let t: TestDatabase;
beforeEach(async () => {
	t = await testDatabase();
});
afterEach(() => t.drop());

const LATER = NOW_MS + 600 * 60_000;

async function accept(): Promise<void> {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	const done = await send(t.db, {
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: newPlacement(input)
	});
	assert.equal(done.outcome, 'done', JSON.stringify(done));
}
async function measure(ordinal: number, celsius: number, minutes: number) {
	const done = await send(
		t.db,
		{
			kind: 'measure-dough',
			batch: await batchOf(t.db, HARBOUR_DOUGH, ordinal),
			celsius,
			waterCelsius: 18,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		},
		{ minutes }
	);
	assert.ok(done.outcome === 'done', JSON.stringify(done));
	return done.answer.entryId;
}
/** Sets what is ordered of one product over all drops to a share of what it was. */
async function order(productId: string, share: number): Promise<void> {
	const { cells } = await readOrders(t.db, TOMORROW);
	for (const cell of cells.filter((cell) => cell.productId === productId)) {
		const done = await send(t.db, {
			kind: 'change-order',
			date: TOMORROW,
			dropId: cell.dropId,
			productId,
			pieces: Math.round(cell.pieces * share),
			expectedVersion: cell.version
		});
		assert.equal(done.outcome, 'done');
	}
}
const HARBOUR_PRODUCTS = [LOAF, demoId('product', 'Harbour small')];
async function reviseHarbour(): Promise<void> {
	const content = await formulaContent(t.db, HARBOUR_DOUGH);
	const done = await send(t.db, {
		kind: 'save-formula',
		...content,
		doughLossShare: 0.08,
		targetCelsius: (content.targetCelsius ?? 0) + 1
	});
	assert.ok(done.outcome === 'done' && done.answer.kind === 'saved', JSON.stringify(done));
}
/** Every measured harbour dough as each page tells it. */
async function measured() {
	const [ripening, water, plan, learned, doughs] = await Promise.all([
		readRipening(t.db, TOMORROW, LATER),
		readWater(t.db, TOMORROW, LATER),
		readPlan(t.db, TOMORROW),
		readLearned(t.db, TOMORROW, { formulaId: HARBOUR_DOUGH, mixerId: null }, LATER),
		readDoughs(t.db, TOMORROW)
	]);
	const planned = plan.input.doughs.find((dough) => dough.formulaId === HARBOUR_DOUGH)?.mixes ?? [];
	return {
		ripening: ripening.doughs
			.filter((dough) => dough.recipeId === HARBOUR_DOUGH && dough.mixed)
			.map((dough) => [dough.ordinal, dough.grams, dough.mixed?.celsius, dough.targetCelsius]),
		water: water.mixes
			.filter((mix) => mix.formulaId === HARBOUR_DOUGH && mix.measured)
			.map((mix) => [mix.ordinal, mix.doughGrams, mix.measured?.celsius, mix.targetCelsius])
			.sort(([a], [b]) => Number(a) - Number(b)),
		plan: planned
			.filter((mix) => mix.begun !== null)
			.map((mix) => [mix.ordinal, mix.grams, mix.begun?.mixedAtMs]),
		doughs: (
			doughs.production.doughs.find((dough) => dough.resolved.formula.id === HARBOUR_DOUGH)
				?.mixes ?? []
		)
			.filter((mix) => mix.made !== null)
			.map((mix) => [mix.ordinal, mix.dough.value]),
		learned: new Set(learned.mixes.map((mix) => mix.id))
	};
}
const openMixes = async () =>
	(await readDoughs(t.db, TOMORROW)).production.doughs
		.flatMap((dough) => (dough.resolved.formula.id === HARBOUR_DOUGH ? dough.mixes : []))
		.filter((mix) => mix.made === null);

test('measured doughs stay where they are, with their mass, whatever is ordered, revised, planned or retired', async () => {
	await accept();
	const grams = (await openMixes()).map((mix) => mix.dough.value);
	assert.equal(grams.length, 2);
	const ids = [await measure(1, 25.4, 480), await measure(2, 26.1, 510)];
	const check = await send(
		t.db,
		{
			kind: 'check-dough',
			batch: await batchOf(t.db, HARBOUR_DOUGH, 2),
			stage: 'dough',
			celsius: 25.2,
			instrument: 'core-probe',
			place: 'room',
			ambientCelsius: 22
		},
		{ minutes: 560 }
	);
	assert.equal(check.outcome, 'done');
	const before = await measured();
	assert.deepEqual(
		before.ripening.map(([ordinal, mass]) => [ordinal, mass]),
		[
			[1, grams[0]],
			[2, grams[1]]
		]
	);
	assert.ok(ids.every((id) => before.learned.has(id)));
	const same = async (after: string) => {
		const now = await measured();
		assert.deepEqual(now, before, after);
		const dough = (await readRipening(t.db, TOMORROW, LATER)).doughs.find(
			(dough) => dough.recipeId === HARBOUR_DOUGH && dough.ordinal === 2
		);
		assert.equal(dough?.events.length, 1, `${after}: its check stands`);
	};
	for (const product of HARBOUR_PRODUCTS) await order(product, 1 / 3);
	await same('orders cut to a third');
	const { over } = await readOrders(t.db, TOMORROW);
	assert.ok(over.some((over) => over.grams > 20_000 && over.name === 'Harbour dough'));
	// A loaf is scaled at about 900 g: what is over is told as so many of them, and never as more than it makes.
	for (const { kind, grams, pieces } of over) {
		if (kind !== 'mix' || !pieces) continue;
		const each = grams / pieces.count;
		assert.ok(each >= 300 && each < 2000, `${pieces.count} of ${grams} g`);
	}
	assert.ok(over.some(({ pieces }) => pieces !== null));
	assert.deepEqual((await readPlan(t.db, TOMORROW)).over, over);
	await order(LOAF, 6);
	await same('orders grown');
	assert.ok((await openMixes()).length > 0, 'what is short is a further mix');
	await reviseHarbour();
	await same('the formula revised');
	await accept();
	await same('a second plan accepted');
	const plan = await readPlan(t.db, TOMORROW);
	assert.equal(plan.accepted?.number, 2);
	assert.equal(plan.accepted.current, true);
	const told = plan.accepted.document.plan.tasks.filter(
		(task) => task.batch.kind === 'mix' && task.batch.formulaId === HARBOUR_DOUGH
	);
	const mixed = told.find((task) => task.batch.kind === 'mix' && task.batch.ordinal === 2);
	assert.equal(mixed?.endMs, NOW_MS + 510 * 60_000, 'the plan shows it where it was mixed');
	await send(t.db, { kind: 'retire', what: 'formula', entityId: HARBOUR_DOUGH, retired: true });
	await same('the formula retired');
	for (const product of HARBOUR_PRODUCTS) {
		await order(product, 0);
		await send(t.db, { kind: 'retire', what: 'product', entityId: product, retired: true });
	}
	await same('its products taken off');
	const check2 = await send(
		t.db,
		{
			kind: 'check-dough',
			batch: await batchOf(t.db, HARBOUR_DOUGH, 2),
			stage: 'dough',
			celsius: 24.9,
			instrument: 'core-probe',
			place: 'room',
			ambientCelsius: 22
		},
		{ minutes: 580 }
	);
	assert.equal(check2.outcome, 'done', 'and can still be checked');
});

test('a mix keeps the mass it was told at, and the others make up what is ordered, no more and no less', async () => {
	const [first] = await openMixes();
	assert.ok(first);
	const stands = first.dough.value;
	await measure(1, 25, 480);
	await order(LOAF, 2);
	const view = await readDoughs(t.db, TOMORROW);
	const dough = view.production.doughs.find((dough) => dough.resolved.formula.id === HARBOUR_DOUGH);
	assert.ok(dough);
	assert.equal(dough.mixes.find((mix) => mix.ordinal === 1)?.dough.value, stands);
	for (const { product, pieces } of dough.products) {
		let inMixes = 0;
		for (const mix of dough.mixes)
			for (const portion of mix.portions)
				if (portion.productId === product.id) inMixes += portion.pieces;
		assert.equal(inMixes, pieces, product.name);
	}
	assert.ok(dough.mixes.every((mix) => mix.dough.value <= 32_000.001));
	assert.deepEqual(view.over, []);
});

test('a dough that was begun while the page was out of date is begun as it was told', async () => {
	const seen = await batchOf(t.db, HARBOUR_DOUGH, 2);
	assert.ok(seen.kind === 'planned-mix');
	for (const product of HARBOUR_PRODUCTS) await order(product, 1 / 3);
	await reviseHarbour();
	const done = await send(t.db, {
		kind: 'measure-dough',
		batch: seen,
		celsius: 25,
		waterCelsius: 18,
		instrument: 'core-probe',
		mixerId: null,
		program: null
	});
	assert.equal(done.outcome, 'done', JSON.stringify(done));
	const found = await measured();
	assert.deepEqual(
		found.water.map(([ordinal, grams]) => [ordinal, grams]),
		[[2, seen.grams]]
	);
	// Somebody else with the same old page means the same dough.
	const check = await send(
		t.db,
		{
			kind: 'check-dough',
			batch: plannedMix(HARBOUR_DOUGH, 2, seen.revisionId, 7_000),
			stage: 'dough',
			celsius: 24,
			instrument: 'typed',
			place: 'room',
			ambientCelsius: 22
		},
		{ minutes: 30 }
	);
	assert.equal(check.outcome, 'done');
	assert.deepEqual((await measured()).water, found.water, 'and it stays as heavy as it is');
});

test('two who begin one dough at once begin it once', async () => {
	const batch = await batchOf(t.db, HARBOUR_DOUGH, 1);
	const both = await Promise.all(
		[25, 26].map((celsius) =>
			send(t.db, {
				kind: 'measure-dough',
				batch,
				celsius,
				waterCelsius: 18,
				instrument: 'core-probe',
				mixerId: null,
				program: null
			})
		)
	);
	assert.ok(both.every((outcome) => outcome.outcome === 'done'));
	const rows = await t.db
		.selectFrom('batch')
		.select(({ fn }) => fn.countAll<string>().as('n'))
		.where('bake_date', '=', TOMORROW)
		.where('kind', '=', 'mix')
		.executeTakeFirstOrThrow();
	assert.equal(Number(rows.n), 1);
	assert.equal((await measured()).water.length, 1);
});

test('what a begun mix was to become is its portions, and a plan that is accepted later finds them', async () => {
	const first = (await openMixes()).find((mix) => mix.ordinal === 1);
	assert.ok(first);
	await send(t.db, {
		kind: 'measure-dough',
		batch: await batchOf(t.db, HARBOUR_DOUGH, 1),
		celsius: 25,
		waterCelsius: 18,
		instrument: 'core-probe',
		mixerId: null,
		program: null
	});
	const portions = () =>
		t.db
			.selectFrom('batch')
			.innerJoin('batch_parent', 'batch_parent.batch_id', 'batch.id')
			.innerJoin('batch as mix', 'mix.id', 'batch_parent.parent_id')
			.select(['batch.id', 'batch.product_id', 'batch.ordinal', 'batch.pieces', 'batch.mass_g'])
			.where('batch.kind', '=', 'portion')
			.where('batch.bake_date', '=', TOMORROW)
			.where('mix.formula_id', '=', HARBOUR_DOUGH)
			.where('mix.ordinal', '=', 1)
			.orderBy('batch.id')
			.execute();
	const begun = await portions();
	assert.deepEqual(
		begun.map((portion) => `${portion.product_id} ${portion.pieces}`).sort(),
		first.portions.map(({ productId, pieces }) => `${productId} ${pieces}`).sort(),
		'its own portions, not those of another mix'
	);
	for (const portion of begun) {
		assert.equal(portion.ordinal, 1);
		assert.ok((portion.pieces ?? 0) > 0 && (portion.mass_g ?? 0) > 100 * (portion.pieces ?? 0));
	}
	await accept();
	assert.deepEqual(await portions(), begun, 'none of them is there twice');
});

test('a dough that nobody ordered is begun as heavy as it was told, up to what a mixer takes', async () => {
	const book = await loadFormulaBook(t.db);
	const pier = book.formulas.find(({ formula }) => formula.name === 'Old Pier dough');
	assert.ok(pier);
	const begin = async (grams: number) => {
		const told = await send(t.db, {
			kind: 'check-dough',
			batch: plannedMix(pier.formula.id, 1, pier.revisionId, grams),
			stage: 'autolyse',
			celsius: 20,
			instrument: 'typed',
			place: 'room',
			ambientCelsius: 22
		});
		return told.outcome === 'done' ? 'done' : told.refusal.kind;
	};
	assert.equal(await begin(90_000), 'more-than-a-mixer');
	assert.equal(await begin(25_000), 'done');
});

test('a batch is not begun under the revision of another recipe', async () => {
	const book = await loadFormulaBook(t.db);
	const revisionOf = (name: string) =>
		book.formulas.find(({ formula }) => formula.name === name)?.revisionId ?? '';
	const begin = async (batch: BatchName) => {
		const told = await send(t.db, {
			kind: 'measure-dough',
			batch,
			celsius: 25,
			waterCelsius: 18,
			instrument: 'typed',
			mixerId: null,
			program: null
		});
		return told.outcome === 'done' ? 'done' : told.refusal;
	};
	const harbour = revisionOf('Harbour dough');
	const sticks = revisionOf('Stick dough');
	assert.ok(harbour && sticks);
	assert.deepEqual(await begin(plannedMix(HARBOUR_DOUGH, 1, sticks, 20_000)), {
		kind: 'unknown',
		what: 'mix'
	});
	assert.equal(await begin(plannedMix(HARBOUR_DOUGH, 1, harbour, 20_000)), 'done');
	const levain = book.preparations.get(id<PreparationId>(LEVAIN));
	const poolish = book.preparations.get(id<PreparationId>(demoId('preparation', 'Poolish')));
	assert.ok(levain && poolish);
	const build = (revisionId: string): BatchName => ({
		kind: 'planned-preparation',
		date: TOMORROW,
		preparationId: id<PreparationId>(LEVAIN),
		ordinal: 1,
		revisionId,
		grams: 9000
	});
	assert.deepEqual(await begin(build(poolish.revisionId)), { kind: 'unknown', what: 'build' });
	assert.equal(await begin(build(levain.revisionId)), 'done');
});
