import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../identity.ts';
import { goesOf } from '../production/index.ts';
import {
	explainFigure,
	figuresOf,
	firstStepsOf,
	freshYeastPercent,
	hasOwnFlour,
	resolveFormula,
	type Formula,
	type Preparation
} from './index.ts';
import { OAT_LOAF_PANTRY as PANTRY } from './oat-loaf.fixture.ts';

const of = (name: string) => ({
	kind: 'ingredient' as const,
	ingredientId: id<IngredientId>(name)
});
const from = (name: string) => ({
	kind: 'preparation' as const,
	preparationId: id<PreparationId>(name)
});
const line = (material: Formula['lines'][number]['material'], percentOfFlour: number) => ({
	material,
	percentOfFlour,
	addition: 'start' as const
});
/** A dough of its own: 100 flour, 18 of it in the levain, 74.2 water, 2 salt. */
const BASE: Preparation = {
	id: id<PreparationId>('base dough'),
	name: 'base dough',
	kind: 'dough',
	lines: [
		{ material: of('bread flour'), parts: 82 },
		{ material: of('water'), parts: 58 },
		{ material: from('levain'), parts: 36 },
		{ material: of('salt'), parts: 2 }
	],
	buildLoss: { share: 0 },
	takeBackGrams: 0
};
const pantry = { ...PANTRY, preparations: new Map([...PANTRY.preparations, [BASE.id, BASE]]) };
const resolved = (...lines: Formula['lines']) => {
	const found = resolveFormula(
		{
			id: id<FormulaId>('taken'),
			name: 'taken',
			doughLoss: { share: 0 },
			deliveries: [],
			lines
		},
		pantry
	);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
};

test('a dough taken whole and coloured has the figures of the dough, its levain counted once', () => {
	const dark = resolved(line(from('base dough'), 178), line(of('rolled oats'), 6));
	const plain = resolved(
		line(of('bread flour'), 82),
		line(of('water'), 58),
		line(from('levain'), 36),
		line(of('salt'), 2),
		line(of('rolled oats'), 6)
	);
	const [taken, made] = [figuresOf(dark), figuresOf(plain)];
	assert.deepEqual(taken.allergens, made.allergens);
	for (const key of [
		'doughPercent',
		'hydration',
		'effectiveHydration',
		'salt',
		'prefermentedFlour',
		'wholegrain'
	] as const)
		assert.ok(Math.abs(taken[key] - made[key]) < 1e-9, `${key}: ${taken[key]}, ${made[key]}`);
	assert.ok(Math.abs(taken.prefermentedFlour - 18) < 1e-9);
	const told = explainFigure(dark, 'prefermentedFlour');
	assert.ok(Math.abs(told.value - 18) < 1e-9, 'the arithmetic comes to the same');
});

test('a dough taken in part brings its part of the levain', () => {
	const half = resolved(
		line(from('base dough'), 89),
		line(of('bread flour'), 50),
		line(of('water'), 30)
	);
	assert.ok(Math.abs(figuresOf(half).prefermentedFlour - 9) < 1e-9);
	assert.ok(Math.abs(figuresOf(half).salt - 1) < 1e-9);
	assert.equal(freshYeastPercent(half.final), null, 'a levain lifts with it');
});

test('it is told by its own flour, and begins with a mix on the mixer and no wait', () => {
	assert.ok(hasOwnFlour('dough') && hasOwnFlour('build') && !hasOwnFlour('soaker'));
	const steps = firstStepsOf('dough');
	assert.equal(steps.length, 1);
	const [mix] = steps;
	assert.ok(mix?.kind === 'hands-on' && mix.activity === 'mix' && mix.machine === 'mixer');
});

test('what no mixer takes whole is mixed in goes', () => {
	assert.equal(goesOf(70_000, 32_000), 3);
	assert.equal(goesOf(32_000, 32_000), 1);
	assert.equal(goesOf(64_000, 32_000), 2);
	assert.equal(goesOf(500, 0), 1, 'nothing is known of mixers');
});
