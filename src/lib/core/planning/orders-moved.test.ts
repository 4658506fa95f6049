import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, FERRY_MS } from './harbour-day.fixture.ts';
import { limitsOfOrders, ordersMoved, type BakeDayInput } from './index.ts';

const begun = { mixedAtMs: FERRY_MS - 8 * 3_600_000, endedAtMs: null };
const [dough] = DAY.doughs;
const [levain] = DAY.builds;
const [first, second] = dough?.mixes ?? [];
if (!dough || !levain || !first || !second) throw new Error('the day has a dough in two mixes');

test('nothing moved is told as nothing', () => {
	assert.deepEqual(ordersMoved(DAY, DAY), { orders: [], recipes: [] });
});

test('a late order tells its number, the mix that grows and the pre-ferment that grows with it', () => {
	const after: BakeDayInput = {
		...DAY,
		orders: DAY.orders.map((order, at) => (at === 0 ? { ...order, pieces: 46 } : order)),
		builds: [{ ...levain, grams: 11_300 }],
		doughs: [{ ...dough, mixes: [{ ...first, grams: 33_200 }, second] }]
	};
	const moved = ordersMoved(DAY, after);
	assert.deepEqual(
		moved.orders.map(({ drop, product, before, after: now }) => [drop, product, before, now]),
		[['Ferry', 'Harbour round', 36, 46]]
	);
	assert.deepEqual(
		moved.recipes.map(({ kind, name, before, after: now }) => [kind, name, before, now]),
		[
			['mix', 'Harbour dough', { grams: 48_000, count: 2 }, { grams: 57_200, count: 2 }],
			['pre-ferment', 'Levain', { grams: 9800, count: 1 }, { grams: 11_300, count: 1 }]
		]
	);
	assert.deepEqual(moved.recipes[0]?.batches, [
		{ ordinal: 1, beforeGrams: 24_000, afterGrams: 33_200, begun: false },
		{ ordinal: 2, beforeGrams: 24_000, afterGrams: 24_000, begun: false }
	]);
});

test('what was begun stays, and what it lacks is a further one', () => {
	const fed = { ...levain, begun };
	const after: BakeDayInput = {
		...DAY,
		builds: [fed, { ...levain, ordinal: 2, grams: 1500 }]
	};
	const moved = ordersMoved({ ...DAY, builds: [fed] }, after);
	assert.deepEqual(
		moved.recipes.map(({ batches }) => batches),
		[
			[
				{ ordinal: 1, beforeGrams: 9800, afterGrams: 9800, begun: true },
				{ ordinal: 2, beforeGrams: null, afterGrams: 1500, begun: false }
			]
		]
	);
});

test('an order and a mix that are gone are told as gone', () => {
	const after: BakeDayInput = {
		...DAY,
		orders: DAY.orders.slice(0, 1),
		doughs: [{ ...dough, mixes: [first] }]
	};
	const moved = ordersMoved(DAY, after);
	assert.deepEqual(
		moved.orders.map(({ before, after: now }) => [before, now]),
		[[24, 0]]
	);
	assert.deepEqual(
		moved.recipes[0]?.batches.map(({ ordinal, afterGrams }) => [ordinal, afterGrams]),
		[
			[1, 24_000],
			[2, null]
		]
	);
});

test('baskets wanted twice, a product without a deck and hands beyond those there are told, with their figures', () => {
	const basket = { id: 'b', name: 'Round basket', holds: 1, until: 'loaded' as const };
	const withBaskets = (owned: number): BakeDayInput => ({
		...DAY,
		products: DAY.products.map((product) => ({ ...product, vessel: { ...basket, owned } }))
	});
	assert.deepEqual(limitsOfOrders(withBaskets(62)), []);
	assert.deepEqual(limitsOfOrders(withBaskets(61)), [
		{ kind: 'vessels', name: 'Round basket', owned: 61, wanted: 62 }
	]);
	const noDeck: BakeDayInput = {
		...DAY,
		products: DAY.products.map((product) => ({ ...product, piecesPerDeck: 0, deckIds: [] }))
	};
	assert.deepEqual(limitsOfOrders(noDeck), [{ kind: 'no-deck', product: 'Harbour round' }]);
	const there = (hours: number): BakeDayInput => ({
		...DAY,
		people: [
			{
				id: 'p',
				name: 'Ilo Venn',
				skills: ['mixing'],
				pacePercent: 100,
				there: [{ fromMs: FERRY_MS - hours * 3_600_000, toMs: FERRY_MS }]
			}
		]
	});
	assert.deepEqual(limitsOfOrders(there(10)), []);
	const short = limitsOfOrders(there(1));
	// 10 min of levain, 20 of each mix, 2 min + 62 x 10 s of dividing, and what comes after the oven.
	assert.deepEqual(short[0], { kind: 'hands', workMinutes: 73, thereMinutes: 60 });
	// Six loads of 42 min over two decks.
	assert.deepEqual(short[1], {
		kind: 'decks',
		loads: 6,
		decks: 2,
		minutesOfEach: 126,
		thereMinutes: 60
	});
	assert.deepEqual(limitsOfOrders({ ...there(0), drops: [] }), []);
});
