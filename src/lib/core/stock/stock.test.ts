import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { addDays, type BakeDate } from '../time/index.ts';
import {
	lastDelivery,
	nextDelivery,
	onHand,
	stockAhead,
	toOrder,
	type StockNeed
} from './index.ts';

/** A Tuesday. */
const TODAY = '2026-11-24' as BakeDate;
const day = (days: number) => addDays(TODAY, days);
const need = (days: number, kilograms: number, ...takers: string[]): StockNeed => ({
	date: day(days),
	grams: kilograms * 1000,
	takers
});

test('what is on hand is what was counted, and what came and went since', () => {
	const since = {
		countedGrams: 80_000,
		receivedGrams: 25_000,
		takenOutGrams: 1000,
		usedGrams: 40_000
	};
	assert.equal(onHand(since), 64_000);
	assert.equal(onHand({ ...since, countedGrams: null }), null, 'never counted is not known');
});

test('the first night that is not covered is told, with all that it stops', () => {
	const ahead = stockAhead(100_000, [
		need(0, 40, 'Harbour dough'),
		need(1, 40, 'Stick dough'),
		need(2, 40, 'Harbour dough', 'Biga'),
		need(3, 0)
	]);
	assert.equal(ahead.shortOn, day(2));
	assert.equal(ahead.missingGrams, 20_000);
	assert.deepEqual(ahead.stops, ['Harbour dough', 'Biga']);
	assert.deepEqual(
		ahead.left.map(({ grams }) => grams),
		[60_000, 20_000, -20_000, -20_000]
	);
	assert.deepEqual(stockAhead(0, [need(0, 0)]), {
		left: [{ date: day(0), grams: 0 }],
		shortOn: null,
		missingGrams: 0,
		stops: []
	});
});

test('what is left after a date is what was there less all that was taken, and a night is short only below nothing', () => {
	const needs = fc.array(fc.nat(50), { minLength: 1, maxLength: 14 });
	fc.assert(
		fc.property(fc.nat(200), needs, (kilograms, nights) => {
			const all = nights.map((night, at) => need(at, night, 'dough'));
			const ahead = stockAhead(kilograms * 1000, all);
			const taken = nights.reduce((total, night) => total + night, 0) * 1000;
			assert.equal(ahead.left.at(-1)?.grams, kilograms * 1000 - taken);
			assert.equal(ahead.shortOn !== null, taken > kilograms * 1000);
			assert.equal(ahead.missingGrams, Math.max(0, taken - kilograms * 1000));
		})
	);
});

test('packs cover what is missing and what is kept, and no pack too many', () => {
	const missing = {
		ingredientId: 'flour',
		name: 'Bread flour',
		leftGrams: -61_000,
		shortOn: day(3),
		packGrams: 25_000,
		leastGrams: 10_000
	};
	assert.deepEqual(toOrder([missing]), [
		{
			ingredientId: 'flour',
			name: 'Bread flour',
			leftGrams: -61_000,
			orderGrams: 75_000,
			packs: 3,
			shortOn: day(3)
		}
	]);
	assert.equal(toOrder([{ ...missing, packGrams: null }])[0]?.orderGrams, 71_000);
	fc.assert(
		fc.property(
			fc.integer({ min: -99_999, max: 99_999 }),
			fc.nat(99_999),
			(leftGrams, leastGrams) => {
				const [order] = toOrder([{ ...missing, leftGrams, leastGrams }]);
				const wanted = leastGrams - leftGrams;
				if (wanted <= 0) assert.equal(order, undefined, 'there is enough');
				else assert.ok(order && order.orderGrams >= wanted && order.orderGrams - wanted < 25_000);
			}
		)
	);
});

test('the last delivery before it is wanted is told while it can still be ordered', () => {
	const wednesdays = { weekdays: [3], daysAhead: 1 };
	// Wanted for Friday's bread, which is begun on Thursday.
	assert.deepEqual(lastDelivery(wednesdays, day(3), TODAY), { comesOn: day(1), orderBy: TODAY });
	assert.equal(lastDelivery(wednesdays, day(3), day(1)), null, 'on Wednesday it is too late');
	assert.deepEqual(nextDelivery(wednesdays, day(1)), { comesOn: day(8), orderBy: day(7) });
	assert.deepEqual(nextDelivery(wednesdays, TODAY), { comesOn: day(1), orderBy: TODAY });
	assert.equal(nextDelivery({ weekdays: [], daysAhead: 0 }, TODAY), null);
	assert.equal(lastDelivery({ weekdays: [], daysAhead: 0 }, day(40), TODAY), null);
});
