import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import Ajv from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { bookFileJsonSchema, type BookFile } from '../../contracts/book-file.ts';
import { NAMED_ADDITIONS, type Addition } from '../../core/formula/index.ts';
import { BOOK, KNOWN } from './book.fixture.ts';
import { writeBookCsv } from './write-csv.ts';
import { writeBookJson } from './book-json.ts';
import type { BookFailure, BookRead } from '../../contracts/book-problems.ts';
import { readAnyBook } from './read-any.ts';
import { writeRecipeJsonLd } from './write-recipe.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
function read(text: string, name = 'formulas.csv'): BookRead {
	const found = readAnyBook(bytes(text), name, KNOWN);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
}
function refused(text: string | Uint8Array): BookFailure {
	const found = readAnyBook(typeof text === 'string' ? bytes(text) : text, 'file', KNOWN);
	assert.ok(!found.ok, JSON.stringify(found).slice(0, 300));
	return found.error;
}
/** Lines as they matter: what, how much, when. */
const linesOf = ({ formulas }: BookFile, name?: string) =>
	(name === undefined ? formulas[0] : formulas.find((one) => one.name === name))?.lines.map(
		({ of, is, percentOfFlour, addition }) => [
			of,
			is,
			Math.round(percentOfFlour * 100) / 100,
			addition
		]
	);
const ajv = new Ajv({ strict: false });

test('the published schema is the one that reads, and a book that is written fits it', () => {
	const published: unknown = JSON.parse(
		readFileSync(new URL('../../../../docs/formats/book-1.schema.json', import.meta.url), 'utf8')
	);
	assert.deepEqual(published, bookFileJsonSchema());
	const fits = ajv.compile(published as object);
	assert.ok(fits(JSON.parse(writeBookJson(BOOK))), JSON.stringify(fits.errors));
	const wrong = { ...BOOK, formulas: [{ ...BOOK.formulas[0], lines: [] }] };
	assert.equal(fits(wrong), false);
	const when = structuredClone(BOOK) as unknown as {
		formulas: { lines: { addition: string }[] }[];
	};
	when.formulas[0]!.lines[0]!.addition = 'after-61';
	assert.equal(fits(when), false);
});

test('a book that is written as JSON reads back equal', () => {
	assert.deepEqual(read(writeBookJson(BOOK), 'book.json'), { file: BOOK, problems: [], asked: [] });
});

const name = fc
	.tuple(
		fc.constantFrom('Harbour', 'Quay', '=1+1 dough', 'Æble "brød"', 'Møn; rye', "O'Neil"),
		fc.nat(999)
	)
	.map(([word, at]) => `${word} ${at}`);
const percent = fc.integer({ min: 1, max: 9999 }).map((value) => value / 100);
const addition = fc.oneof(
	fc.constantFrom<Addition>(...NAMED_ADDITIONS),
	fc.integer({ min: 1, max: 60 }).map((minutes): Addition => `after-${minutes}`)
);
/** A dough whose flour comes to 100, with a build in it. */
const generated = fc
	.record({
		dough: name,
		build: name,
		water: percent,
		salt: percent,
		levain: fc.integer({ min: 2, max: 60 }),
		when: addition
	})
	.filter(({ dough, build }) => dough !== build)
	.map(({ dough, build, water, salt, levain, when }): BookFile => ({
		...BOOK,
		ingredients: [],
		products: [],
		preparations: [
			{
				...BOOK.preparations[0]!,
				name: build,
				lines: [
					{ of: 'Instant yeast', is: 'ingredient', parts: 0.5 },
					{ of: 'Whole rye flour', is: 'ingredient', parts: 100 },
					{ of: 'Water', is: 'ingredient', parts: 99.5 }
				]
			}
		],
		formulas: [
			{
				...BOOK.formulas[0]!,
				name: dough,
				lines: [
					{ of: 'Bread flour', is: 'ingredient', percentOfFlour: 100 - levain / 2, addition: when },
					{ of: build, is: 'preparation', percentOfFlour: levain, addition: 'start' },
					{ of: 'Water', is: 'ingredient', percentOfFlour: water, addition: 'start' },
					{ of: 'Salt', is: 'ingredient', percentOfFlour: salt, addition: 'late' }
				]
			}
		]
	}));

