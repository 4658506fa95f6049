import { cell, NEVER, put, read, readShort, shortCell, steps } from './cells';
import { tellFirst, tellLast } from './told';

/** Writes one number over [from, to]. */
export function fill(row: usize, value: i32, from: i32, to: i32): void {
	const four = i32x4.splat(value);
	let t = from;
	for (; t + 3 <= to; t += 4) v128.store(cell(row, t), four);
	for (; t <= to; t++) put(row, t, value);
}

/** Copies a row over [from, to]. */
export function copy(into: usize, row: usize, from: i32, to: i32): void {
	let t = from;
	for (; t + 3 <= to; t += 4) v128.store(cell(into, t), v128.load(cell(row, t)));
	for (; t <= to; t++) put(into, t, read(row, t));
}

/** Adds a row over [from, to]; what comes to more than NEVER is NEVER. */
export function add(row: usize, added: usize, from: i32, to: i32): void {
	const never = i32x4.splat(NEVER);
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(row, t);
		v128.store(at, i32x4.min_s(never, i32x4.add(v128.load(at), v128.load(cell(added, t)))));
	}
	for (; t <= to; t++) put(row, t, min(NEVER, read(row, t) + read(added, t)));
}

/** The lesser of two rows over [from, to]. */
export function lesser(into: usize, row: usize, from: i32, to: i32): void {
	for (let t = from; t <= to; t++) put(into, t, min(read(into, t), read(row, t)));
}

/** Forbids the starts at which something is blocked sooner than `end` after them, seen from `begin` after them. */
export function keepFree(
	row: usize,
	blocked: usize,
	begin: i32,
	end: i32,
	from: i32,
	to: i32
): void {
	const seen = cell(blocked, begin);
	const never = i32x4.splat(NEVER);
	const four = i32x4.splat(4);
	let until = i32x4.add(i32x4.splat(from + end), steps());
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(row, t);
		const taken = i32x4.lt_s(v128.load(cell(seen, t)), until);
		v128.store(at, v128.bitselect(never, v128.load(at), taken));
		until = i32x4.add(until, four);
	}
	for (; t <= to; t++) if (read(seen, t) < t + end) put(row, t, NEVER);
}

/** Marks with -1 the starts at which nothing is blocked so soon; others stay as they are. */
export function markFree(
	met: usize,
	blocked: usize,
	begin: i32,
	end: i32,
	from: i32,
	to: i32
): void {
	const seen = cell(blocked, begin);
	const four = i32x4.splat(4);
	let until = i32x4.add(i32x4.splat(from + end), steps());
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(met, t);
		v128.store(at, v128.or(v128.load(at), i32x4.ge_s(v128.load(cell(seen, t)), until)));
		until = i32x4.add(until, four);
	}
	for (; t <= to; t++) if (read(seen, t) >= t + end) put(met, t, -1);
}

/** Forbids the starts that are not marked. */
export function keepMarked(row: usize, met: usize, from: i32, to: i32): void {
	const never = i32x4.splat(NEVER);
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(row, t);
		v128.store(at, v128.bitselect(v128.load(at), never, v128.load(cell(met, t))));
	}
	for (; t <= to; t++) if (read(met, t) == 0) put(row, t, NEVER);
}

/** Keeps of marks those that another row has too. */
export function bothMarked(met: usize, other: usize, from: i32, to: i32): void {
	for (let t = from; t <= to; t++) put(met, t, read(met, t) & read(other, t));
}

/** Tells the first and the last start that are not forbidden; beyond the other end where none is left. */
function tellKept(row: usize, from: i32, to: i32): void {
	let first = from;
	while (first <= to && read(row, first) == NEVER) first++;
	let last = to;
	if (first > to) last = from - 1;
	else while (read(row, last) == NEVER) last--;
	tellFirst(first);
	tellLast(last);
}

/** Forbids what costs more than the limit, and tells what is left. */
export function keepWithin(row: usize, from: i32, to: i32, limit: i32): void {
	const never = i32x4.splat(NEVER);
	const most = i32x4.splat(limit);
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(row, t);
		const price = v128.load(at);
		v128.store(at, v128.bitselect(never, price, i32x4.gt_s(price, most)));
	}
	for (; t <= to; t++) if (read(row, t) > limit) put(row, t, NEVER);
	tellKept(row, from, to);
}

/** Adds a row, forbids what comes to more than the limit, and tells what is left. */
export function addWithin(row: usize, added: usize, from: i32, to: i32, limit: i32): void {
	const never = i32x4.splat(NEVER);
	const most = i32x4.splat(limit);
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const at = cell(row, t);
		const price = i32x4.add(v128.load(at), v128.load(cell(added, t)));
		v128.store(at, v128.bitselect(never, price, i32x4.gt_s(price, most)));
	}
	for (; t <= to; t++) {
		const price = read(row, t) + read(added, t);
		put(row, t, price > limit ? NEVER : price);
	}
	tellKept(row, from, to);
}

/**
 * Adds a row to a sum. Tells the first and the last start at which the sum and a row of prices of its own (0 for none) are
 * within the limit, and gives the least of them.
 */
export function addKnown(
	sum: usize,
	added: usize,
	own: usize,
	from: i32,
	to: i32,
	limit: i32
): i32 {
	let first = to + 1;
	let last = from - 1;
	let least = NEVER;
	for (let t = from; t <= to; t++) {
		const all = min(NEVER, read(sum, t) + read(added, t));
		put(sum, t, all);
		const price = own == 0 ? all : all + read(own, t);
		if (price > limit) continue;
		if (price < least) least = price;
		if (t < first) first = t;
		last = t;
	}
	tellFirst(first);
	tellLast(last);
	return least;
}

/** The first start within the limit; past the last where there is none. */
export function firstWithin(row: usize, from: i32, to: i32, limit: i32): i32 {
	let t = from;
	while (t <= to && read(row, t) > limit) t++;
	return t;
}

/** The last start within the limit; before the first where there is none. */
export function lastWithin(row: usize, from: i32, to: i32, limit: i32): i32 {
	let t = to;
	while (t >= from && read(row, t) > limit) t--;
	return t;
}

/** The same in a row of short numbers, for a limit that is one too. */
export function firstWithinShort(row: usize, from: i32, to: i32, limit: i32): i32 {
	const most = i16x8.splat(<i16>limit);
	let t = from;
	while (t + 7 <= to && !v128.any_true(i16x8.le_s(v128.load(shortCell(row, t)), most))) t += 8;
	while (t <= to && readShort(row, t) > limit) t++;
	return t;
}

export function lastWithinShort(row: usize, from: i32, to: i32, limit: i32): i32 {
	const most = i16x8.splat(<i16>limit);
	let t = to;
	while (t - 7 >= from && !v128.any_true(i16x8.le_s(v128.load(shortCell(row, t - 7)), most)))
		t -= 8;
	while (t >= from && readShort(row, t) > limit) t--;
	return t;
}

/** The first start at which two rows together cost least, and less than a price; -1 where there is none. Tells the least. */
export function findLeast(row: usize, other: usize, from: i32, to: i32, below: i32): i32 {
	let best = below;
	let found = -1;
	for (let t = from; t <= to; t++) {
		const all = read(row, t) + read(other, t);
		if (all >= best) continue;
		best = all;
		found = t;
	}
	tellFirst(best);
	return found;
}
