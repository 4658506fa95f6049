import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { NEVER, type LagPiece } from './row.ts';
import {
	LENGTH,
	kernel,
	row,
	other,
	third,
	into,
	met,
	units,
	room,
	short,
	changed,
	within
} from './rows.fixture.ts';

/** Prices of which many are the same, and some cannot be. */
const prices = fc.array(
	fc.oneof({ weight: 4, arbitrary: fc.integer({ min: 0, max: 12 }) }, fc.constant(NEVER)),
	{ minLength: LENGTH, maxLength: LENGTH }
);
const times = fc.array(fc.integer({ min: 0, max: LENGTH }), {
	minLength: LENGTH,
	maxLength: LENGTH
});
/** Stretches of all lengths, empty ones too. */
const stretch = fc
	.tuple(fc.integer({ min: 0, max: LENGTH - 1 }), fc.integer({ min: -1, max: LENGTH - 1 }))
	.map(([from, to]) => ({ from, to: Math.max(to, from - 1) }));
const limit = fc.integer({ min: -2, max: 26 });

/** A property of some values together. */
const holds = <T extends readonly unknown[]>(
	given: { readonly [K in keyof T]: fc.Arbitrary<T[K]> },
	check: (...values: T) => void
) =>
	fc.assert(
		fc.property(fc.tuple(...given) as unknown as fc.Arbitrary<T>, (v) => check(...v)),
		{
			numRuns: 500
		}
	);

test('rows are filled, copied and added between both ends, and nowhere else', () => {
	holds<[number[], number[], { from: number; to: number }, number]>(
		[prices, prices, stretch, fc.integer({ min: -1, max: NEVER })],
		(a, b, at, value) => {
			row.set(a);
			kernel.fill(row, value, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, () => value)
			);
			row.set(a);
			other.set(b);
			kernel.copy(row, other, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, (_, t) => b[t] ?? 0)
			);
			row.set(a);
			kernel.add(row, other, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, (was, t) => Math.min(NEVER, was + (b[t] ?? 0)))
			);
			row.set(a);
			kernel.lesser(row, other, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, (was, t) => Math.min(was, b[t] ?? 0))
			);
			assert.deepEqual([...other], b);
		}
	);
});

test('what costs more than the limit is left out, and the first and last that are left are told', () => {
	holds<[number[], number[], { from: number; to: number }, number, number]>(
		[prices, prices, stretch, limit, fc.integer({ min: 0, max: 5 })],
		(a, b, { from, to }, most, off) => {
			const at = { from, to: Math.min(to, LENGTH - 1 - off) };
			const told = (left: readonly number[]) => {
				const kept = within(left, at).filter(({ value }) => value !== NEVER);
				assert.equal(kernel.first, kept[0]?.t ?? Math.max(at.to + 1, at.from));
				assert.equal(kernel.last, kept.at(-1)?.t ?? at.from - 1);
			};
			row.set(a);
			kernel.keepWithin(row, at.from, at.to, most);
			const kept = changed(a, at, (was) => (was > most ? NEVER : was));
			assert.deepEqual([...row], kept);
			told(kept);
			row.set(a);
			other.set(b);
			kernel.addWithin(row, other, off, at.from, at.to, most);
			const added = changed(a, at, (was, t) => {
				const all = was + (b[t + off] ?? 0);
				return all > most ? NEVER : all;
			});
			assert.deepEqual([...row], added);
			told(added);
		}
	);
});

