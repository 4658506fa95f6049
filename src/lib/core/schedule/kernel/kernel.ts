import type { Calls } from './calls.ts';
import { KERNEL_CODE } from './kernel-code.ts';
import { KernelMemory } from './memory.ts';
import { NEVER, type LagPrice, type LagPiece, type Row, type ShortRow } from './row.ts';
import { codeOf, exportsOf, type Code } from './web-assembly.ts';

/** Compiled once, when the first is made. */
let code: Code | null = null;

/**
 * Rows of whole numbers by time, and what is done with them at every turn of a search, compiled for the processor: adding,
 * leaving out what costs too much, the least of sliding windows. What each call does is told in kernel/, where it is written.
 * Stretches are [from, to], both ends in it, and may be empty; prices are whole and at most NEVER.
 */
export class Kernel extends KernelMemory {
	private readonly calls: Calls;

	/** With room for rows of so many bytes (`bytesOf`) together. */
	constructor(bytes: number) {
		super(bytes);
		code ??= codeOf(KERNEL_CODE);
		this.calls = exportsOf(code, this.memory) as Calls;
	}

	/** The first and the last start that the call before told. */
	get first(): number {
		return this.told[0] as number;
	}

	get last(): number {
		return this.told[1] as number;
	}

	/** The least that `findLeast` or `findNext` found. */
	get least(): number {
		return this.told[0] as number;
	}

	fill(row: Row, value: number, from: number, to: number): void {
		this.calls.fill(row.byteOffset, value, from, to);
	}

	copy(into: Row, row: Row, from: number, to: number): void {
		this.calls.copy(into.byteOffset, row.byteOffset, from, to);
	}

	add(row: Row, added: Row, from: number, to: number): void {
		this.calls.add(row.byteOffset, added.byteOffset, from, to);
	}

	lesser(into: Row, row: Row, from: number, to: number): void {
		this.calls.lesser(into.byteOffset, row.byteOffset, from, to);
	}

	keepFree(row: Row, blocked: Row, begin: number, end: number, from: number, to: number): void {
		this.calls.keepFree(row.byteOffset, blocked.byteOffset, begin, end, from, to);
	}

	markFree(met: Row, blocked: Row, begin: number, end: number, from: number, to: number): void {
		this.calls.markFree(met.byteOffset, blocked.byteOffset, begin, end, from, to);
	}

	keepMarked(row: Row, met: Row, from: number, to: number): void {
		this.calls.keepMarked(row.byteOffset, met.byteOffset, from, to);
	}

	bothMarked(met: Row, other: Row, from: number, to: number): void {
		this.calls.bothMarked(met.byteOffset, other.byteOffset, from, to);
	}

	/** Tells the first and the last that are left. */
	keepWithin(row: Row, from: number, to: number, limit: number): void {
		this.calls.keepWithin(row.byteOffset, from, to, limit);
	}

	/** Adds what another row has `off` later; tells the first and the last that are left. */
	addWithin(row: Row, added: Row, off: number, from: number, to: number, limit: number): void {
		this.calls.addWithin(row.byteOffset, added.byteOffset + 4 * off, from, to, limit);
	}

	/** Adds what another row has `off` later; tells the first and the last within the limit, and gives the least. */
	addKnown(
		sum: Row,
		added: Row,
		off: number,
		own: Row | null,
		from: number,
		to: number,
		limit: number
	): number {
		const at = added.byteOffset + 4 * off;
		return this.calls.addKnown(sum.byteOffset, at, addressOf(own), from, to, limit);
	}

	firstWithin(row: Row, from: number, to: number, limit: number): number {
		return this.calls.firstWithin(row.byteOffset, from, to, limit);
	}

	lastWithin(row: Row, from: number, to: number, limit: number): number {
		return this.calls.lastWithin(row.byteOffset, from, to, limit);
	}

	/** For a limit that is a short number too. */
	firstWithinShort(row: ShortRow, from: number, to: number, limit: number): number {
		return this.calls.firstWithinShort(row.byteOffset, from, to, limit);
	}

	lastWithinShort(row: ShortRow, from: number, to: number, limit: number): number {
		return this.calls.lastWithinShort(row.byteOffset, from, to, limit);
	}

	/** Where the least was found stands in `least`. */
	findLeast(row: Row, other: Row, from: number, to: number, below: number): number {
		return this.calls.findLeast(row.byteOffset, other.byteOffset, from, to, below);
	}

	/** The stretch is [from, to): what is free is told between the ends of time. */
	takeFree(free: ShortRow, from: number, to: number, amount: number): number {
		return this.calls.take(free.byteOffset, from, to, amount);
	}

