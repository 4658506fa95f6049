import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type FormulaId, type IngredientId, type PreparationId } from '../identity.ts';
import {
	resolveFormula,
	type Formula,
	type FormulaLine,
	type Ingredient,
	type Preparation,
	type RipenessClock,
	type Step
} from '../formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { littleYeastForTimes } from './index.ts';

const named = (name: string) => {
	const found = [...OAT_LOAF_PANTRY.ingredients.values()].find((each) => each.name === name);
	assert.ok(found, name);
	return found;
};
const YEAST: Ingredient = {
	...named('salt'),
	id: id<IngredientId>('yeast'),
	name: 'yeast',
	kind: 'yeast',
	yeastFreshEquivalent: 1
};
const line = (ingredient: Ingredient, percentOfFlour: number): FormulaLine => ({
	material: { kind: 'ingredient', ingredientId: ingredient.id },
	percentOfFlour,
	addition: 'start'
});
const part = (ingredient: Ingredient, parts: number) => ({
	material: { kind: 'ingredient' as const, ingredientId: ingredient.id },
	parts
});
const bulk = (
	ripeMinutes: number,
	leavening: RipenessClock['leavening'] = 'bakers-yeast'
): Step => ({
	kind: 'wait',
	activity: 'bulk',
	legs: [],
	clock: {
		leavening,
		referenceCelsius: 26,
		underMinutes: ripeMinutes * 0.8,
		ripeMinutes,
		overMinutes: ripeMinutes * 1.3,
		carryShare: 0.5
	},
	foldsAtMinutes: [],
	foldsAtShares: []
});
function told(inDough: number, inPoolish: number, steps: readonly Step[], culture = 0) {
	const poolish: Preparation = {
		id: id<PreparationId>('poolish'),
		name: 'poolish',
		kind: 'build',
		lines: [
			part(named('bread flour'), 30),
			part(named('water'), 30),
			part(YEAST, Math.max(inPoolish, 1e-6))
		],
		buildLoss: { share: 0 },
		takeBackGrams: 0
	};
	const formula: Formula = {
		id: id<FormulaId>('plain'),
		name: 'plain',
		lines: [
			{
				material: { kind: 'preparation', preparationId: poolish.id },
				percentOfFlour: 60 + Math.max(inPoolish, 1e-6),
				addition: 'start'
			},
			line(named('bread flour'), 70 - culture / 2),
			line(named('water'), 35),
			line(named('salt'), 2),
			...(inDough > 0 ? [line(YEAST, inDough)] : []),
			...(culture > 0 ? [line(named('culture'), culture)] : [])
		],
		doughLoss: { share: 0 },
		deliveries: []
	};
	const resolved = resolveFormula(formula, {
		...OAT_LOAF_PANTRY,
		ingredients: new Map(OAT_LOAF_PANTRY.ingredients).set(YEAST.id, YEAST),
		preparations: new Map([[poolish.id, poolish]])
	});
	assert.ok(resolved.ok, JSON.stringify(resolved));
	return littleYeastForTimes(resolved.value, steps);
}

test('a pre-ferment that brings 0.03 % does not hush what is far too little', () => {
	const found = told(0, 0.03, [bulk(90)]);
	assert.ok(found);
	assert.ok(Math.abs(found.percent - 0.03) < 1e-6);
	assert.ok(Math.abs(found.usualPercent - 130 / 90) < 1e-9);
	assert.equal(found.minutes, 90);
});

test('what may well do is not told: half a percent for an hour and a half, a poolish alone for an afternoon', () => {
	assert.equal(told(0.5, 0, [bulk(90)]), null);
	assert.equal(told(0, 0.15, [bulk(240)]), null);
	assert.equal(told(0.1, 0, [bulk(600)]), null, 'a night');
	assert.ok(told(0.1, 0, [bulk(90)]), 'not in an hour and a half');
});

test('where a culture lifts, or nothing ferments by the clock of yeast, it is not judged', () => {
	assert.equal(told(0.01, 0, [bulk(90)], 5), null);
	assert.equal(told(0.01, 0, [bulk(90, 'sourdough')]), null);
	assert.equal(told(0.01, 0, []), null);
	const oat = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
	assert.ok(oat.ok);
	assert.equal(littleYeastForTimes(oat.value, [bulk(90)]), null);
});