test('a message is added to what is known, with the prices of one’s own or without', () => {
	holds<[number[], number[], number[], { from: number; to: number }, number, boolean]>(
		[prices, prices, prices, stretch, limit, fc.boolean()],
		(a, b, c, at, most, alone) => {
			row.set(a);
			other.set(b);
			third.set(c);
			const least = kernel.addKnown(row, other, 0, alone ? null : third, at.from, at.to, most);
			const sums = changed(a, at, (was, t) => Math.min(NEVER, was + (b[t] ?? 0)));
			assert.deepEqual([...row], sums);
			const found = within(sums, at)
				.map(({ value, t }) => ({ t, price: value + (alone ? 0 : (c[t] ?? 0)) }))
				.filter(({ price }) => price <= most);
			assert.equal(least, Math.min(NEVER, ...found.map(({ price }) => price)));
			assert.equal(kernel.first, found[0]?.t ?? at.to + 1);
			assert.equal(kernel.last, found.at(-1)?.t ?? at.from - 1);
		}
	);
});

test('the first, the last and the least within a limit are found', () => {
	holds<[number[], number[], { from: number; to: number }, number]>(
		[prices, prices, stretch, limit],
		(a, b, at, most) => {
			row.set(a);
			other.set(b);
			short.set(a.map((price) => Math.min(price, 32_767)));
			const found = within(a, at).filter(({ value }) => value <= most);
			const first = found[0]?.t ?? at.to + 1;
			const last = found.at(-1)?.t ?? at.from - 1;
			assert.equal(kernel.firstWithin(row, at.from, at.to, most), first);
			assert.equal(kernel.lastWithin(row, at.from, at.to, most), last);
			assert.equal(kernel.firstWithinShort(short, at.from, at.to, most), first);
			assert.equal(kernel.lastWithinShort(short, at.from, at.to, most), last);
			const both = within(a, at).map(({ value, t }) => ({ t, all: value + (b[t] ?? 0) }));
			const least = Math.min(most, ...both.map(({ all }) => all));
			const where = both.find(({ all }) => all < most && all === least)?.t ?? -1;
			assert.equal(kernel.findLeast(row, other, at.from, at.to, most), where);
			assert.equal(kernel.least, least);
		}
	);
});

test('a start counts where something is free from so long after it until so long after it', () => {
	const size = fc.integer({ min: 0, max: 12 });
	holds<[number[], number[], { from: number; to: number }, number, number]>(
		[prices, times, stretch, size, size],
		(a, blocked, { from, to }, begin, length) => {
			const end = begin + length;
			const at = { from, to: Math.min(to, LENGTH - 1 - begin) };
			const isFree = (t: number) => (blocked[t + begin] ?? 0) >= t + end;
			row.set(a);
			other.set(blocked);
			kernel.keepFree(row, other, begin, end, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, (was, t) => (isFree(t) ? was : NEVER))
			);
			met.fill(0);
			met[3] = -1;
			kernel.markFree(met, other, begin, end, at.from, at.to);
			const marks = Array.from({ length: LENGTH }, (_, t) => (t === 3 ? -1 : 0));
			const marked = changed(marks, at, (was, t) => (isFree(t) ? -1 : was));
			assert.deepEqual([...met], marked);
			row.set(a);
			kernel.keepMarked(row, met, at.from, at.to);
			assert.deepEqual(
				[...row],
				changed(a, at, (was, t) => (marked[t] === 0 ? NEVER : was))
			);
			third.set(a.map((price) => (price < 6 ? -1 : 0)));
			kernel.bothMarked(met, third, at.from, at.to);
			const both = changed(marked, at, (was, t) => ((a[t] ?? 0) < 6 ? was : 0));
			assert.deepEqual(
				[...met],
				both.map((mark) => mark || 0)
			);
		}
	);
});

