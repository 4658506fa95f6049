import { cell, NEVER, put, read, steps } from './cells';
import { fill } from './rows';
import { tellFirst } from './told';

/** More than any key of a window. */
const BIG: i32 = 1 << 30;

/** So many units of time at a price each; NEVER where it comes to more. */
function priced(price: i32, time: i32): i32 {
	return <i32>min<i64>(NEVER, <i64>price * time);
}

/** What a lag costs in a window; NEVER where it is forbidden. */
function priceOfLag(
	lag: i32,
	least: i32,
	most: i32,
	wish: i32,
	price: i32,
	outside: i32,
	hardLeast: i32,
	hardMost: i32
): i32 {
	if (lag < least) {
		if (lag < hardLeast) return NEVER;
		return priced(price, wish - least) + priced(outside, least - lag);
	}
	if (lag > most) {
		if (lag > hardMost) return NEVER;
		return priced(price, most - wish) + priced(outside, lag - most);
	}
	return priced(price, abs(lag - wish));
}

/** Adds what a lag of `sign` times (t - anchor) costs; forbids starts after the anchor and after `until`. */
export function addLag(
	row: usize,
	from: i32,
	to: i32,
	anchor: i32,
	sign: i32,
	until: i32,
	least: i32,
	most: i32,
	wish: i32,
	price: i32,
	outside: i32,
	hardLeast: i32,
	hardMost: i32
): void {
	for (let t = from; t <= to; t++) {
		const lag = sign * (t - anchor);
		const its =
			t > until && t > anchor
				? NEVER
				: priceOfLag(lag, least, most, wish, price, outside, hardLeast, hardMost);
		put(row, t, its >= NEVER ? NEVER : min(NEVER, read(row, t) + its));
	}
}

/**
 * The first start at which a row, a second one (0 for none) and the lag since the anchor together cost least, and less than a
 * price; -1 where there is none. Tells the least.
 */
export function findNext(
	row: usize,
	other: usize,
	from: i32,
	to: i32,
	below: i32,
	anchor: i32,
	least: i32,
	most: i32,
	wish: i32,
	price: i32,
	outside: i32,
	hardLeast: i32,
	hardMost: i32
): i32 {
	let best = below;
	let found = -1;
	for (let t = from; t <= to; t++) {
		const own = read(row, t);
		if (own >= NEVER) continue;
		const its = priceOfLag(t - anchor, least, most, wish, price, outside, hardLeast, hardMost);
		if (its >= NEVER) continue;
		const all = own + its + (other == 0 ? 0 : read(other, t));
		if (all >= best) continue;
		best = all;
		found = t;
	}
	tellFirst(best);
	return found;
}

/** For a window that reaches beyond every start and costs one price: the least from there on. */
export function leastFrom(
	least: i32,
	base: i32,
	value: usize,
	extra: usize,
	from: i32,
	to: i32,
	into: usize,
	first: i32,
	last: i32
): void {
	let best = NEVER;
	let next = to;
	const top = last + least > to ? to - least : last;
	for (let a = top; a >= first; a--) {
		const floor = max(a + least, from);
		for (; next >= floor; next--) {
			const v = read(value, next) + (extra == 0 ? 0 : read(extra, next));
			if (v < best) best = v;
		}
		if (best + base < read(into, a)) put(into, a, best + base);
	}
}

/** Keys of a window by start, from `low` to `high`: the value and its tilt; BIG where it cannot, or outside [from, to]. */
function layKeys(
	keys: usize,
	value: usize,
	extra: usize,
	slope: i32,
	from: i32,
	to: i32,
	low: i32,
	high: i32
): void {
	const begin = max(low, from);
	const end = min(high, to);
	fill(keys, BIG, low, begin - 1);
	fill(keys, BIG, max(low, end + 1), high);
	const never = i32x4.splat(NEVER);
	const big = i32x4.splat(BIG);
	const rise = i32x4.splat(4 * slope);
	let tilt = i32x4.mul(i32x4.splat(slope), i32x4.add(i32x4.splat(begin), steps()));
	let t = begin;
	for (; t + 3 <= end; t += 4) {
		let v = v128.load(cell(value, t));
		if (extra != 0) v = i32x4.add(v, v128.load(cell(extra, t)));
		v128.store(cell(keys, t), v128.bitselect(i32x4.add(v, tilt), big, i32x4.lt_s(v, never)));
		tilt = i32x4.add(tilt, rise);
	}
	for (; t <= end; t++) {
		const v = read(value, t) + (extra == 0 ? 0 : read(extra, t));
		put(keys, t, v < NEVER ? v + slope * t : BIG);
	}
}

/**
 * into[a] = min(into[a], least of value[t] + extra[t] + slope * (t - a) + base), for anchors a from bottom to top and starts t
 * in [from, to] from a + least to a + most. Stretches of twice the length each time, four anchors at once: for windows that
 * are not much wider than the stretches are long, and where no slope over the whole of time comes near BIG. `room` takes the starts
 * of all windows, and a few more.
 */
