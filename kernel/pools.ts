import { put, read, readShort, shortCell } from './cells';

/** Takes an amount of what is free over [from, to); gives at how many more times it is overdrawn. */
export function take(free: usize, from: i32, to: i32, amount: i32): i32 {
	const some = i16x8.splat(<i16>amount);
	const zero = i16x8.splat(0);
	let overdrawn = 0;
	let t = from;
	for (; t + 8 <= to; t += 8) {
		const at = shortCell(free, t);
		const was = v128.load(at);
		const is = i16x8.sub(was, some);
		v128.store(at, is);
		const isBelow = i16x8.lt_s(is, zero);
		const wasBelow = i16x8.lt_s(was, zero);
		if (v128.any_true(v128.or(isBelow, wasBelow)))
			overdrawn += popcnt(i16x8.bitmask(isBelow)) - popcnt(i16x8.bitmask(wasBelow));
	}
	for (; t < to; t++) {
		const was = readShort(free, t);
		const is = was - amount;
		store<i16>(shortCell(free, t), <i16>is);
		overdrawn += (is < 0 ? 1 : 0) - (was < 0 ? 1 : 0);
	}
	return overdrawn;
}

/**
 * By time, the first time from there on at which less than an amount is free: mended over [from, to), and before it as far
 * as that changes anything.
 */
export function mend(blocked: usize, free: usize, from: i32, to: i32, amount: i32): void {
	let next = read(blocked, to);
	let t = to - 1;
	for (; t >= from; t--) {
		if (readShort(free, t) < amount) next = t;
		put(blocked, t, next);
	}
	for (; t >= 0; t--) {
		if (readShort(free, t) < amount || read(blocked, t) == next) break;
		put(blocked, t, next);
	}
}