test('what is taken of a pool, and until when enough of it is free', () => {
	const amounts = fc.array(fc.integer({ min: -3, max: 5 }), {
		minLength: LENGTH - 1,
		maxLength: LENGTH - 1
	});
	holds<[number[], { from: number; to: number }, number, number]>(
		[amounts, stretch, fc.integer({ min: -4, max: 4 }), fc.integer({ min: 1, max: 3 })],
		(free, { from, to }, amount, wanted) => {
			const blockedOf = (left: readonly number[]) =>
				Array.from({ length: LENGTH }, (_, t) => {
					const next = left.findIndex((is, later) => later >= t && is < wanted);
					return next < 0 ? LENGTH - 1 : next;
				});
			const end = Math.min(to, LENGTH - 1);
			short.set(free);
			row.set(blockedOf(free));
			const more = kernel.takeFree(short, from, end, amount);
			const left = changed(free, { from, to: end - 1 }, (was) => was - amount);
			assert.deepEqual([...short].slice(0, LENGTH - 1), left);
			const overdrawn = (of: readonly number[]) => of.filter((is) => is < 0).length;
			assert.equal(more, overdrawn(left) - overdrawn(free));
			if (from < end) kernel.mend(row, short, from, end, wanted);
			assert.deepEqual([...row], blockedOf(left));
		}
	);
});

test('a load of its own costs what follows, and being on longer; where a unit is open and hands are there', () => {
	const unit = fc.integer({ min: -1, max: 3 });
	const unitRow = fc.array(unit, { minLength: LENGTH, maxLength: LENGTH });
	holds<[number[], number[], number[], number[], { from: number; to: number }, number, boolean]>(
		[prices, prices, unitRow, times, stretch, fc.integer({ min: 0, max: 9 }), fc.boolean()],
		(a, ends, unitAt, free, { from, to }, length, marked) => {
			const at = { from, to: Math.min(to, LENGTH - 1 - length) };
			row.set(a);
			other.set(ends);
			third.set(free);
			met.set(unitAt);
			const best = Array.from({ length: LENGTH }, (_, t) => (t % 3 === 0 ? 9 + (t % 7) : NEVER));
			into.set(best);
			units.fill(-1);
			const hands = marked ? null : third;
			const attended = marked ? third : null;
			if (marked) third.set(free.map((t) => (t % 2 === 0 ? -1 : 0)));
			kernel.ownLoads(
				row,
				other,
				length,
				met,
				hands,
				0,
				2,
				attended,
				into,
				units,
				at.from,
				at.to,
				10,
				50,
				3,
				7
			);
			const mayStart = (t: number) =>
				(unitAt[t] ?? -1) >= 0 &&
				(a[t] ?? 0) < NEVER &&
				(marked ? (free[t] ?? 0) % 2 === 0 : (free[t] ?? 0) >= t + 2);
			const priceAt = (t: number) =>
				(ends[t + length] ?? 0) + 7 + 3 * (Math.max(10 - t, 0) + Math.max(t - 50, 0));
			const better = (t: number) => mayStart(t) && priceAt(t) < (best[t] ?? 0);
			assert.deepEqual(
				[...into],
				changed(best, at, (was, t) => (better(t) ? priceAt(t) : was))
			);
			const nowhere = best.map(() => -1);
			assert.deepEqual(
				[...units],
				changed(nowhere, at, (was, t) => (better(t) ? (unitAt[t] ?? -1) : was))
			);
			const open = within(unitAt, at).filter(({ value }) => value < 0).length;
			assert.equal(kernel.markUnit(met, 5, at.from, at.to), open);
			assert.deepEqual(
				[...met],
				changed(unitAt, at, (was) => (was < 0 ? 5 : was))
			);
		}
	);
});

const piece: fc.Arbitrary<LagPiece> = fc
	.tuple(
		fc.integer({ min: -6, max: 20 }),
		fc.oneof(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: LENGTH })),
		// A steep one over these few times is as one over the whole of time.
		fc.oneof(fc.integer({ min: -4, max: 4 }), fc.constantFrom(-60_000_000, 60_000_000))
	)
	.map(([least, width, slope]) => {
		const most = least + width;
		// No lag of a window costs less than nothing.
		return { least, most, slope, base: 4 - slope * (slope < 0 ? most : least) };
	});