export function slide(
	least: i32,
	most: i32,
	slope: i32,
	base: i32,
	value: usize,
	extra: usize,
	from: i32,
	to: i32,
	into: usize,
	bottom: i32,
	top: i32,
	room: usize
): void {
	const width = most - least + 1;
	const count = top - bottom + width;
	const low = bottom + least;
	layKeys(room - ((<usize>low) << 2), value, extra, slope, from, to, low, low + count - 1);
	let part = 1;
	for (; part * 2 <= width; part *= 2)
		for (let i = 0; i < count - part; i += 4) {
			const at = cell(room, i);
			v128.store(at, i32x4.min_s(v128.load(at), v128.load(cell(at, part))));
		}
	// Two stretches that overlap are a window.
	const other = width - part;
	const big = i32x4.splat(BIG);
	const rise = i32x4.splat(4 * slope);
	let back = i32x4.sub(
		i32x4.splat(base),
		i32x4.mul(i32x4.splat(slope), i32x4.add(i32x4.splat(bottom), steps()))
	);
	let a = bottom;
	let at = room;
	for (; a + 3 <= top; a += 4) {
		const key = i32x4.min_s(v128.load(at), v128.load(cell(at, other)));
		const best = i32x4.add(key, back);
		const was = v128.load(cell(into, a));
		const less = v128.and(i32x4.lt_s(key, big), i32x4.lt_s(best, was));
		v128.store(cell(into, a), v128.bitselect(best, was, less));
		back = i32x4.sub(back, rise);
		at += 16;
	}
	for (; a <= top; a++) {
		const key = min(load<i32>(at), load<i32>(cell(at, other)));
		at += 4;
		if (key >= BIG) continue;
		const best = key + base - slope * a;
		if (best < read(into, a)) put(into, a, best);
	}
}

/**
 * The same by a monotone queue, so that the width of the window costs nothing, for starts t no later than held[a] (0 where
 * nothing is held), and any slope and base. `queue` takes four numbers for each start: its key, in 64 bits, and its time.
 */
export function slideHeld(
	least: i32,
	most: i32,
	slope: i32,
	base: f64,
	value: usize,
	extra: usize,
	held: usize,
	from: i32,
	to: i32,
	into: usize,
	bottom: i32,
	top: i32,
	queue: usize
): void {
	let head = queue;
	let tail = queue;
	let next = min(top + most, to);
	for (let a = top; a >= bottom; a--) {
		const floor = max(a + least, from);
		for (; next >= floor; next--) {
			const v = read(value, next) + (extra == 0 ? 0 : read(extra, next));
			if (v >= NEVER) continue;
			const key = <i64>v + <i64>slope * next;
			while (tail > head && load<i64>(tail - 16) >= key) tail -= 16;
			store<i64>(tail, key);
			store<i32>(tail, next, 8);
			tail += 16;
		}
		let limit = a + most;
		if (held != 0) limit = min(limit, read(held, a));
		while (tail > head && load<i32>(head, 8) > limit) head += 16;
		if (tail == head) {
			head = queue;
			tail = queue;
			continue;
		}
		const best = load<i64>(head) + <i64>base - <i64>slope * a;
		if (best < <i64>read(into, a)) put(into, a, <i32>best);
	}
}

/**
 * Looking back: into[s] = min(into[s], least of value[t] + slope * (s - offset - t) + base), for later starts s in
 * [first, last] and earlier starts t in [from, to] whose lag, from t + offset on, is from least to most; what it holds (0 for
 * nothing) is free from there until s.
 */
export function slideBack(
	least: i32,
	most: i32,
	slope: i32,
	base: f64,
	value: usize,
	held: usize,
	from: i32,
	to: i32,
	offset: i32,
	into: usize,
	first: i32,
	last: i32,
	queue: usize
): void {
	let head = queue;
	let tail = queue;
	let next = max(from, first - offset - most);
	for (let s = first; s <= last; s++) {
		const ceiling = min(to, s - offset - least);
		for (; next <= ceiling; next++) {
			const v = read(value, next);
			if (v >= NEVER) continue;
			const key = <i64>v - <i64>slope * next;
			while (tail > head && load<i64>(tail - 16) >= key) tail -= 16;
			store<i64>(tail, key);
			store<i32>(tail, next, 8);
			tail += 16;
		}
		while (tail > head) {
			const t = load<i32>(head, 8);
			if (t >= s - offset - most && (held == 0 || read(held, t + offset) >= s)) break;
			head += 16;
		}
		if (tail == head) continue;
		const best = load<i64>(head) + <i64>base + <i64>slope * (s - offset);
		if (best < <i64>read(into, s)) put(into, s, <i32>best);
	}
}
