import { test } from 'node:test';
import assert from 'node:assert/strict';
import {
	costOf,
	costOfDoughs,
	resolveFormula,
	type Formula,
	type ResolvedFormula
} from './index.ts';
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

test('the doughs of a piece cost together what each costs by its weight', () => {
	const inside = priced(2);
	const outside = priced(5, { name: 'coloured' });
	const perKilogram = [inside, outside].map((dough) => costOf(dough).perKilogram?.value ?? NaN);
	const doughs = [
		{ resolved: inside, scaledWeight: { grams: 400 } },
		{ resolved: outside, scaledWeight: { grams: 100 } }
	];
	const [a = NaN, b = NaN] = perKilogram;
	assert.ok(a > 0 && Math.abs(b / a - 2.5) < 1e-9);
	close(costOfDoughs(doughs, 'piece')?.value, 0.4 * a + 0.1 * b);
	close(costOfDoughs(doughs.slice(0, 1), 'piece')?.value, 0.4 * a);
});

test('a dough without a price adds nothing, and a piece of such doughs alone has no cost', () => {
	const free = { resolved: priced(null), scaledWeight: { grams: 300 } };
	const paid = { resolved: priced(2), scaledWeight: { grams: 300 } };
	const cost = costOf(paid.resolved).perKilogram?.value ?? NaN;
	close(costOfDoughs([free, paid], 'piece')?.value, 0.3 * cost);
	assert.equal(costOfDoughs([free], 'piece'), null);
	assert.equal(costOfDoughs([], 'piece'), null);
});
