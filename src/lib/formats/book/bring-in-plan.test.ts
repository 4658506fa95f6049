import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { BookFile } from '../../contracts/book-file.ts';
import type { OurBook } from '../../contracts/bring-in-views.ts';
import { nameKey } from '../name-key.ts';
import { BOOK } from './book.fixture.ts';
import { bringInPlan } from './bring-in-plan.ts';
import type { Choices } from './brought.ts';
import { knownOf } from './known-of.ts';

const NOBODY: OurBook = {
	file: { ...BOOK, ingredients: [], preparations: [], formulas: [], products: [] },
	ids: { ingredients: [], preparations: [], formulas: [], products: [] },
	matched: []
};
const named = (all: readonly { readonly name: string }[]) =>
	all.map(({ name }) => ({ id: `our ${nameKey(name)}`, name }));
/** A bakery that has this book, and the plain things that it takes. */
const having = (file: BookFile): OurBook => ({
	file,
	ids: {
		ingredients: named([
			...file.ingredients,
			...['Water', 'Salt', 'Ripe culture', 'Rolled oats'].map((name) => ({ name }))
		]),
		preparations: named(file.preparations),
		formulas: named(file.formulas),
		products: named(file.products)
	},
	matched: []
});
const UNDECIDED: Choices = { names: new Map(), clashes: new Map() };
const plan = (
	file: BookFile,
	ours: OurBook,
	choices: Partial<Choices> = {},
	asked: readonly { readonly name: string; readonly usedIn: string }[] = []
) =>
	bringInPlan(
		{ file, asked },
		ours,
		{ ...UNDECIDED, ...choices },
		(of, key) => `new ${of} ${key}`,
		false
	);
const becomes = (made: ReturnType<typeof plan>) =>
	Object.fromEntries(made.things.map(({ of, name, becomes: { kind } }) => [`${of} ${name}`, kind]));

test('a bakery that has nothing is asked what plain names are, and then takes all of it', () => {
	const first = plan(BOOK, NOBODY);
	assert.equal(first.content, null);
	assert.deepEqual(
		first.unknown.map(({ name }) => name),
		['Ripe culture', 'Water', 'Salt', 'Rolled oats']
	);
	const names: Choices['names'] = new Map([
		['ripe culture', { asNew: 'culture' }],
		['water', { asNew: 'water' }],
		['salt', { asNew: 'salt' }],
		['rolled oats', { asNew: 'other' }]
	]);
	const { content } = plan(BOOK, NOBODY, { names });
	assert.ok(content);
	assert.deepEqual(
		content.ingredients.map(({ name, ingredientKind }) => [name, ingredientKind]),
		[
			['Bread flour', 'flour'],
			['Ripe culture', 'culture'],
			['Water', 'water'],
			['Salt', 'salt'],
			['Rolled oats', 'other']
		]
	);
	assert.deepEqual(content.formulas[0]?.lines[1]?.material, {
		kind: 'preparation',
		preparationId: 'new preparations quay levain'
	});
	assert.deepEqual(content.products[0]?.doughs, [
		{ formulaId: 'new formulas quay dough', scaledGrams: 900 }
	]);
	assert.deepEqual(content.matches, [], 'what is new needs no remembering');
});

test('what a bakery has as it is brings nothing, whatever its rooms and the case of names', () => {
	const warmer = structuredClone(BOOK) as { formulas: { steps: unknown[] }[] } & BookFile;
	for (const step of warmer.formulas[0]!.steps)
		if (step.kind === 'wait')
			for (const leg of step.legs)
				if (leg.place === 'room') Object.assign(leg, { ambientCelsius: 31 });
	const made = plan(warmer, having(BOOK));
	assert.equal(made.content, null);
	assert.ok(
		Object.values(becomes(made)).every((kind) => kind === 'stands'),
		JSON.stringify(becomes(made))
	);
});

test('another recipe of a name of ours comes under a free name, or ours is taken in its place', () => {
	const other: BookFile = {
		...BOOK,
		preparations: [
			{
				...BOOK.preparations[0]!,
				lines: BOOK.preparations[0]!.lines.map((line) =>
					line.of === 'Water' ? { ...line, parts: 60 } : line
				)
			}
		],
		formulas: [{ ...BOOK.formulas[0]!, name: 'Tide dough' }],
		products: []
	};
	const proposed = plan(other, having(BOOK));
	assert.equal(becomes(proposed)['preparations Quay levain'], 'clash');
	assert.deepEqual(
		proposed.content?.preparations.map(({ name }) => name),
		['Quay levain 2']
	);
	const material = (made: typeof proposed) => made.content?.formulas[0]?.lines[1]?.material;
	assert.deepEqual(material(proposed), {
		kind: 'preparation',
		preparationId: 'new preparations quay levain'
	});
	const ours = plan(other, having(BOOK), {
		clashes: new Map([['preparations quay levain', 'ours']])
	});
	assert.deepEqual(ours.content?.preparations, []);
	assert.deepEqual(material(ours), { kind: 'preparation', preparationId: 'our quay levain' });
});

test('a product of a dough that nobody has is told and left out', () => {
	const bare: BookFile = { ...BOOK, ingredients: [], preparations: [], formulas: [] };
	const made = plan(bare, NOBODY);
	assert.deepEqual(becomes(made), { 'products Quay round': 'without-dough' });
	assert.equal(made.content, null);
	const ours = plan(
		{ ...bare, products: [{ ...BOOK.products[0]!, name: 'Tide round' }] },
		having(BOOK)
	);
	assert.deepEqual(ours.content?.products[0]?.doughs, [
		{ formulaId: 'our quay dough', scaledGrams: 900 }
	]);
});

test('a name is matched to something of ours, remembered, and known the next time', () => {
	const named: BookFile = {
		...BOOK,
		ingredients: [],
		preparations: [],
		products: [],
		formulas: [
			{
				...BOOK.formulas[0]!,
				name: 'Lamp dough',
				lines: [
					{ of: 'Bread flour', is: 'ingredient', percentOfFlour: 90.9, addition: 'start' },
					{ of: 'ripe starter', is: 'ingredient', percentOfFlour: 20, addition: 'start' }
				]
			}
		]
	};
	const ours = having(BOOK);
	const asked = plan(named, ours);
	assert.deepEqual(asked.unknown, [
		{ key: 'ripe starter', name: 'ripe starter', usedIn: 'Lamp dough' }
	]);
	const levain = { is: 'preparation', id: 'our quay levain' } as const;
	const { content } = plan(named, ours, { names: new Map([['ripe starter', { ours: levain }]]) });
	const material = { kind: 'preparation', preparationId: 'our quay levain' };
	assert.deepEqual(content?.formulas[0]?.lines[1]?.material, material);
	assert.deepEqual(content?.matches, [{ name: 'ripe starter', material }]);
	const next = { ...ours, matched: [{ key: 'ripe starter', ...levain }] };
	assert.deepEqual(plan(named, next).unknown, []);
	const known = knownOf(next, new Map([['ripe starter', levain]])).get('ripe starter');
	assert.equal(known?.name, 'Quay levain');
	assert.ok(
		Math.abs((known?.flourShare ?? 0) - 50 / 110) < 1e-9,
		'its culture is no flour of ours here'
	);
	assert.deepEqual(
		plan({ ...named, formulas: [] }, ours, {}, [{ name: 'treacle', usedIn: '2 tbsp' }]).unknown.map(
			({ name }) => name
		),
		['treacle'],
		'what waits for a density is asked about too'
	);
});