test('whatever formula is written, as JSON, as a table or as a recipe, reads back as it was', () => {
	fc.assert(
		fc.property(generated, (file) => {
			assert.deepEqual(read(writeBookJson(file)), { file, problems: [], asked: [] });
			const table = read(writeBookCsv(file));
			assert.deepEqual(table.problems, []);
			assert.deepEqual(linesOf(table.file), linesOf(file));
			assert.deepEqual(
				table.file.preparations.map(({ name: of, kind, lines }) => [of, kind, lines]),
				file.preparations.map(({ name: of, kind, lines }) => [of, kind, lines])
			);
			const [formula] = file.formulas;
			const recipe = read(writeRecipeJsonLd(formula!, file));
			assert.deepEqual(recipe.problems, []);
			// A recipe does not say when what goes in.
			const plainly = (of: BookFile) => linesOf(of)?.map(([what, is, much]) => [what, is, much]);
			assert.deepEqual(plainly(recipe.file), plainly(file));
		}),
		{ numRuns: 60 }
	);
});

test('a table of ounces with semicolons and commas is a formula in percent', () => {
	const { file, problems } = read(
		'Ingredient;oz\nBread flour;35,274\nWater;24,6918\nSalt;0,7408\n',
		'Gull rolls.csv'
	);
	assert.deepEqual(problems, []);
	assert.equal(file.formulas[0]?.name, 'Gull rolls');
	assert.deepEqual(linesOf(file), [
		['Bread flour', 'ingredient', 100, 'start'],
		['Water', 'ingredient', 70, 'start'],
		['Salt', 'ingredient', 2.1, 'start']
	]);
});

test('commas are what the numbers without doubt say of all of them; without such they are asked about', () => {
	const water = (first: string, second: string) =>
		read(`Ingredient,g\nBread flour,"${first}"\nWater,"${second}"`);
	assert.deepEqual(linesOf(water('1,250', '700.5').file)?.[1]?.[2], 56.04);
	assert.deepEqual(linesOf(water('1,250', '0,75').file)?.[1]?.[2], 60);
	assert.deepEqual(
		water('1,250', '700').problems.map(({ problem }) => problem.kind),
		['no-amount', 'no-flour']
	);
});

test('what a stage has is a preparation of its own and goes in whole; its flour counts', () => {
	const { file, problems } = read(
		[
			'Formula,Stage,Ingredient,Weight (g),When',
			'Pier loaf,Poolish,Bread flour,100,',
			',Poolish,Water,100,',
			',Poolish,Instant yeast,0.1,',
			',,Bread flour,500,',
			',Final dough,Water,350,held back',
			',,Salt,12,late'
		].join('\r\n')
	);
	assert.deepEqual(problems, []);
	assert.deepEqual(linesOf(file), [
		['Bread flour', 'ingredient', 83.33, 'start'],
		['Water', 'ingredient', 58.33, 'held-back'],
		['Salt', 'ingredient', 2, 'late'],
		['Poolish', 'preparation', 33.35, 'start']
	]);
	assert.equal(file.preparations[0]?.kind, 'build');
});

test('percents of the flour of the final dough are rewritten to all of it, and that is said', () => {
	const { file, problems } = read(
		'Formula,Stage,Ingredient,%\nA,Build,Bread flour,25\nA,Build,Water,25\nA,,Bread flour,100\nA,,Water,70'
	);
	assert.deepEqual(problems, [
		{ line: 2, problem: { kind: 'rewritten', formula: 'A', flourPercent: 125 } }
	]);
	assert.deepEqual(linesOf(file)?.[0], ['Bread flour', 'ingredient', 80, 'start']);
});

test('a home recipe with cups, one pre-ferment by its name and an unknown ingredient is read as far as it goes', () => {
	const { file, problems, asked } = read(
		JSON.stringify({
			'@graph': [
				{
					'@type': ['Recipe'],
					name: 'Lamp bread',
					recipeIngredient: [
						'1 cup of ripe culture',
						'1 lb 2 oz bread flour, sifted',
						'1½ cups water',
						'2 tsp salt',
						'3 eggs',
						'2 tbsp treacle',
						'a pinch of mace'
					]
				}
			]
		}),
		'lamp.json'
	);
	assert.deepEqual(
		problems.map(({ line, problem }) => [line, problem.kind]),
		[
			[5, 'counted'],
			[6, 'no-density'],
			[7, 'no-amount']
		]
	);
	assert.deepEqual(asked, [{ name: 'treacle', usedIn: '2 tbsp treacle' }]);
	// 510.3 g of flour and half of 225 g of culture.
	assert.deepEqual(linesOf(file), [
		['Ripe culture', 'ingredient', 36.13, 'start'],
		['Bread flour', 'ingredient', 81.94, 'start'],
		['Water', 'ingredient', 60.21, 'start'],
		['Salt', 'ingredient', 1.93, 'start']
	]);
});

