import { test } from 'node:test';
import assert from 'node:assert/strict';
import {
	costOf,
	costOfAlone,
	resolveAlone,
	costOfParts,
	resolveFormula,
	type Formula,
	type Ingredient,
	type ResolvedFormula
} from './index.ts';
import { id, type PreparationId } from '../identity.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

/** The oat loaf with a price on each kind of thing, or none at all. */
function priced(pricePerKilogram: number | null, change: Partial<Formula> = {}): ResolvedFormula {
	const ingredients = new Map(
		[...OAT_LOAF_PANTRY.ingredients].map(([key, ingredient]) => [
			key,
			{ ...ingredient, pricePerKilogram: ingredient.kind === 'water' ? null : pricePerKilogram }
		])
	);
	const found = resolveFormula({ ...OAT_LOAF, ...change }, { ...OAT_LOAF_PANTRY, ingredients });
	assert.ok(found.ok);
	return found.value;
}
const close = (actual: number | undefined, expected: number) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) < 1e-9,
		`${actual} is not ${expected}`
	);

const part = (resolved: ResolvedFormula, grams: number) => ({
	name: resolved.formula.name,
	weight: { grams },
	perKilogram: costOf(resolved).perKilogram
});

test('the doughs of a piece cost together what each costs by its weight', () => {
	const inside = priced(2);
	const outside = priced(5, { name: 'coloured' });
	const perKilogram = [inside, outside].map((dough) => costOf(dough).perKilogram?.value ?? NaN);
	const doughs = [part(inside, 400), part(outside, 100)];
	const [a = NaN, b = NaN] = perKilogram;
	assert.ok(a > 0 && Math.abs(b / a - 2.5) < 1e-9);
	close(costOfParts(doughs, 'piece')?.value, 0.4 * a + 0.1 * b);
	close(costOfParts(doughs.slice(0, 1), 'piece')?.value, 0.4 * a);
});

test('a dough without a price adds nothing, and a piece of such doughs alone has no cost', () => {
	const free = part(priced(null), 300);
	const paid = part(priced(2), 300);
	const cost = paid.perKilogram?.value ?? NaN;
	close(costOfParts([free, paid], 'piece')?.value, 0.3 * cost);
	assert.equal(costOfParts([free], 'piece'), null);
	assert.equal(costOfParts([], 'piece'), null);
});

test('a filling costs what is in it and what stays in the tub, and names what has no price', () => {
	const [flour, other, third] = [...OAT_LOAF_PANTRY.ingredients.values()].filter(
		({ kind }) => kind !== 'water'
	);
	assert.ok(flour && other && third, 'three ingredients that are not water');
	const ingredients = new Map(
		[
			{ ...flour, pricePerKilogram: 12 },
			{ ...other, pricePerKilogram: 1 },
			{ ...third, pricePerKilogram: null }
		].map((one) => [one.id, one])
	);
	const filling = (lines: readonly Ingredient[], loss: number) => {
		const alone = resolveAlone(
			{
				id: id<PreparationId>('filling'),
				name: 'filling',
				kind: 'filling',
				lines: lines.map((one) => ({
					material: { kind: 'ingredient', ingredientId: one.id },
					parts: 50
				})),
				buildLoss: { share: loss },
				takeBackGrams: 0
			},
			{ ...OAT_LOAF_PANTRY, ingredients }
		);
		assert.ok(alone.ok, 'made by itself');
		return costOfAlone(alone.value);
	};
	close(filling([flour, other], 0).perKilogram?.value, 6.5);
	close(filling([flour, other], 0.5).perKilogram?.value, 13);
	assert.deepEqual(filling([flour, third], 0).unpriced, [third.name]);
	assert.equal(filling([third], 0).perKilogram, null);
});
