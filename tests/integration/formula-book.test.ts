import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import { resolveAlone, resolveFormula } from '../../src/lib/core/formula/index.ts';
import {
	id,
	type FormulaId,
	type IngredientId,
	type PreparationId
} from '../../src/lib/core/identity.ts';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { bakeDayInput } from '../../src/lib/server/services/bake-day-input.ts';
import { loadBakeryDay } from '../../src/lib/server/services/day-production.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readIngredient } from '../../src/lib/server/services/read-ingredient.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPreparation } from '../../src/lib/server/services/read-preparation.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { preparationContent, productContent } from './book-content.ts';
import { heldPlan } from './placement.ts';
import {
	FERRY,
	HARBOUR_DOUGH,
	LEVAIN,
	LOAF,
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

type Content<K extends 'save-preparation' | 'save-product'> = CommandContent<K>;
const levainContent = () => preparationContent(t.db, LEVAIN);

test('the Saltmarrow book holds sixteen doughs that can be made, and uses every kind of thing', async () => {
	const book = await loadFormulaBook(t.db);
	assert.equal(book.formulas.length, 16);
	for (const { formula } of book.formulas) {
		const resolved = resolveFormula(formula, book.pantry);
		assert.ok(resolved.ok, `${formula.name}: ${JSON.stringify(resolved)}`);
	}
	for (const { preparation } of book.preparations.values())
		assert.ok(resolveAlone(preparation, book.pantry).ok, preparation.name);
	const kinds = new Set(
		[...book.preparations.values()].map((preparation) => preparation.preparation.kind)
	);
	assert.equal(kinds.size, 9, 'every kind of recipe');
	const additions = new Set(
		book.formulas.flatMap(({ formula }) => formula.lines.map((line) => line.addition))
	);
	for (const addition of ['autolyse', 'start', 'held-back', 'late', 'fold-in', 'roll-in'] as const)
		assert.ok(additions.has(addition), addition);
	assert.ok([...additions].some((addition) => addition.startsWith('after-')));
	const uses = new Set(book.products.flatMap(({ product }) => product.extras.map((x) => x.use)));
	assert.deepEqual([...uses].sort(), [
		'bath',
		'coating',
		'dusting',
		'filling',
		'glaze',
		'topping',
		'wash'
	]);
	assert.ok(book.products.some(({ product }) => product.doughs.length === 2));
});

test('a revision is compared with the builds it was saved with', async () => {
	const found = await readFormula(t.db, TOMORROW, demoId('formula', 'Tidemark dough'));
	assert.ok(found?.comparison);
	const names = (side: { readonly preparations: readonly { readonly name: string }[] }) =>
		side.preparations.map((preparation) => preparation.name).sort();
	assert.deepEqual(names(found.comparison.before), ['Wholemeal scald', 'Wholemeal sponge']);
	assert.deepEqual(names(found.comparison.after), ['Wholemeal scald', 'Wholemeal sponge']);
});

test('every day of the demo week is planned with nothing left out', async () => {
	for (const date of ['2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28', '2026-11-30']) {
		const day = await loadBakeryDay(t.db, date as BakeDate);
		assert.deepEqual(day.production.unmade, [], date);
		const input = bakeDayInput(day, [], []);
		const plan = heldPlan(input);
		assert.deepEqual([plan.unplaced, plan.cautions], [[], []], date);
		assert.deepEqual(plan.unplanned, [], date);
		for (const drop of plan.drops)
			assert.ok(drop.readyMs !== null && drop.readyMs <= drop.dueMs, `${date} ${drop.name}`);
	}
});

test('a build is saved on its own as a new revision; the second editor is told', async () => {
	const content = await levainContent();
	const done = await send(t.db, {
		kind: 'save-preparation',
		...content,
		takeBackGrams: 1500,
		buildLossShare: 0.05
	});
	assert.deepEqual(done, { outcome: 'done', answer: { revision: 2 } });
	const after = await levainContent();
	assert.deepEqual([after.takeBackGrams, after.buildLossShare], [1500, 0.05]);
	const second = await send(t.db, { kind: 'save-preparation', ...content });
	assert.deepEqual(second, {
		outcome: 'refused',
		refusal: { kind: 'newer-revision', name: 'Wheat levain', revision: 2, by: 'Maud Tarrow' }
	});
	const poolish = await send(t.db, { kind: 'save-preparation', ...after, name: 'Poolish' });
	assert.ok(
		poolish.outcome === 'refused' && poolish.refusal.kind === 'name-taken',
		JSON.stringify(poolish)
	);
	const nobody = await send(t.db, {
		kind: 'save-preparation',
		...after,
		preparationId: randomUUID(),
		name: 'Nobody'
	});
	assert.ok(
		nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown',
		JSON.stringify(nobody)
	);
});

test('a bath above the limit of the site is refused, and the limit is the bakery’s own', async () => {
	const lye = id<IngredientId>(demoId('ingredient', 'Caustic soda, food grade'));
	const water = id<IngredientId>(demoId('ingredient', 'Water'));
	const bath = (solid: number): Content<'save-preparation'> => ({
		preparationId: randomUUID(),
		expectedRevision: 0,
		name: `Bath of ${solid}`,
		preparationKind: 'bath',
		buildLossShare: 0,
		takeBackGrams: 0,
		lines: [
			{ material: { kind: 'ingredient', ingredientId: water }, parts: 100 - solid },
			{ material: { kind: 'ingredient', ingredientId: lye }, parts: solid }
		],
		steps: []
	});
	const strong = await send(t.db, { kind: 'save-preparation', ...bath(5) });
	assert.ok(
		strong.outcome === 'refused' && strong.refusal.kind === 'formula-impossible',
		JSON.stringify(strong)
	);
	assert.equal(strong.refusal.reason.kind, 'caustic-too-strong');
	const mild = await send(t.db, { kind: 'save-preparation', ...bath(2) });
	assert.deepEqual(mild, { outcome: 'done', answer: { revision: 1 } });
	await t.db.updateTable('bakery').set({ caustic_most_share: 0.01 }).execute();
	const now = await send(t.db, { kind: 'save-preparation', ...bath(2.5) });
	assert.ok(
		now.outcome === 'refused' && now.refusal.kind === 'formula-impossible',
		JSON.stringify(now)
	);
	await t.db.updateTable('bakery').set({ caustic_most_share: 0.04 }).execute();
});

test('a product of two doughs and a topping is saved as a revision, and what is unknown is refused', async () => {
	const content = await productContent(t.db, demoId('product', 'Two-light plait'));
	assert.equal(content.doughs.length, 2);
	const heavier = {
		...content,
		doughs: content.doughs.map((dough) => ({ ...dough, scaledGrams: dough.scaledGrams * 2 }))
	};
	const done = await send(t.db, { kind: 'save-product', ...heavier });
	assert.deepEqual(done, { outcome: 'done', answer: { revision: 2 } });
	assert.deepEqual(
		(await productContent(t.db, demoId('product', 'Two-light plait'))).doughs.map(
			(dough) => dough.scaledGrams
		),
		[520, 260]
	);
	const stale = await send(t.db, { kind: 'save-product', ...content });
	assert.ok(
		stale.outcome === 'refused' && stale.refusal.kind === 'newer-revision',
		JSON.stringify(stale)
	);
	const refusals = [
		{ doughs: [{ formulaId: id<FormulaId>(randomUUID()), scaledGrams: 10 }] },
		{ dividerId: randomUUID() },
		{ vesselId: randomUUID() },
		{
			extras: [
				{
					use: 'topping' as const,
					material: {
						kind: 'preparation' as const,
						preparationId: id<PreparationId>(randomUUID())
					},
					grams: 1,
					forPieces: 1
				}
			]
		}
	];
	for (const change of refusals) {
		const refused = await send(t.db, {
			kind: 'save-product',
			...content,
			...change,
			expectedRevision: 2
		});
		assert.ok(
			refused.outcome === 'refused' && refused.refusal.kind === 'unknown',
			JSON.stringify(refused)
		);
	}
	const made = await send(t.db, {
		kind: 'save-product',
		...content,
		productId: randomUUID(),
		expectedRevision: 0,
		name: 'Small plait'
	});
	assert.deepEqual(made, { outcome: 'done', answer: { revision: 1 } });
	const orders = await readOrders(t.db, TOMORROW);
	assert.equal(orders.products.at(-1)?.name, 'Small plait', 'a new product stands at the end');
	const [carries] = content.doughs;
	assert.ok(carries);
	const wrapped = randomUUID();
	const twice = await send(t.db, {
		kind: 'save-product',
		...content,
		productId: wrapped,
		expectedRevision: 0,
		name: 'Wrapped loaf',
		doughs: [350, 125].map((scaledGrams) => ({ ...carries, scaledGrams }))
	});
	assert.equal(twice.outcome, 'done', 'one dough may stand in a piece twice');
	assert.deepEqual(
		(await productContent(t.db, wrapped)).doughs.map(({ scaledGrams }) => scaledGrams),
		[350, 125]
	);
});

test('what is retired is no longer offered and goes on where it is', async () => {
	const retire = (what: CommandContent<'retire'>['what'], entityId: string, retired = true) =>
		send(t.db, { kind: 'retire', what, entityId, retired });
	assert.equal((await retire('product', LOAF)).outcome, 'done');
	const ordered = await readOrders(t.db, TOMORROW);
	assert.equal(
		ordered.products.find((product) => product.id === LOAF)?.retired,
		true,
		'still ordered'
	);
	const later = await readOrders(t.db, '2027-03-07' as BakeDate);
	assert.equal(
		later.products.find((product) => product.id === LOAF),
		undefined
	);
	const day = await loadBakeryDay(t.db, TOMORROW);
	assert.ok(
		day.production.doughs.some((dough) =>
			dough.products.some((product) => product.product.id === LOAF)
		),
		'what is ordered is baked'
	);
	await retire('product', LOAF, false);
	assert.equal((await retire('formula', HARBOUR_DOUGH)).outcome, 'done');
	assert.equal((await readFormula(t.db, TOMORROW, HARBOUR_DOUGH))?.retired, true);
	assert.equal((await retire('formula', HARBOUR_DOUGH, false)).outcome, 'done');
	const lost = await retire('build', randomUUID());
	assert.ok(lost.outcome === 'refused' && lost.refusal.kind === 'unknown', JSON.stringify(lost));
	assert.equal(FERRY.length, 36);
});

test('what is not in the book is none', async () => {
	assert.equal(await readPreparation(t.db, TOMORROW, randomUUID()), null);
	assert.equal(await readProduct(t.db, TOMORROW, randomUUID()), null);
	assert.equal(await readIngredient(t.db, TOMORROW, randomUUID()), null);
	assert.equal((await readPreparation(t.db, TOMORROW, null))?.preparation, null);
	assert.equal((await readProduct(t.db, TOMORROW, null))?.product, null);
	assert.equal((await readIngredient(t.db, TOMORROW, null))?.ingredient, null);
});
