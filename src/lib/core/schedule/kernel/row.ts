/** More than any sum of prices; sums of a few of it stay within 32 bits. */
export const NEVER = 1 << 28;

declare const inKernel: unique symbol;

/** Whole numbers by time, in the memory of a kernel: nothing else may be given to it. */
export type Row = Int32Array & { readonly [inKernel]: 'row' };

/** The same, of short numbers. */
export type ShortRow = Int16Array & { readonly [inKernel]: 'short row' };

/** A straight piece of a window's price: at lags from `least` to `most` it is `base + slope * lag`. */
export interface LagPiece {
	readonly least: number;
	readonly most: number;
	readonly base: number;
	readonly slope: number;
}

/** What a lag costs: so much for each unit of time from the wish, and beyond its ends `outside`, or nothing is allowed. */
export interface LagPrice {
	readonly least: number;
	readonly most: number;
	readonly wish: number;
	readonly price: number;
	readonly outside: number;
	/** The least and most lag that is not forbidden. */
	readonly hardLeast: number;
	readonly hardMost: number;
}
