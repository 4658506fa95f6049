import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { BookFile, FileIngredient } from '../../contracts/book-file.ts';
import type { BookRead } from '../../contracts/book-problems.ts';
import { INGREDIENT_KINDS } from '../../core/formula/index.ts';
import { BOOK, KNOWN } from './book.fixture.ts';
import { writeIngredientsCsv } from './write-ingredients-csv.ts';
import { writePreparationsCsv } from './write-preparations-csv.ts';
import { writeProductsCsv } from './write-products-csv.ts';
import { readAnyBook } from './read-any.ts';
import { writeBookCsv } from './write-csv.ts';

function read(text: string): BookRead {
	const found = readAnyBook(new TextEncoder().encode(text), 'table.csv', KNOWN);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
}
const kindsOf = ({ problems }: BookRead) =>
	problems.map(({ line, problem }) => [line, problem.kind]);

const percent = fc.integer({ min: 0, max: 2500 }).map((value) => value / 10_000);
const ingredient: fc.Arbitrary<FileIngredient> = fc.record({
	name: fc
		.tuple(fc.constantFrom('Flour', '=rye', "O'Neil's salt", 'Æble; "brød"'), fc.nat(9999))
		.map(([word, at]) => `${word} ${at}`),
	kind: fc.constantFrom(...INGREDIENT_KINDS),
	composition: fc.record({
		flour: percent,
		water: percent,
		fat: percent,
		sugar: percent,
		wholegrainOfFlour: percent
	}),
	yeastFreshEquivalent: fc.constantFrom(0, 1, 2.5),
	allergens: fc.uniqueArray(fc.constantFrom('gluten', 'milk', 'sesame'), { maxLength: 3 }),
	heatCapacity: fc.constantFrom(1.76, 2.4, 4.18),
	density: fc.option(fc.constantFrom(0.55, 1, 1.42)),
	purityShare: fc.constantFrom(1, 0.985),
	rolling: fc.option(fc.constant({ fromCelsius: 13, toCelsius: 18.5, meltsAtCelsius: 28 }))
});

test('whatever ingredients are written as a table read back as they were', () => {
	fc.assert(
		fc.property(
			fc.uniqueArray(ingredient, {
				maxLength: 8,
				selector: ({ name }) => name.toLowerCase()
			}),
			(ingredients) => {
				const found = read(writeIngredientsCsv({ ingredients }));
				assert.deepEqual(found.problems, []);
				assert.deepEqual(found.file.ingredients, structuredClone(ingredients));
			}
		),
		{ numRuns: 60 }
	);
});

test('ingredients of somebody else: what is left empty is usual, degrees Fahrenheit are turned, what cannot be is told', () => {
	const found = read(
		[
			'Name;Kind;Water (%);Rolls out from (°F);Rolls out to;Melts at (°F);Density',
			'Shore butter;fat;16,5;55,4;64.4 F;82,4;',
			'Buckwheat honey;other;17;;;;1,42',
			'Salt flakes;crystal;;;;;',
			';flour;;;;;',
			'Odd fat;fat;;68;60;90;',
			'Malt;other;much;;;;',
			'Malt;other;;;;;'
		].join('\n')
	);
	const [butter, honey, malt] = found.file.ingredients;
	assert.deepEqual(butter?.rolling, { fromCelsius: 13, toCelsius: 18, meltsAtCelsius: 28 });
	assert.deepEqual([butter?.composition.water, butter?.composition.fat], [0.165, 0.835]);
	assert.deepEqual([honey?.density, honey?.kind], [1.42, 'other']);
	assert.equal(malt?.composition.water, 0);
	assert.deepEqual(kindsOf(found), [
		[4, 'no-such-ingredient-kind'],
		[5, 'no-name'],
		[6, 'cannot-be'],
		[7, 'no-number'],
		[8, 'twice']
	]);
});

