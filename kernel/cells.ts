/** More than any sum of prices, as the search has it (`NEVER`). */
export const NEVER: i32 = 1 << 28;

/** The address of a row's number at a time. */
export function cell(row: usize, t: i32): usize {
	return row + ((<usize>t) << 2);
}

export function read(row: usize, t: i32): i32 {
	return load<i32>(cell(row, t));
}

export function put(row: usize, t: i32, value: i32): void {
	store<i32>(cell(row, t), value);
}

/** The same in a row of short numbers. */
export function shortCell(row: usize, t: i32): usize {
	return row + ((<usize>t) << 1);
}

export function readShort(row: usize, t: i32): i32 {
	return <i32>load<i16>(shortCell(row, t));
}

/** 0, 1, 2, 3: what four neighbours are later than the first of them. */
export function steps(): v128 {
	return i32x4(0, 1, 2, 3);
}
