import { test } from 'node:test';
import assert from 'node:assert/strict';
import { given } from '../explain/index.ts';
import { resolveFormula, type Formula } from '../formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type BatchId, type FormulaId, type ProductId } from '../identity.ts';
import { scaledBatch, type ProductionInput } from './index.ts';
import { large, of, PRODUCTS, demand, FINE, INPUT, day, close } from './oat-loaf-day.fixture.ts';

test('more mixes than a night has room for are told at their dough, at once, and the others stand', () => {
	const other: Formula = { ...OAT_LOAF, id: id<FormulaId>('other loaf'), name: 'other loaf' };
	const third = id<ProductId>('third');
	const limits = [{ least: { grams: 0 }, most: { grams: 1600 } }];
	const input: ProductionInput = {
		...INPUT,
		products: [...PRODUCTS, of(third, 900, other.id)],
		formulas: [
			{ formula: OAT_LOAF, limits },
			{ formula: other, limits }
		],
		demands: [demand(large, 9999), demand(third, 3)]
	};
	const { doughs, unmade } = day(input);
	assert.deepEqual(
		doughs.map((dough) => [dough.resolved.formula.name, dough.mixes.length]),
		[['other loaf', 3]]
	);
	assert.deepEqual(
		unmade.map(({ name, reason }) => [name, reason.kind, 'mixes' in reason ? reason.mixes : 0]),
		[['oat loaf', 'beyond-the-house', 9999]]
	);
	// One piece a mix: as many mixes as pieces, found without trying every number before.
	const sixty = day({ ...input, demands: [demand(large, 60)] });
	assert.equal(sixty.doughs[0]?.mixes.length, 60);
	assert.ok(sixty.doughs[0]?.mixes.every((mix) => mix.portions[0]?.pieces === 1));
});

test('a date takes so many mixes in all: what asks for most is told first', () => {
	const names = ['a', 'b', 'c', 'd', 'e'];
	const limits = [{ least: { grams: 0 }, most: { grams: 1600 } }];
	const formulas = names.map((name) => ({
		formula: { ...OAT_LOAF, id: id<FormulaId>(name), name },
		limits
	}));
	const products = names.map((name) => of(id<ProductId>(name), 900, id<FormulaId>(name)));
	const { doughs, unmade } = day({
		...INPUT,
		formulas,
		products,
		demands: names.map((name, at) => demand(id<ProductId>(name), 56 + at))
	});
	assert.deepEqual(
		doughs.map((dough) => dough.mixes.length),
		[56, 57, 58, 59],
		'230 of 240'
	);
	assert.deepEqual(
		unmade.map(({ name, reason }) => [name, reason.kind]),
		[['e', 'beyond-the-house']]
	);
});

test('a formula scaled by itself makes no more mixes than a night has room for, however little the mixer takes', () => {
	const resolved = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
	assert.ok(resolved.ok);
	const flour = given({ key: 'total-flour' }, 10_000, 'g', { kind: 'bakery' });
	const at = (most: number) =>
		scaledBatch(resolved.value, flour, [{ least: { grams: 0 }, most: { grams: most } }], FINE);
	const ten = at(2101);
	assert.ok(ten.ok && ten.value.mixes.length === 10, 'ten kilos of flour are 21 010 g of dough');
	for (const most of [300, 0.5, 5e-324]) {
		const beyond = at(most);
		assert.ok(!beyond.ok && beyond.error.kind === 'beyond-the-house', String(most));
	}
});

test('a culture that gave away more than it had leaves nothing, never less', () => {
	const levain = day(INPUT).builds.find((build) => build.preparation.name === 'levain');
	assert.ok(levain);
	const tiny = {
		batchId: id<BatchId>('tiny'),
		ordinal: 1,
		stage: levain.stage,
		gross: { grams: 500 }
	};
	const builds = day({ ...INPUT, made: { mixes: [], preparations: [tiny] } }).builds.filter(
		(build) => build.preparation.name === 'levain'
	);
	// 500 g less the loss is below the 1 000 g kept back: a further build makes all that is needed.
	assert.equal(builds.length, 2);
	const further = builds.find((build) => build.made === null);
	close(further?.gross.value ?? 0, 8519.9 / 0.97, 0.1);
});
