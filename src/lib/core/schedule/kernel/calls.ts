/** What the compiled kernel exports (kernel/index.ts), told by addresses; `Kernel` is how it is called. */
export interface Calls {
	fill(row: number, value: number, from: number, to: number): void;
	copy(into: number, row: number, from: number, to: number): void;
	add(row: number, added: number, from: number, to: number): void;
	lesser(into: number, row: number, from: number, to: number): void;
	keepFree(
		row: number,
		blocked: number,
		begin: number,
		end: number,
		from: number,
		to: number
	): void;
	markFree(
		met: number,
		blocked: number,
		begin: number,
		end: number,
		from: number,
		to: number
	): void;
	keepMarked(row: number, met: number, from: number, to: number): void;
	bothMarked(met: number, other: number, from: number, to: number): void;
	keepWithin(row: number, from: number, to: number, limit: number): void;
	addWithin(row: number, added: number, from: number, to: number, limit: number): void;
	addKnown(
		sum: number,
		added: number,
		own: number,
		from: number,
		to: number,
		limit: number
	): number;
	firstWithin(row: number, from: number, to: number, limit: number): number;
	lastWithin(row: number, from: number, to: number, limit: number): number;
	firstWithinShort(row: number, from: number, to: number, limit: number): number;
	lastWithinShort(row: number, from: number, to: number, limit: number): number;
	findLeast(row: number, other: number, from: number, to: number, below: number): number;
	take(free: number, from: number, to: number, amount: number): number;
	mend(blocked: number, free: number, from: number, to: number, amount: number): void;
	markUnit(unitAt: number, unit: number, from: number, to: number): number;
	ownLoads(
		row: number,
		ends: number,
		unitAt: number,
		hands: number,
		handsTo: number,
		attended: number,
		best: number,
		units: number,
		from: number,
		to: number,
		onFirst: number,
		onLast: number,
		onPrice: number,
		always: number
	): void;
	addLag(
		row: number,
		from: number,
		to: number,
		anchor: number,
		sign: number,
		until: number,
		least: number,
		most: number,
		wish: number,
		price: number,
		outside: number,
		hardLeast: number,
		hardMost: number
	): void;
	findNext(
		row: number,
		other: number,
		from: number,
		to: number,
		below: number,
		anchor: number,
		least: number,
		most: number,
		wish: number,
		price: number,
		outside: number,
		hardLeast: number,
		hardMost: number
	): number;
	leastFrom(
		least: number,
		base: number,
		value: number,
		extra: number,
		from: number,
		to: number,
		into: number,
		first: number,
		last: number
	): void;
	slide(
		least: number,
		most: number,
		slope: number,
		base: number,
		value: number,
		extra: number,
		from: number,
		to: number,
		into: number,
		bottom: number,
		top: number,
		room: number
	): void;
	slideHeld(
		least: number,
		most: number,
		slope: number,
		base: number,
		value: number,
		extra: number,
		held: number,
		from: number,
		to: number,
		into: number,
		bottom: number,
		top: number,
		queue: number
	): void;
	slideBack(
		least: number,
		most: number,
		slope: number,
		base: number,
		value: number,
		held: number,
		from: number,
		to: number,
		offset: number,
		into: number,
		first: number,
		last: number,
		queue: number
	): void;
}
