/** How long to wait before trying again by itself: at first, and at most. */
const FIRST_WAIT_MS = 4000;
const LONGEST_WAIT_MS = 30_000;

/** Tries again; true when there was an answer, whatever it said. */
export type Again = () => Promise<boolean>;

/**
 * What could not be sent, tried again by itself: as soon as the connection is back, and now and then, since a
 * connection can stand while what is behind it does not answer.
 */
export class Retries {
	readonly #waiting = new Set<Again>();
	#timer: ReturnType<typeof setTimeout> | null = null;
	#waitMs = FIRST_WAIT_MS;
	#running: Promise<void> | null = null;

	/** Tries it again until there is an answer; gives the way to give up. */
	add(again: Again): () => void {
		this.#waiting.add(again);
		this.#plan();
		return () => this.#waiting.delete(again);
	}

	/** Tries everything that waits, one after the other. */
	run(): Promise<void> {
		this.#running ??= this.#tryAll().finally(() => {
			this.#running = null;
			this.#plan();
		});
		return this.#running;
	}

	stop(): void {
		if (this.#timer) clearTimeout(this.#timer);
		this.#waiting.clear();
	}

	async #tryAll(): Promise<void> {
		for (const again of [...this.#waiting]) {
			if (!this.#waiting.has(again)) continue;
			if (await again()) {
				this.#waiting.delete(again);
				this.#waitMs = FIRST_WAIT_MS;
				continue;
			}
			this.#waitMs = Math.min(this.#waitMs * 2, LONGEST_WAIT_MS);
			return;
		}
	}

	#plan(): void {
		if (this.#timer) clearTimeout(this.#timer);
		this.#timer = this.#waiting.size === 0 ? null : setTimeout(() => void this.run(), this.#waitMs);
	}
}
