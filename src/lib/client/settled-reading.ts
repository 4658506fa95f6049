/** Several things written at once are looked at once. */
const SETTLE_MS = 250;
/** After a reading the page and the server are left in peace for so many times as long as it took: hands come first. */
const PEACE = 2;
/** But what others did is never further behind than this and a reading. */
const MOST_PEACE_MS = 3000;

/**
 * Reads a page anew after something was heard, once for all that is heard at about the same time.
 *
 * What is heard while a page is read waits until it was read: a reading that is begun anew again and again would never end where much is
 * written. And where much is written for long (a tablet that was away for hours sends all that was tapped on it) reading takes a third of
 * the time at most, as long as one reading takes no more than a second and a half.
 */
export class SettledReading {
	#timer: ReturnType<typeof setTimeout> | null = null;
	#reading = false;
	#heard = false;
	#peaceUntilMs = 0;
	#stopped = false;

	constructor(
		private readonly read: () => Promise<void>,
		private readonly nowMs: () => number
	) {}

	/** Something was written; what it is shows when the page is read. */
	hear(): void {
		this.#heard = true;
		if (this.#reading || this.#timer || this.#stopped) return;
		const peaceMs = this.#peaceUntilMs - this.nowMs();
		this.#timer = setTimeout(() => void this.#readOnce(), Math.max(SETTLE_MS, peaceMs));
	}

	/** What was heard, and what will be, is read no more. */
	stop(): void {
		this.#stopped = true;
		if (this.#timer) clearTimeout(this.#timer);
		this.#timer = null;
	}

	async #readOnce(): Promise<void> {
		this.#timer = null;
		this.#heard = false;
		this.#reading = true;
		const beganMs = this.nowMs();
		// A page that could not be read tells so itself; the next thing heard tries again.
		await this.read().catch(() => undefined);
		this.#reading = false;
		const endMs = this.nowMs();
		this.#peaceUntilMs = endMs + Math.min(MOST_PEACE_MS, PEACE * (endMs - beganMs));
		if (this.#heard) this.hear();
	}
}
