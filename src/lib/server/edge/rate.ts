/** So many of them are remembered; whoever was quiet longest is forgotten first. */
const MOST_REMEMBERED = 2000;

interface Bucket {
	left: number;
	atMs: number;
}

/** Lets each so many requests a minute through: all at once, or one after the other. */
export class RateLimit {
	readonly #buckets = new Map<string, Bucket>();

	constructor(private readonly perMinute: number) {}

	/** Takes one; gives the seconds to wait where none is left, null where it may go on. */
	take(key: string, nowMs: number): number | null {
		const known = this.#buckets.get(key);
		const passed = known ? Math.max(0, nowMs - known.atMs) : 0;
		const left = known
			? Math.min(this.perMinute, known.left + (passed * this.perMinute) / 60_000)
			: this.perMinute;
		// Put in anew, so that the map lies in the order of use.
		this.#buckets.delete(key);
		this.#buckets.set(key, { left: left >= 1 ? left - 1 : left, atMs: nowMs });
		const [oldest] = this.#buckets.keys();
		if (this.#buckets.size > MOST_REMEMBERED && oldest !== undefined) this.#buckets.delete(oldest);
		return left >= 1 ? null : Math.max(1, Math.ceil(((1 - left) * 60) / this.perMinute));
	}
}