test('stages of one name are shared where they are made alike, and told apart where they are not', () => {
	const row = (formula: string, flour: number) =>
		`${formula},Sponge,Bread flour,${flour}\n${formula},Sponge,Water,60\n${formula},,Bread flour,400\n${formula},,Water,200`;
	const { file } = read(
		`Formula,Stage,Ingredient,g\n${row('A', 100)}\n${row('B', 100)}\n${row('C', 120)}`
	);
	assert.deepEqual(
		file.preparations.map(({ name: of }) => of),
		['Sponge', 'Sponge (C)']
	);
	assert.ok(linesOf(file, 'C')?.some(([of]) => of === 'Sponge (C)'));
});

test('each wrong line is told by its number, and the others are taken', () => {
	const { file, problems } = read(
		[
			'Formula,Ingredient,Amount,Unit,When',
			'A,Bread flour,1,kg,',
			'A,,200,g,',
			'A,Water,"1,250",g,',
			'A,Salt,none,g,',
			'A,Rolled oats,2,cups,',
			'A,Water,600,ml,soon',
			'A,Salt,2,pinches,'
		].join('\n')
	);
	assert.deepEqual(
		problems.map(({ line, problem }) => [line, problem.kind]),
		[
			[3, 'no-name'],
			[4, 'no-amount'],
			[5, 'no-amount'],
			[6, 'no-density'],
			[7, 'no-such-time'],
			[8, 'counted']
		]
	);
	assert.deepEqual(linesOf(file), [
		['Bread flour', 'ingredient', 100, 'start'],
		['Water', 'ingredient', 60, 'start']
	]);
});

test('hostile files are refused with what is wrong, and never throw', () => {
	assert.equal(refused(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0, 0, 1)).kind, 'not-text');
	assert.equal(refused(Uint8Array.of(0xc3, 0x28, 0x61)).kind, 'not-text');
	assert.equal(refused(new Uint8Array(8_000_001)).kind, 'too-large');
	assert.equal(refused('{"format": "jovet-book"').kind, 'not-json');
	assert.equal(refused('[]').kind, 'another-format');
	assert.equal(refused('{"format":"jovet-book","version":9}').kind, 'newer-version');
	assert.equal(refused(`${'['.repeat(5000)}${']'.repeat(5000)}`).kind, 'too-deep');
	assert.equal(refused('a,b\n1,2').kind, 'no-columns');
	assert.equal(refused('Ingredient,g\n"flour,1').kind, 'not-a-table');
	const odd = `{"format":"jovet-book","version":1,"ingredients":[],"preparations":[],"products":[],"formulas":[],"__proto__":{"polluted":true}}`;
	assert.equal(refused(odd).kind, 'does-not-fit');
	assert.equal(({} as { polluted?: boolean }).polluted, undefined);
	const [formula] = BOOK.formulas;
	const wrong = refused(
		JSON.stringify({
			...BOOK,
			formulas: [{ ...formula, lines: [{ ...formula!.lines[0], percentOfFlour: -3 }] }]
		})
	);
	assert.ok(
		wrong.kind === 'does-not-fit' && wrong.where === 'formulas, Quay dough, lines 1, percentOfFlour'
	);
	// A cell that a spreadsheet would run is a name like any other, and written so that it stays one.
	const { file } = read("Formula,Ingredient,g\n'=cmd()|x,Bread flour,100");
	assert.equal(file.formulas[0]?.name, '=cmd()|x');
	assert.match(writeBookCsv(file), /'=cmd\(\)/);
	const ring =
		'Formula,Stage,Ingredient,g\nA,X,Y,10\nA,Y,X,10\nA,X,Bread flour,5\nA,,Bread flour,100';
	assert.ok(
		read(ring).file.formulas.length === 1,
		'stages that take from each other end somewhere'
	);
	fc.assert(
		fc.property(fc.uint8Array({ maxLength: 300 }), (noise) => {
			readAnyBook(noise, 'noise', KNOWN);
		})
	);
	const cell = fc.constantFrom(
		'',
		'Formula',
		'g',
		'%',
		'1/0',
		'½',
		'"',
		'\n',
		',',
		';',
		'9e99',
		'-1',
		'__proto__',
		'constructor',
		'Stage',
		'Ingredient'
	);
	fc.assert(
		fc.property(fc.array(cell, { maxLength: 40 }), (cells) => {
			readAnyBook(bytes(`Formula,Stage,Ingredient,g\n${cells.join(',')}`), 'noise', KNOWN);
		})
	);
});
