import { test } from 'node:test';
import assert from 'node:assert/strict';
import { given } from '../explain/index.ts';
import {
	buildFiguresOf,
	explainSeedRatio,
	resolveFormula,
	stagesInOrder,
	totalFlourFrom,
	type Formula,
	type Preparation
} from '../formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../identity.ts';
import { scaledBatch } from './index.ts';
import { close, FINE } from './oat-loaf-day.fixture.ts';

const of = (name: string) =>
	({ kind: 'ingredient', ingredientId: id<IngredientId>(name) }) as const;
const from = (name: string) =>
	({ kind: 'preparation', preparationId: id<PreparationId>(name) }) as const;
const build = (
	name: string,
	kind: Preparation['kind'],
	lines: readonly (readonly [Preparation['lines'][number]['material'], number])[],
	share = 0,
	takeBackGrams = 0
): Preparation => ({
	id: id<PreparationId>(name),
	name,
	kind,
	lines: lines.map(([material, parts]) => ({ material, parts })),
	buildLoss: { share },
	takeBackGrams
});
const FIRST = build(
	'first stage',
	'build',
	[
		[of('culture'), 4],
		[of('whole wheat'), 18],
		[of('water'), 18]
	],
	0.03,
	300
);
const FULL = build(
	'full sour',
	'build',
	[
		[from('first stage'), 16],
		[of('whole wheat'), 32],
		[of('water'), 24]
	],
	0.02
);
const SCALD = build('scald', 'scald', [
	[of('whole wheat'), 20],
	[of('water'), 50]
]);
const SCALDED = build('scalded sour', 'build', [
	[of('culture'), 10],
	[from('scald'), 70],
	[of('whole wheat'), 20],
	[of('water'), 10]
]);
const PANTRY = {
	...OAT_LOAF_PANTRY,
	preparations: new Map([FIRST, FULL, SCALD, SCALDED].map((one) => [one.id, one]))
};
const RYE: Formula = {
	...OAT_LOAF,
	id: id<FormulaId>('rye'),
	name: 'rye',
	lines: [
		{ material: from('full sour'), percentOfFlour: 72, addition: 'start' },
		{ material: of('whole wheat'), percentOfFlour: 60, addition: 'start' },
		{ material: of('water'), percentOfFlour: 40, addition: 'start' },
		{ material: of('salt'), percentOfFlour: 2, addition: 'start' }
	]
};

function resolved(formula: Formula) {
	const found = resolveFormula(formula, PANTRY);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
}

/** What the whole making of so much flour takes of an ingredient, and what it makes of the first stage. */
function needed(totalFlour: number) {
	const batch = scaledBatch(
		resolved(RYE),
		given({ key: 'total-flour' }, totalFlour, 'g', { kind: 'bakery' }),
		[{ least: { grams: 0 }, most: { grams: 1e9 } }],
		FINE
	);
	assert.ok(batch.ok);
	const lines = [
		...batch.value.mixes.flatMap((mix) => mix.lines),
		...batch.value.builds.flatMap((each) => each.lines)
	];
	return {
		rye: lines
			.filter(({ name }) => name === 'whole wheat')
			.reduce((total, line) => total + line.exact.value, 0),
		first:
			batch.value.builds.find(({ preparation }) => preparation.id === FIRST.id)?.gross.value ?? 0
	};
}

test('what is on hand is enough for the flour it scales to, with every loss and what is kept back on the way', () => {
	for (const [material, grams] of [
		[of('whole wheat'), 20_000],
		[from('first stage'), 9000]
	] as const) {
		const flour = totalFlourFrom({ kind: 'on-hand', material, onHand: { grams } }, resolved(RYE));
		assert.ok(flour.ok);
		const { rye, first } = needed(flour.value.value);
		close(material.kind === 'ingredient' ? rye : first, grams, 0.5);
	}
});

test('a mixer is filled by what is mixed: rolled-in fat is not in its bowl', () => {
	const laminated: Formula = {
		...RYE,
		lines: [
			{ material: of('bread flour'), percentOfFlour: 100, addition: 'start' },
			{ material: of('water'), percentOfFlour: 67, addition: 'start' },
			{ material: of('honey'), percentOfFlour: 50, addition: 'roll-in' }
		]
	};
	const flour = totalFlourFrom(
		{ kind: 'mixer-fill', mostDough: { grams: 30_000 }, fill: { share: 1 } },
		resolved(laminated)
	);
	assert.ok(flour.ok);
	close(flour.value.value, 30_000 / 1.67, 1e-6);
});

test('a scald inside a build is fresh: culture 10, scald 20 + 50, rye 20, water 10 is 1 : 4 : 6', () => {
	const dough: Formula = {
		...RYE,
		lines: [
			{ material: from('scalded sour'), percentOfFlour: 110, addition: 'start' },
			{ material: of('whole wheat'), percentOfFlour: 55, addition: 'start' }
		]
	};
	const stage = stagesInOrder(resolved(dough).final).find(({ name }) => name === 'scalded sour');
	assert.ok(stage);
	const { seedRatio } = buildFiguresOf(stage);
	close(seedRatio?.flour ?? 0, 4, 1e-9);
	close(seedRatio?.water ?? 0, 6, 1e-9);
	close(explainSeedRatio(stage, 'flour')?.value ?? 0, 4, 1e-9);
	close(explainSeedRatio(stage, 'water')?.value ?? 0, 6, 1e-9);
});
