/** Chance in whole numbers, the same on every engine for a seed (xorshift of 32 bits). */
export class Dice {
	private state: number;

	constructor(seed: number) {
		// A seed of nothing but zeros would stay there.
		this.state = Math.imul(seed + 0x9e3779b9, 0x85ebca6b) | 1;
		for (let at = 0; at < 8; at += 1) this.turn();
	}

	/** A whole number from 0 up to, but not, `sides`. */
	next(sides: number): number {
		return Math.floor((this.turn() / 4_294_967_296) * sides);
	}

	/** Puts a list in an order of chance. */
	shuffle(list: number[]): void {
		for (let at = list.length - 1; at > 0; at -= 1) {
			const other = this.next(at + 1);
			const kept = list[at] as number;
			list[at] = list[other] as number;
			list[other] = kept;
		}
	}

	private turn(): number {
		let x = this.state;
		x ^= x << 13;
		x ^= x >>> 17;
		x ^= x << 5;
		this.state = x;
		return x >>> 0;
	}
}
