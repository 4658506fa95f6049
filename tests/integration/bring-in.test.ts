import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { bookFileSchema, type BookFile } from '../../src/lib/contracts/book-file.ts';
import type { BringIn } from '../../src/lib/contracts/bring-in.ts';
import { bringInPlan } from '../../src/lib/formats/book/bring-in-plan.ts';
import type { Choices } from '../../src/lib/formats/book/brought.ts';
import { knownOf } from '../../src/lib/formats/book/known-of.ts';
import { writeIngredientsCsv } from '../../src/lib/formats/book/write-ingredients-csv.ts';
import { writePreparationsCsv } from '../../src/lib/formats/book/write-preparations-csv.ts';
import { writeProductsCsv } from '../../src/lib/formats/book/write-products-csv.ts';
import { readAnyBook } from '../../src/lib/formats/book/read-any.ts';
import { writeBookCsv } from '../../src/lib/formats/book/write-csv.ts';
import { writeBookJson } from '../../src/lib/formats/book/book-json.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { bookAsFile } from '../../src/lib/server/services/book-as-file.ts';
import { readBringIn } from '../../src/lib/server/services/read-bring-in.ts';
import { emptyBakery } from './empty-bakery.ts';
import { send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const bytes = (text: string) => new TextEncoder().encode(text);
const oursNow = async () => (await readBringIn(t.db, TOMORROW)).ours;
async function planOf(text: string, choices: Partial<Choices> = {}) {
	const ours = await oursNow();
	const matches = new Map(ours.matched.map((one) => [one.key, one] as const));
	for (const [key, choice] of choices.names ?? [])
		if ('ours' in choice) matches.set(key, { key, ...choice.ours });
	const read = readAnyBook(bytes(text), 'from-afar.csv', knownOf(ours, matches));
	assert.ok(read.ok, JSON.stringify(read));
	const ids = new Map<string, string>();
	const made = bringInPlan(
		read.value,
		ours,
		{ names: new Map(), clashes: new Map(), ...choices },
		(of, key) => {
			const id = ids.get(`${of} ${key}`) ?? randomUUID();
			ids.set(`${of} ${key}`, id);
			return id;
		},
		read.value.file.ingredients.length === 0
	);
	return { ...made, problems: read.value.problems };
}
const take = (content: BringIn | null, id = String(randomUUID())) => {
	assert.ok(content, 'there is something to take');
	return send(t.db, { kind: 'bring-in', ...content }, { id });
};
const bookNow = async () => bookAsFile(await loadFormulaBook(t.db));

test('the demo book is a file by its schema, and read back into the bakery it came from it brings nothing', async () => {
	const book = await bookNow();
	assert.ok(book.formulas.length > 10 && book.products.length > 10 && book.preparations.length > 5);
	const checked = bookFileSchema.safeParse(book);
	assert.ok(checked.success, JSON.stringify(checked.error?.issues.slice(0, 3)));
	assert.deepEqual(checked.data, book, 'nothing is lost on the way');
	const { content, things } = await planOf(writeBookJson(book));
	assert.equal(
		content,
		null,
		JSON.stringify(things.filter(({ becomes }) => becomes.kind !== 'stands'))
	);
	// As tables too, as far as a table goes.
	for (const write of [writeBookCsv, writePreparationsCsv, writeIngredientsCsv, writeProductsCsv]) {
		const table = await planOf(write(book));
		assert.deepEqual(table.unknown, []);
		assert.ok(table.things.length > 5, 'there is something in it');
		assert.equal(
			table.content,
			null,
			JSON.stringify(table.things.filter(({ becomes }) => becomes.kind !== 'stands'))
		);
	}
});

test('a formula in ounces with one unknown name is matched, taken in one go, and can be made; the name is known from then on', async () => {
	const text = [
		'Formula;Stage;Ingredient;oz;When',
		'Gull rolls;Sponge;Strong white flour;8,8;',
		';Sponge;Water;8,8;',
		';Sponge;Instant yeast;0,035;',
		';;Strong white flour;26,45;',
		';;Water;15,9;',
		';;Salt;0,74;late'
	].join('\n');
	const asked = await planOf(text);
	assert.deepEqual(
		asked.unknown.map(({ name }) => name),
		['Strong white flour']
	);
	const flour = (await oursNow()).ids.ingredients.find(({ name }) => name === 'Bread flour');
	assert.ok(flour);
	const decided = await planOf(text, {
		names: new Map([['strong white flour', { ours: { is: 'ingredient', id: flour.id } }]])
	});
	assert.deepEqual(decided.problems, []);
	const id = randomUUID();
	const taken = await take(decided.content, id);
	assert.equal(taken.outcome, 'done', JSON.stringify(taken));
	assert.deepEqual(await take(decided.content, id), taken, 'taken twice it is taken once');
	const book = await bookNow();
	const rolls = book.formulas.find(({ name }) => name === 'Gull rolls');
	assert.deepEqual(
		rolls?.lines.map(({ of, percentOfFlour, addition }) => [
			of,
			Math.round(percentOfFlour * 10) / 10,
			addition
		]),
		[
			['Bread flour', 75, 'start'],
			['Water', 45.1, 'start'],
			['Salt', 2.1, 'late'],
			['Sponge', 50, 'start']
		]
	);
	assert.equal(book.preparations.find(({ name }) => name === 'Sponge')?.kind, 'build');
	const again = await planOf(text);
	assert.deepEqual(again.unknown, [], 'the name is known');
	assert.equal(again.content, null, 'and all of it stands');
	const twice = await take({ ...(decided.content as BringIn), formulas: [], products: [] });
	assert.deepEqual(twice.outcome === 'refused' && twice.refusal, { kind: 'id-used-before' });
});

test('what could not be made, is called like something, or takes from nothing is refused whole', async () => {
	const before = await bookNow();
	const ours = await oursNow();
	const [ingredient] = ours.ids.ingredients;
	const caustic = before.ingredients.find(({ kind }) => kind === 'caustic');
	const water = ours.ids.ingredients.find(({ name }) => name === 'Water');
	assert.ok(ingredient && caustic && water);
	const lye = ours.ids.ingredients.find(({ name }) => name === caustic.name);
	const content: BringIn = {
		ingredients: [],
		preparations: [],
		formulas: [],
		products: [],
		matches: []
	};
	const refusalOf = async (of: BringIn) => {
		const outcome = await take(of);
		return outcome.outcome === 'refused' ? outcome.refusal.kind : outcome.outcome;
	};
	const bath = (name: string, parts: number) => ({
		preparationId: randomUUID() as BringIn['preparations'][number]['preparationId'],
		name,
		preparationKind: 'bath' as const,
		buildLossShare: 0,
		takeBackGrams: 0,
		bath: null,
		lines: [
			{
				material: { kind: 'ingredient' as const, ingredientId: lye!.id as never },
				parts
			},
			{
				material: { kind: 'ingredient' as const, ingredientId: water.id as never },
				parts: 100 - parts
			}
		],
		steps: []
	});
	assert.equal(
		await refusalOf({ ...content, preparations: [bath('Far too strong', 9)] }),
		'formula-impossible'
	);
	const [there] = before.preparations;
	assert.equal(
		await refusalOf({ ...content, preparations: [bath(there?.name.toUpperCase() ?? '', 3)] }),
		'name-taken'
	);
	const nowhere = bath('Of nothing', 3);
	nowhere.lines[1]!.material = { kind: 'ingredient', ingredientId: randomUUID() as never };
	assert.equal(await refusalOf({ ...content, preparations: [nowhere] }), 'formula-impossible');
	assert.equal(
		await refusalOf({
			...content,
			preparations: [bath('Good bath', 3)],
			formulas: [
				{
					formulaId: randomUUID() as never,
					name: 'No flour at all',
					doughLossShare: 0,
					targetCelsius: 25,
					mostDoughGrams: null,
					steps: [],
					lines: [
						{
							material: { kind: 'ingredient', ingredientId: water.id as never },
							percentOfFlour: 70,
							addition: 'start'
						}
					]
				}
			]
		}),
		'formula-impossible'
	);
	assert.deepEqual(await bookNow(), before, 'nothing of it was written');
	assert.equal(await refusalOf({ ...content, preparations: [bath('Good bath', 3)] }), 'done');
});

test('handed to a bakery that begins with nothing, a formula reads back equal', async () => {
	const other = await emptyBakery();
	try {
		await other.found();
		const book = await loadFormulaBook(t.db);
		const loaf = book.formulas.find(({ formula }) => formula.name === 'Harbour dough');
		assert.ok(loaf);
		const file = bookAsFile(book, { formulaId: loaf.formula.id });
		assert.ok(file.products.length > 0 && file.preparations.length > 0);
		const ours = (await readBringIn(other.db, TOMORROW)).ours;
		const read = readAnyBook(bytes(writeBookJson(file)), 'harbour.json', new Map());
		assert.ok(read.ok);
		const { content } = bringInPlan(
			read.value,
			ours,
			{ names: new Map(), clashes: new Map() },
			() => randomUUID(),
			false
		);
		assert.ok(content);
		const taken = await other.say({ kind: 'bring-in', ...content });
		assert.equal(taken.outcome, 'done', JSON.stringify(taken));
		const there = bookAsFile(await loadFormulaBook(other.db));
		const plainly = (one: BookFile) => ({
			...one,
			// A room is as warm as the bakery it is in.
			formulas: one.formulas.map(({ steps: _, ...rest }) => rest),
			preparations: one.preparations.map(({ steps: _, ...rest }) => rest),
			products: one.products.map(({ steps: _, ...rest }) => rest)
		});
		assert.deepEqual(plainly(there).formulas, plainly(file).formulas);
		assert.deepEqual(plainly(there).products, plainly(file).products);
		for (const one of plainly(file).preparations)
			assert.deepEqual(
				plainly(there).preparations.find(({ name }) => name === one.name),
				one
			);
		for (const one of file.ingredients)
			assert.deepEqual(
				there.ingredients.find(({ name }) => name === one.name),
				one
			);
	} finally {
		await other.drop();
	}
});
