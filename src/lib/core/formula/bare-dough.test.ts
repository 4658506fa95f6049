import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type FormulaId, type PreparationId } from '../identity.ts';
import {
	addPreparation,
	correctWater,
	figuresOf,
	rebalance,
	removePreparation,
	resolveFormula,
	sanityNotes,
	type Formula,
	type Preparation
} from './index.ts';
import { OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const of = (name: string) => {
	const found = [...OAT_LOAF_PANTRY.ingredients.values()].find(
		(ingredient) => ingredient.name === name
	);
	assert.ok(found, name);
	return { kind: 'ingredient' as const, ingredientId: found.id };
};
/** A sponge that brings all the flour and all the water; the final dough only salts it. */
const SPONGE: Preparation = {
	id: id<PreparationId>('sponge'),
	name: 'sponge',
	kind: 'build',
	lines: [
		{ material: of('bread flour'), parts: 100 },
		{ material: of('water'), parts: 65 }
	],
	buildLoss: { share: 0.02 },
	takeBackGrams: 0
};
const SALTED: Formula = {
	id: id<FormulaId>('salted sponge'),
	name: 'salted sponge',
	lines: [
		{
			material: { kind: 'preparation', preparationId: SPONGE.id },
			percentOfFlour: 165,
			addition: 'start'
		},
		{ material: of('salt'), percentOfFlour: 2, addition: 'start' }
	],
	doughLoss: { share: 0.02 },
	deliveries: []
};
const PANTRY = { ...OAT_LOAF_PANTRY, preparations: new Map([[SPONGE.id, SPONGE]]) };
const resolved = resolveFormula(SALTED, PANTRY);

test('a final dough without flour or water of its own is a formula like any other', () => {
	assert.ok(resolved.ok);
	const figures = figuresOf(resolved.value);
	assert.ok(Math.abs(figures.hydration - 65) < 1e-9, `${figures.hydration}`);
	assert.ok(Math.abs(figures.prefermentedFlour - 100) < 1e-9);
	assert.ok(Math.abs(figures.salt - 2) < 1e-9);
	for (const note of sanityNotes(resolved.value, figures)) assert.ok(note.kind);
	for (const value of Object.values(figures))
		if (typeof value === 'number') assert.ok(Number.isFinite(value));
});

const hydrationOf = (formula: Formula, ...builds: readonly Preparation[]) => {
	const again = resolveFormula(formula, {
		...PANTRY,
		preparations: new Map([
			...PANTRY.preparations,
			...builds.map((build) => [build.id, build] as const)
		])
	});
	assert.ok(again.ok);
	return figuresOf(again.value).hydration;
};
const close = (actual: number, expected: number) =>
	assert.ok(Math.abs(actual - expected) < 1e-6, `${actual} is not ${expected}`);

test('more water makes a line of its own, and less than none is refused', () => {
	assert.ok(resolved.ok);
	const more = correctWater(resolved.value, 3);
	assert.ok(more.ok);
	close(hydrationOf(more.value), 68);
	assert.deepEqual(correctWater(resolved.value, -3), {
		ok: false,
		error: { kind: 'final-line-negative', line: 'water', percent: -3 }
	});
});

test('flour and water that leave the build come into the dough, and what it has not is refused', () => {
	const less = rebalance(SALTED, PANTRY, SPONGE.id, { kind: 'prefermented-flour', percent: 80 });
	assert.ok(less.ok);
	close(hydrationOf(less.value.formula, ...less.value.preparations), 65);
	assert.deepEqual(
		less.value.formula.lines.map((line) => line.percentOfFlour),
		[132, 2, 20, 13]
	);
	const wetter = rebalance(SALTED, PANTRY, SPONGE.id, { kind: 'hydration', percent: 70 });
	assert.deepEqual(wetter, {
		ok: false,
		error: { kind: 'final-line-negative', line: 'water', percent: -5 }
	});
});

test('a build that is taken out gives its flour and water back, also where the dough had neither', () => {
	assert.ok(resolved.ok);
	const plain = removePreparation(resolved.value, PANTRY, SPONGE);
	assert.ok(plain.ok);
	assert.deepEqual(
		plain.value.lines.map((line) => Math.round(line.percentOfFlour * 1e6) / 1e6),
		[2, 100, 65]
	);
	close(hydrationOf(plain.value), 65);
});

test('a build that brings water to a dough with none of its own to give up is refused by its water', () => {
	const poolish: Preparation = {
		...SPONGE,
		id: id<PreparationId>('poolish'),
		name: 'poolish',
		lines: [
			{ material: of('bread flour'), parts: 100 },
			{ material: of('water'), parts: 100 }
		]
	};
	const floured: Formula = {
		...SALTED,
		lines: [
			...SALTED.lines.map((line, at) => (at === 0 ? { ...line, percentOfFlour: 132 } : line)),
			{ material: of('bread flour'), percentOfFlour: 20, addition: 'start' }
		]
	};
	const pantry = {
		...PANTRY,
		preparations: new Map([...PANTRY.preparations, [poolish.id, poolish] as const])
	};
	const dough = resolveFormula(floured, pantry);
	assert.ok(dough.ok);
	assert.deepEqual(addPreparation(dough.value, pantry, poolish, 20), {
		ok: false,
		error: { kind: 'final-line-negative', line: 'water', percent: -10 }
	});
	assert.ok(resolved.ok);
	assert.deepEqual(addPreparation(resolved.value, pantry, poolish, 20), {
		ok: false,
		error: { kind: 'no-flour-to-balance' }
	});
});

test('the water of soakers, scalds and porridges is told apart, that of a build is not', () => {
	for (const [kind, apart] of [
		['soaker', true],
		['scald', true],
		['porridge', true],
		['build', false]
	] as const) {
		const preparations = new Map([[SPONGE.id, { ...SPONGE, kind }]]);
		const found = resolveFormula(SALTED, { ...PANTRY, preparations });
		assert.ok(found.ok, kind);
		close(figuresOf(found.value).hydrationWithoutSoakers, apart ? 0 : 65);
	}
});
