/** Numbers that look random and are the same for the same seed. */
export class Chance {
	#state: number;

	constructor(seed: number) {
		this.#state = seed >>> 0;
	}

	/** From 0 up to 1. */
	next(): number {
		this.#state = (this.#state + 0x6d2b79f5) | 0;
		let mixed = Math.imul(this.#state ^ (this.#state >>> 15), 1 | this.#state);
		mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
		return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
	}

	/** A whole number from 0 up to `below`. */
	below(below: number): number {
		return Math.floor(this.next() * below);
	}

	is(share: number): boolean {
		return this.next() < share;
	}

	pick<T>(from: readonly T[]): T {
		const found = from[this.below(from.length)];
		if (found === undefined && from.length === 0) throw new Error('there is nothing to pick from');
		return found as T;
	}

	uuid(): string {
		const hex = (length: number) =>
			Array.from({ length }, () => this.below(16).toString(16)).join('');
		return `${hex(8)}-${hex(4)}-4${hex(3)}-${this.pick(['8', '9', 'a', 'b'])}${hex(3)}-${hex(12)}`;
	}
}
