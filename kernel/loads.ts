import { cell, NEVER, put, read, steps } from './cells';

/** Writes a unit at the starts that have none yet; gives how many they were. */
export function markUnit(unitAt: usize, unit: i32, from: i32, to: i32): i32 {
	let marked = 0;
	for (let t = from; t <= to; t++) {
		if (read(unitAt, t) >= 0) continue;
		put(unitAt, t, unit);
		marked++;
	}
	return marked;
}

/**
 * What a load of its own costs at each start: `ends` is what follows from its end, by its start; being on costs `onPrice` for
 * each unit of time before `onFirst` or after `onLast`, and `always` besides. A start counts where a unit is open, its row does
 * not forbid it, and hands are there: free until `handsTo` after it, or marked (each 0 where nobody is wanted).
 */
export function ownLoads(
	row: usize,
	ends: usize,
	unitAt: usize,
	hands: usize,
	handsTo: i32,
	attended: usize,
	best: usize,
	units: usize,
	from: i32,
	to: i32,
	onFirst: i32,
	onLast: i32,
	onPrice: i32,
	always: i32
): void {
	const never = i32x4.splat(NEVER);
	const zero = i32x4.splat(0);
	const four = i32x4.splat(4);
	const firstOn = i32x4.splat(onFirst);
	const lastOn = i32x4.splat(onLast);
	const each = i32x4.splat(onPrice);
	const all = i32x4.splat(always);
	const until = i32x4.splat(handsTo);
	let now = i32x4.add(i32x4.splat(from), steps());
	let t = from;
	for (; t + 3 <= to; t += 4) {
		const unit = v128.load(cell(unitAt, t));
		let may = v128.and(i32x4.ge_s(unit, zero), i32x4.lt_s(v128.load(cell(row, t)), never));
		if (hands != 0)
			may = v128.and(may, i32x4.ge_s(v128.load(cell(hands, t)), i32x4.add(now, until)));
		if (attended != 0) may = v128.and(may, v128.load(cell(attended, t)));
		if (v128.any_true(may)) {
			const before = i32x4.max_s(i32x4.sub(firstOn, now), zero);
			const after = i32x4.max_s(i32x4.sub(now, lastOn), zero);
			const on = i32x4.min_s(never, i32x4.mul(each, i32x4.add(before, after)));
			const price = i32x4.add(i32x4.add(v128.load(cell(ends, t)), all), on);
			const known = v128.load(cell(best, t));
			const less = v128.and(may, i32x4.lt_s(price, known));
			v128.store(cell(best, t), v128.bitselect(price, known, less));
			v128.store(cell(units, t), v128.bitselect(unit, v128.load(cell(units, t)), less));
		}
		now = i32x4.add(now, four);
	}
	for (; t <= to; t++) {
		const unit = read(unitAt, t);
		if (unit < 0 || read(row, t) >= NEVER) continue;
		if (hands != 0 && read(hands, t) < t + handsTo) continue;
		if (attended != 0 && read(attended, t) == 0) continue;
		const on = min(NEVER, onPrice * (max(onFirst - t, 0) + max(t - onLast, 0)));
		const price = read(ends, t) + always + on;
		if (price >= read(best, t)) continue;
		put(best, t, price);
		put(units, t, unit);
	}
}