test('the least of a sliding window is the least of all its starts, by each way there is', () => {
	type Stretch = { from: number; to: number };
	holds<[number[], number[], number[], Stretch, Stretch, LagPiece, boolean]>(
		[prices, prices, times, stretch, stretch, piece, fc.boolean()],
		(value, extra, until, at, anchors, window, plain) => {
			const { least, most, slope, base } = window;
			row.set(value);
			other.set(extra);
			const more = plain ? null : other;
			const bottom = Math.max(anchors.from, at.from - most);
			const top = Math.min(anchors.to, at.to - least);
			const start = Array.from({ length: LENGTH }, (_, t) => (t % 5 === 0 ? 50 : NEVER));
			const wanted = (latest: (a: number) => number) =>
				changed(start, { from: bottom, to: top }, (was, a) => {
					let best = was;
					for (let t = Math.max(at.from, a + least); t <= Math.min(at.to, a + most); t += 1) {
						const v = (value[t] ?? 0) + (plain ? 0 : (extra[t] ?? 0));
						if (v < NEVER && t <= latest(a)) best = Math.min(best, v + base + slope * (t - a));
					}
					return best;
				});
			if (bottom <= top && Math.abs(slope) < 5 && top - bottom + most - least + 1 <= 2 * LENGTH) {
				into.set(start);
				kernel.slide(window, row, more, at.from, at.to, into, bottom, top, room);
				assert.deepEqual(
					[...into],
					wanted(() => LENGTH)
				);
			}
			into.set(start);
			kernel.slideHeld(window, row, more, null, at.from, at.to, into, bottom, top, room);
			assert.deepEqual(
				[...into],
				wanted(() => LENGTH)
			);
			// Until when something is free never comes sooner for a later beginning.
			third.set(until.sort((a, b) => a - b));
			into.set(start);
			kernel.slideHeld(window, row, more, third, at.from, at.to, into, bottom, top, room);
			assert.deepEqual(
				[...into],
				wanted((a) => until[a] ?? 0)
			);
		}
	);
});

test('a window that reaches beyond every start is the least from there on', () => {
	holds<[number[], { from: number; to: number }, number]>(
		[prices, stretch, fc.integer({ min: 0, max: 20 })],
		(value, at, least) => {
			row.set(value);
			into.fill(NEVER);
			const window = { least, most: LENGTH, slope: 0, base: 3 };
			const last = Math.min(LENGTH - 1, at.to - least);
			kernel.leastFrom(window, row, null, at.from, at.to, into, 0, LENGTH - 1);
			for (let a = 0; a < LENGTH; a += 1) {
				const reached = within(value, at).filter(({ t, value: v }) => t >= a + least && v < NEVER);
				const found = Math.min(...reached.map(({ value: v }) => v + 3));
				assert.equal(into[a], a <= last && reached.length > 0 ? found : NEVER, `anchor ${a}`);
			}
		}
	);
});

test('looking back, the least of the starts whose lag reaches so far', () => {
	holds<[number[], number[], { from: number; to: number }, LagPiece, number, boolean]>(
		[prices, times, stretch, piece, fc.integer({ min: 0, max: 6 }), fc.boolean()],
		(value, until, { from, to }, window, offset, free) => {
			const { least, most, slope, base } = window;
			const at = { from, to: Math.min(to, LENGTH - 1 - offset) };
			const held = [...until].sort((a, b) => a - b);
			row.set(value);
			third.set(held);
			into.fill(NEVER);
			const holding = free ? null : third;
			kernel.slideBack(window, row, holding, at.from, at.to, offset, into, 0, LENGTH - 1, room);
			for (let s = 0; s < LENGTH; s += 1) {
				const reached = within(value, at).filter(
					({ t, value: v }) =>
						v < NEVER &&
						s - offset - t >= least &&
						s - offset - t <= most &&
						(free || (held[t + offset] ?? 0) >= s)
				);
				const found = reached.map(({ t, value: v }) => v + base + slope * (s - offset - t));
				assert.equal(into[s], Math.min(NEVER, ...found), `start ${s}`);
			}
		}
	);
});
