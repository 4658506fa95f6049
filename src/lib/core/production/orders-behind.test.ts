import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { close, day, demand, INPUT, large, small } from './oat-loaf-day.fixture.ts';
import { ingredientsOfDay, ordersBehind } from './index.ts';

test('an ingredient goes back to the orders that asked for it, by their dough', () => {
	const production = day({
		...INPUT,
		demands: [demand(large, 27), demand(large, 13, 0, 'shop'), demand(small, 24, 0, 'shop')]
	});
	const [flour] = ingredientsOfDay(production);
	assert.ok(flour);
	const { orders, otherGrams } = ordersBehind(production, flour.ingredientId);
	assert.deepEqual(
		orders.map(({ productId, dropId, pieces }) => [productId, dropId, pieces]),
		[
			['large', 'ferry', 27],
			['small', 'shop', 24],
			['large', 'shop', 13]
		]
	);
	const [ferry, , shop] = orders;
	assert.ok(ferry && shop);
	close(ferry.grams / shop.grams, 27 / 13, 0.02);
	const given = orders.reduce((total, { grams }) => total + grams, 0);
	close(given + otherGrams, flour.amount.grams, 1e-6);
});

test('nothing of any ingredient is lost on the way back, whatever is ordered', () => {
	const count = fc.integer({ min: 1, max: 60 });
	fc.assert(
		fc.property(count, count, count, fc.integer({ min: 0, max: 3 }), (a, b, c, late) => {
			const production = day({
				...INPUT,
				demands: [
					demand(large, a),
					demand(large, b, late * 3_600_000, 'shop'),
					demand(small, c, 0, 'shop')
				]
			});
			for (const { ingredientId, amount } of ingredientsOfDay(production)) {
				const { orders, otherGrams } = ordersBehind(production, ingredientId);
				const given = orders.reduce((total, { grams }) => total + grams, 0);
				close(given + otherGrams, amount.grams, 1e-6);
				assert.ok(otherGrams > -1e-6, 'nobody is given more than there is');
				assert.ok(orders.every(({ grams, pieces }) => grams > 0 && pieces > 0));
			}
		}),
		{ numRuns: 40 }
	);
});
