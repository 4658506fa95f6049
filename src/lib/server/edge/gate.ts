/** There is more to do than can wait: the same asked again in a moment will be done. */
export class Busy extends Error {
	constructor() {
		super('there is more to do than can wait');
	}
}

interface Waiter {
	readonly go: () => void;
	readonly timer: ReturnType<typeof setTimeout>;
}

/**
 * Lets so many work at once; who comes later waits in turn, without holding anything meanwhile. Who would
 * wait too long, or behind too many, is told that it is busy.
 */
export class Gate {
	#inside = 0;
	readonly #waiting = new Set<Waiter>();

	constructor(
		private readonly limits: {
			readonly atOnce: number;
			readonly waiting: number;
			readonly longestWaitMs: number;
		}
	) {}

	/** Does the work when it is its turn; throws `Busy` where that does not come. */
	async run<T>(work: () => Promise<T>): Promise<T> {
		await this.#enter();
		try {
			return await work();
		} finally {
			this.#leave();
		}
	}

	#enter(): Promise<void> {
		if (this.#inside < this.limits.atOnce) {
			this.#inside += 1;
			return Promise.resolve();
		}
		if (this.#waiting.size >= this.limits.waiting) return Promise.reject(new Busy());
		return new Promise((resolve, reject) => {
			const waiter: Waiter = {
				go: () => {
					clearTimeout(waiter.timer);
					this.#waiting.delete(waiter);
					resolve();
				},
				timer: setTimeout(() => {
					this.#waiting.delete(waiter);
					reject(new Busy());
				}, this.limits.longestWaitMs)
			};
			this.#waiting.add(waiter);
		});
	}

	/** The place goes to the one who waited longest. */
	#leave(): void {
		const [next] = this.#waiting;
		if (next) next.go();
		else this.#inside -= 1;
	}
}
