import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { BatchName } from '../../src/lib/contracts/batch-name.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import {
	batchOf,
	HARBOUR_DOUGH,
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

test('a piece weighs what its doughs weigh together', async () => {
	const { products } = await readOrders(t.db, TOMORROW);
	const gramsOf = (name: string) => products.find((product) => product.name === name)?.scaledGrams;
	const rows = await t.db
		.selectFrom('product_revision_dough as dough')
		.innerJoin('product_revision as revision', 'revision.id', 'dough.revision_id')
		.select(['revision.name', 'dough.scaled_g'])
		.execute();
	const two = rows.filter((row) => row.name === 'Two-light plait');
	assert.equal(two.length, 2);
	assert.equal(
		gramsOf('Two-light plait'),
		two.reduce((total, mix) => total + Number(mix.scaled_g), 0)
	);
	assert.equal(gramsOf('Harbour loaf'), 900);
});

test('a sour is told what its first ripening favours, and a yeasted build is not', async () => {
	const { builds } = await readWater(t.db, TOMORROW, NOW_MS);
	const told = builds.map(({ name, favour }) => [
		name,
		favour?.favours ?? null,
		favour && Math.round(favour.times * 100) / 100
	]);
	assert.deepEqual(told, [
		['Rye sour, first stage', 'lift', 1.36],
		['Rye sour, full', 'acid', 1.19],
		['Poolish', null, null],
		['Wheat levain', 'lift', 1.35]
	]);
});

test('a new formula begins as a plain dough of the first flour, water and salt that are in use', async () => {
	const book = await loadFormulaBook(t.db);
	const flours = [...book.pantry.ingredients.values()].filter(
		(ingredient) => ingredient.kind === 'flour'
	);
	const [first] = flours.sort((a, b) => a.name.localeCompare(b.name));
	assert.ok(first);
	const beginning = async (name: string) => {
		const formulaId = randomUUID();
		const begun = await send(t.db, { kind: 'create-formula', formulaId, name });
		assert.equal(begun.outcome, 'done');
		const found = await readFormula(t.db, TOMORROW, formulaId);
		assert.ok(found);
		return found.formula.lines.map(({ material, percentOfFlour, addition }) => {
			assert.ok(material.kind === 'ingredient');
			const { name: ingredient = '', kind = 'other' } =
				book.pantry.ingredients.get(material.ingredientId) ?? {};
			return { ingredient, kind, percentOfFlour, addition };
		});
	};
	const lines = await beginning('Whelk beginning');
	assert.deepEqual(
		lines.map((line) => [line.kind, line.percentOfFlour, line.addition]),
		[
			['flour', 100, 'start'],
			['water', 65, 'start'],
			['salt', 2, 'start']
		]
	);
	assert.equal(lines[0]?.ingredient, first.name);
	// A flour that is retired is no beginning.
	await send(t.db, { kind: 'retire', what: 'ingredient', entityId: first.id, retired: true });
	const next = await beginning('Wrack beginning');
	assert.notEqual(next[0]?.ingredient, first.name);
	assert.equal(next[0]?.kind, 'flour');
	await send(t.db, { kind: 'retire', what: 'ingredient', entityId: first.id, retired: false });
});

test('a build names the other formulas that take from it, and not the one that is looked at', async () => {
	const names = new Map<string, readonly string[]>();
	const book = await loadFormulaBook(t.db);
	for (const { formula } of book.formulas)
		for (const { material } of formula.lines)
			if (material.kind === 'preparation')
				names.set(material.preparationId, [
					...(names.get(material.preparationId) ?? []),
					formula.name
				]);
	const found = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	assert.ok(found);
	let shared = 0;
	for (const { preparation, sharedWith } of found.preparations) {
		const direct = names.get(preparation.id) ?? [];
		for (const name of direct)
			if (name !== 'Harbour dough') assert.ok(sharedWith.includes(name), preparation.name);
		assert.ok(!sharedWith.includes('Harbour dough'), preparation.name);
		if (sharedWith.length > 0) shared += 1;
		if (preparation.name === 'Seed soaker') assert.deepEqual(sharedWith, []);
	}
	assert.ok(shared >= 2, `${shared} builds are shared`);
});

test('a levain ripens until the last dough that takes from it came out of the mixer', async () => {
	const night = await testDatabase();
	try {
		const { builds } = await readWater(night.db, TOMORROW, NOW_MS);
		const levain = builds.find((build) => build.name === 'Wheat levain');
		assert.ok(levain);
		const measure = (batch: BatchName, minutes: number) =>
			send(
				night.db,
				{
					kind: 'measure-dough',
					batch,
					celsius: 25,
					waterCelsius: null,
					instrument: 'core-probe',
					mixerId: null,
					program: null
				},
				{ minutes }
			);
		const standing = async () => {
			const { doughs } = await readRipening(night.db, TOMORROW, NOW_MS + 600 * 60_000);
			const found = doughs.find((dough) => dough.name === 'Wheat levain');
			return found && [found.mixed !== null, found.endedAtMs, found.lastMoveId];
		};
		assert.deepEqual(await standing(), [false, null, null]);
		assert.equal((await measure(levain.batch, 0)).outcome, 'done');
		assert.equal((await measure(await batchOf(night.db, HARBOUR_DOUGH, 1), 330)).outcome, 'done');
		assert.deepEqual(await standing(), [true, null, null], 'the second mix is still to come');
		assert.equal((await measure(await batchOf(night.db, HARBOUR_DOUGH, 2), 400)).outcome, 'done');
		assert.deepEqual(await standing(), [true, NOW_MS + 400 * 60_000, null]);
	} finally {
		await night.drop();
	}
});

test('the book tells what is made of each dough, and which dough a product takes', async () => {
	const found = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	const noteOf = (of: readonly { readonly name: string; readonly note: string }[], name: string) =>
		of.find((entry) => entry.name === name)?.note;
	assert.equal(
		noteOf(found?.book.formulas ?? [], 'Harbour dough'),
		'Harbour loaf, Harbour small, Harbour long'
	);
	assert.equal(noteOf(found?.book.formulas ?? [], 'Whelk beginning'), 'no product yet');
	assert.equal(noteOf(found?.book.products ?? [], 'Harbour small'), 'Harbour dough');
});
