import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { NEVER, type LagPrice } from './row.ts';
import { changed, kernel, LENGTH, row, within } from './rows.fixture.ts';

const times = fc.integer({ min: 0, max: LENGTH - 1 });
const few = fc.integer({ min: 0, max: 6 });
const prices = fc.array(fc.oneof(fc.integer({ min: 0, max: 90 }), fc.constant(NEVER)), {
	minLength: LENGTH,
	maxLength: LENGTH
});

/** A few units of time at the dear one come to more than 32 bits hold, as the whole of time does at the dearest there is. */
const each = fc.oneof(few, fc.constant(60_000_000));
/** A window with a stretch beyond both ends that costs more. */
const window = fc
	.tuple(few, few, few, each, each)
	.map(([least, toWish, toMost, price, outside]) => {
		const wish = least + toWish;
		const most = wish + toMost;
		return { least, wish, most, price, outside, hardLeast: least - 2, hardMost: most + 2 };
	});

function priceOf(lag: number, { least, most, wish, price, outside, ...hard }: LagPrice): number {
	if (lag < hard.hardLeast || lag > hard.hardMost) return NEVER;
	const inside = Math.min(Math.max(lag, least), most);
	return price * Math.abs(inside - wish) + outside * Math.abs(lag - inside);
}

const sum = (was: number, its: number) => Math.min(NEVER, was + its);

test('the price of a lag is added by its start, since an anchor or until it', () => {
	fc.assert(
		fc.property(prices, times, times, times, window, (a, from, to, anchor, lag) => {
			const latest = anchor + 8;
			row.set(a);
			kernel.addLagSince(row, from, to, anchor, latest, lag);
			const since = (t: number) => (t > latest ? NEVER : priceOf(t - anchor, lag));
			assert.deepEqual(
				[...row],
				changed(a, { from, to }, (was, t) => sum(was, since(t)))
			);
			row.set(a);
			kernel.addLagUntil(row, from, to, anchor, lag);
			const until = (t: number) => priceOf(anchor - t, lag);
			assert.deepEqual(
				[...row],
				changed(a, { from, to }, (was, t) => sum(was, until(t)))
			);
		})
	);
});

test('the best start after an anchor is the first of the cheapest, and cheaper than what is there', () => {
	fc.assert(
		fc.property(prices, times, times, times, window, (a, from, to, anchor, lag) => {
			row.set(a);
			const all = within(a, { from, to }).map(({ value, t }) => ({
				t,
				price: sum(value, priceOf(t - anchor, lag))
			}));
			const best = Math.min(80, ...all.map(({ price }) => price));
			const where = all.find(({ price }) => price === best && best < 80)?.t ?? -1;
			assert.equal(kernel.findNext(row, null, from, to, 80, anchor, lag), where);
			assert.equal(kernel.least, best);
		})
	);
});