	/** The stretch is [from, to) too. */
	mend(blocked: Row, free: ShortRow, from: number, to: number, amount: number): void {
		this.calls.mend(blocked.byteOffset, free.byteOffset, from, to, amount);
	}

	markUnit(unitAt: Row, unit: number, from: number, to: number): number {
		return this.calls.markUnit(unitAt.byteOffset, unit, from, to);
	}

	/** What follows is read from `endsOff` after a start on, hands from `handsFrom` after it. */
	ownLoads(
		row: Row,
		ends: Row,
		endsOff: number,
		unitAt: Row,
		hands: Row | null,
		handsFrom: number,
		handsTo: number,
		attended: Row | null,
		best: Row,
		units: Row,
		from: number,
		to: number,
		onFirst: number,
		onLast: number,
		onPrice: number,
		always: number
	): void {
		this.calls.ownLoads(
			row.byteOffset,
			ends.byteOffset + 4 * endsOff,
			unitAt.byteOffset,
			hands === null ? 0 : hands.byteOffset + 4 * handsFrom,
			handsTo,
			addressOf(attended),
			best.byteOffset,
			units.byteOffset,
			from,
			to,
			onFirst,
			onLast,
			onPrice,
			always
		);
	}

	/** The lag from the anchor to a start. */
	addLagSince(
		row: Row,
		from: number,
		to: number,
		anchor: number,
		until: number,
		price: LagPrice
	): void {
		this.addLag(row, from, to, anchor, 1, until, price);
	}

	/** The lag from a start to the anchor. */
	addLagUntil(row: Row, from: number, to: number, anchor: number, price: LagPrice): void {
		this.addLag(row, from, to, anchor, -1, to, price);
	}

	private addLag(
		row: Row,
		from: number,
		to: number,
		anchor: number,
		sign: 1 | -1,
		until: number,
		{ least, most, wish, price, outside, hardLeast, hardMost }: LagPrice
	): void {
		this.calls.addLag(
			row.byteOffset,
			from,
			to,
			anchor,
			sign,
			until,
			least,
			most,
			wish,
			price,
			outside,
			hardLeast,
			hardMost
		);
	}

	/** Where the least was found stands in `least`. */
	findNext(
		row: Row,
		other: Row | null,
		from: number,
		to: number,
		below: number,
		anchor: number,
		{ least, most, wish, price, outside, hardLeast, hardMost }: LagPrice
	): number {
		return this.calls.findNext(
			row.byteOffset,
			addressOf(other),
			from,
			to,
			below,
			anchor,
			least,
			most,
			wish,
			price,
			outside,
			hardLeast,
			hardMost
		);
	}

	leastFrom(
		{ least, base }: LagPiece,
		value: Row,
		extra: Row | null,
		from: number,
		to: number,
		into: Row,
		first: number,
		last: number
	): void {
		const more = addressOf(extra);
		this.calls.leastFrom(
			least,
			Math.min(NEVER, base),
			value.byteOffset,
			more,
			from,
			to,
			into.byteOffset,
			first,
			last
		);
	}

	slide(
		{ least, most, slope, base }: LagPiece,
		value: Row,
		extra: Row | null,
		from: number,
		to: number,
		into: Row,
		bottom: number,
		top: number,
		room: Row
	): void {
		this.calls.slide(
			least,
			most,
			slope,
			base,
			value.byteOffset,
			addressOf(extra),
			from,
			to,
			into.byteOffset,
			bottom,
			top,
			room.byteOffset
		);
	}

	slideHeld(
		{ least, most, slope, base }: LagPiece,
		value: Row,
		extra: Row | null,
		held: Row | null,
		from: number,
		to: number,
		into: Row,
		bottom: number,
		top: number,
		queue: Row
	): void {
		this.calls.slideHeld(
			least,
			most,
			slope,
			base,
			value.byteOffset,
			addressOf(extra),
			addressOf(held),
			from,
			to,
			into.byteOffset,
			bottom,
			top,
			queue.byteOffset
		);
	}

	slideBack(
		{ least, most, slope, base }: LagPiece,
		value: Row,
		held: Row | null,
		from: number,
		to: number,
		offset: number,
		into: Row,
		first: number,
		last: number,
		queue: Row
	): void {
		this.calls.slideBack(
			least,
			most,
			slope,
			base,
			value.byteOffset,
			addressOf(held),
			from,
			to,
			offset,
			into.byteOffset,
			first,
			last,
			queue.byteOffset
		);
	}
}

/** Of a row that may be none; nothing lies at 0. */
function addressOf(row: Row | null): number {
	return row === null ? 0 : row.byteOffset;
}