test('products that are written as a table read back with their parts and figures', () => {
	const products: BookFile['products'] = [
		{
			...BOOK.products[0]!,
			doughs: [
				{ formula: 'Quay dough', scaledGrams: 350.5 },
				{ formula: 'Dark dough', scaledGrams: 125 }
			],
			extras: [
				{ use: 'topping', of: 'Rolled oats', is: 'ingredient', grams: 8, forPieces: 1 },
				{ use: 'bath', of: 'Rolled oats', is: 'ingredient', grams: 4000, forPieces: 60 }
			]
		},
		{ ...BOOK.products[0]!, name: '=twist', extras: [], bakedGrams: null }
	];
	const found = read(writeProductsCsv({ products }));
	assert.deepEqual(found.problems, []);
	const parts = ({
		name,
		doughs,
		extras,
		bakedGrams,
		bakeLossShare,
		sparesShare,
		shape
	}: (typeof products)[number]) => ({
		name,
		doughs,
		extras,
		bakedGrams,
		bakeLossShare,
		sparesShare,
		shape
	});
	assert.deepEqual(found.file.products.map(parts), products.map(parts));
});

test('preparations that are written as a table read back with their lines and figures', () => {
	const preparations: BookFile['preparations'] = [
		BOOK.preparations[0]!,
		{
			...BOOK.preparations[0]!,
			name: 'Quay bath',
			kind: 'bath',
			buildLossShare: 0,
			takeBackGrams: 0,
			bath: { dipSeconds: 25, renewAfterMinutes: null },
			lines: [
				{ of: 'Water', is: 'ingredient', parts: 970 },
				{ of: 'Salt', is: 'ingredient', parts: 30 }
			]
		},
		{
			...BOOK.preparations[0]!,
			name: '=second build',
			lines: [
				{ of: 'Quay levain', is: 'preparation', parts: 20 },
				{ of: 'Bread flour', is: 'ingredient', parts: 100 }
			]
		}
	];
	const found = read(writePreparationsCsv({ preparations }));
	assert.deepEqual(found.problems, []);
	const face = ({ steps: _, ...one }: (typeof preparations)[number]) => one;
	assert.deepEqual(found.file.preparations.map(face), preparations.map(face));
});

test('preparations of somebody else: ounces, a kind nobody knows, and one with nothing in it', () => {
	const found = read(
		[
			'Preparation;Kind;Of;Weight (oz)',
			'Night sponge;;Bread flour;10,5',
			';;Water;10,5',
			';;Instant yeast;0,02',
			'Odd thing;gravy;Rolled oats;3',
			'Bare;;Water;some'
		].join('\n')
	);
	assert.deepEqual(
		found.file.preparations.map(({ name, kind, lines }) => [name, kind, lines.length]),
		[
			['Night sponge', 'build', 3],
			['Odd thing', 'soaker', 1]
		]
	);
	assert.deepEqual(kindsOf(found), [
		[5, 'no-such-kind'],
		[6, 'no-amount'],
		[6, 'nothing-in-it']
	]);
});

test('products of somebody else: ounces, a part nobody knows, and one without a dough', () => {
	const found = read(
		[
			'Product,Part,Of,Weight (oz),Lost in the oven (%)',
			'Quay round,,Quay dough,31.75,13',
			',topping,Rolled oats,0.5,',
			',ribbon,Rolled oats,1,',
			',,Quay dough,heavy,',
			'Bare round,topping,Rolled oats,1,'
		].join('\n')
	);
	const [round] = found.file.products;
	assert.equal(Math.round(round?.doughs[0]?.scaledGrams ?? 0), 900);
	assert.equal(round?.bakeLossShare, 0.13);
	assert.equal(round?.extras.length, 1);
	assert.equal(found.file.products.length, 1);
	assert.deepEqual(kindsOf(found), [
		[4, 'no-such-part'],
		[5, 'no-amount'],
		[6, 'no-dough']
	]);
});

test('the temperature of a dough goes along in a table, and comes in Fahrenheit too', () => {
	assert.equal(read(writeBookCsv(BOOK)).file.formulas[0]?.targetCelsius, 25.5);
	const inFahrenheit = (cell: string, head: string) =>
		read(`Ingredient,Percent,${head}\nBread flour,100,${cell}\nWater,70,\n`);
	assert.equal(inFahrenheit('77', 'Dough temperature (°F)').file.formulas[0]?.targetCelsius, 25);
	assert.equal(inFahrenheit('77 °F', 'Dough temp').file.formulas[0]?.targetCelsius, 25);
	const hot = inFahrenheit('177', 'Dough temperature (°F)');
	assert.deepEqual(kindsOf(hot), [[2, 'no-number']]);
	assert.equal(hot.file.formulas.length, 1);
});
