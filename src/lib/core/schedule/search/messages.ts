/**
 * Rows that are wanted only while a task and what hangs from it are looked at: what each branch costs by the start or end
 * of its parent. They are taken from a stack and given back, so that the same few stay near the processor.
 */
export class Messages {
	private readonly rows: Int32Array[] = [];
	private used = 0;
	/** By lag, where its own begin. */
	private readonly firstOf: Int32Array;

	constructor(
		lags: number,
		private readonly horizon: number
	) {
		this.firstOf = new Int32Array(lags);
	}

	/** How many are taken, to give back all that are taken from now on. */
	mark(): number {
		return this.used;
	}

	giveBack(mark: number): void {
		this.used = mark;
	}

	/** A row for whatever is wanted for a while. */
	take(): Int32Array {
		this.used += 1;
		return this.at(this.used - 1);
	}

	/** Takes so many rows for a lag: one, or one for each mode that tells. */
	takeFor(e: number, count: number): void {
		this.firstOf[e] = this.used;
		this.used += count;
	}

	of(e: number, row: number): Int32Array {
		return this.at((this.firstOf[e] as number) + row);
	}

	private at(index: number): Int32Array {
		return (this.rows[index] ??= new Int32Array(this.horizon + 1));
	}
}
