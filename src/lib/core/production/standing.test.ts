import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { addDays, weekdayOf, type BakeDate } from '../time/index.ts';
import { ordersOfDate } from './orders-of-date.ts';
import { firstOfWeekday, layOver, piecesStanding, type StandingStretch } from './standing.ts';

const BEGINNING = '2026-06-01' as BakeDate;
const day = (days: number) => addDays(BEGINNING, days);
const stretch = (from: number, until: number | null, pieces: number): StandingStretch => ({
	fromDate: day(from),
	untilDate: until === null ? null : day(until),
	pieces
});

test('a stretch laid over another leaves what was there before and after', () => {
	assert.deepEqual(layOver([stretch(0, null, 20)], stretch(9, 15, 30)), [
		stretch(0, 8, 20),
		stretch(9, 15, 30),
		stretch(16, null, 20)
	]);
	assert.deepEqual(
		layOver([stretch(0, null, 20)], stretch(9, null, 0)),
		[stretch(0, 8, 20)],
		'ended'
	);
	assert.deepEqual(
		layOver([stretch(0, 8, 20), stretch(9, 15, 30), stretch(16, null, 20)], stretch(9, 15, 20)),
		[stretch(0, null, 20)],
		'neighbours alike are one'
	);
});

const laid = fc
	.tuple(fc.nat(60), fc.option(fc.nat(30)), fc.nat(3))
	.map(([from, length, pieces]) => stretch(from, length === null ? null : from + length, pieces));

test('whatever is laid over whatever, each date has the last that was said of it, and nothing overlaps', () => {
	fc.assert(
		fc.property(fc.array(laid, { maxLength: 12 }), (all) => {
			const stretches = all.reduce<readonly StandingStretch[]>(layOver, []);
			for (let at = 0; at < 100; at += 1) {
				const said = all.findLast(
					({ fromDate, untilDate }) =>
						fromDate <= day(at) && (untilDate === null || untilDate >= day(at))
				);
				assert.equal(piecesStanding(stretches, day(at)), said?.pieces ?? 0);
			}
			for (const [at, { fromDate, untilDate, pieces }] of stretches.entries()) {
				const next = stretches[at + 1];
				assert.ok(pieces > 0, 'no pieces are no stretch');
				assert.ok(untilDate === null || untilDate >= fromDate, 'it ends after it begins');
				assert.ok(!next || (untilDate !== null && untilDate < next.fromDate), 'they lie apart');
			}
		})
	);
});

test('the first of a weekday is on it, and within a week', () => {
	fc.assert(
		fc.property(fc.nat(400), fc.integer({ min: 1, max: 7 }), (at, weekday) => {
			const first = firstOfWeekday(day(at), weekday);
			assert.equal(weekdayOf(first), weekday);
			assert.ok(first >= day(at) && first < day(at + 7), 'within the week');
		})
	);
});

const FERRY = { dropId: 'ferry', productId: 'loaf' };
const typed = (pieces: number | null) => ({ ...FERRY, pieces, version: 3 });

test('what is typed for a date goes before the standing order, no pieces too', () => {
	const standing = [{ ...FERRY, pieces: 24 }];
	const ordered = (pieces: number | null) => ordersOfDate([typed(pieces)], standing, () => true)[0];
	assert.deepEqual(ordered(30), { ...FERRY, pieces: 30, standing: 24, typed: true, version: 3 });
	assert.equal(ordered(0)?.pieces, 0, 'none on this date');
	assert.deepEqual(ordered(null), {
		...FERRY,
		pieces: 24,
		standing: 24,
		typed: false,
		version: 3
	});
});

test('a standing order counts for nothing where its drop does not go, a typed one does', () => {
	const standing = [{ ...FERRY, pieces: 24 }];
	assert.deepEqual(
		ordersOfDate([], standing, () => false),
		[]
	);
	assert.equal(ordersOfDate([typed(5)], standing, () => false)[0]?.pieces, 5);
	assert.equal(ordersOfDate([typed(null)], standing, () => false)[0]?.pieces, 0);
});

test('nothing that is ordered is lost, and nothing counts twice', () => {
	const id = fc.constantFrom('a', 'b', 'c');
	const orders = <T>(pieces: fc.Arbitrary<T>) =>
		fc.uniqueArray(fc.record({ dropId: id, productId: id, pieces }), {
			selector: ({ dropId, productId }) => `${dropId} ${productId}`
		});
	fc.assert(
		fc.property(
			orders(fc.option(fc.nat(99))),
			orders(fc.integer({ min: 1, max: 99 })),
			id,
			(lines, standing, away) => {
				const counts = ({ dropId }: { readonly dropId: string }) => dropId !== away;
				const found = ordersOfDate(
					lines.map((line) => ({ ...line, version: 1 })),
					standing,
					counts
				);
				const keys = found.map(({ dropId, productId }) => `${dropId} ${productId}`);
				assert.equal(new Set(keys).size, keys.length);
				const of = (
					all: readonly { readonly dropId: string; readonly productId: string }[],
					one: { readonly dropId: string; readonly productId: string }
				) => all.some((other) => other.dropId === one.dropId && other.productId === one.productId);
				const expected =
					lines.reduce((total, { pieces }) => total + (pieces ?? 0), 0) +
					standing
						.filter(
							(order) =>
								counts(order) &&
								!of(
									lines.filter(({ pieces }) => pieces !== null),
									order
								)
						)
						.reduce((total, { pieces }) => total + pieces, 0);
				assert.equal(
					found.reduce((total, { pieces }) => total + pieces, 0),
					expected
				);
			}
		)
	);
});
