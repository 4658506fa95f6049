import { NEVER, type CompiledWindow } from './compiled.ts';
import type { Pools } from './pools.ts';

/**
 * The least of a value over a sliding window with a straight price on it, for a whole stretch of anchors at once:
 * a monotone queue, so that the width of the window costs nothing.
 */
export class WindowPass {
	private readonly times: Int32Array;
	private readonly keys: Int32Array;

	constructor(
		private readonly horizon: number,
		private readonly pools: Pools
	) {
		this.times = new Int32Array(horizon + 2);
		this.keys = new Int32Array(horizon + 2);
	}

	/**
	 * into[a] = min(into[a], min over t of value[t] + extra[t] + price(t - a)), for anchors a in [low, high] and
	 * starts t in [from, to] within the window, as far as what the lag holds is free from a to t.
	 */
	forward(
		window: CompiledWindow,
		value: Int32Array,
		extra: Int32Array | null,
		from: number,
		to: number,
		into: Int32Array,
		low: number,
		high: number
	): void {
		const { times, keys } = this;
		const first = low < 0 ? 0 : low;
		const last = high > this.horizon ? this.horizon : high;
		let held = window.holds.length > 0 ? this.pools.view(window.holds[0]?.view ?? 0) : null;
		const more = window.holds.length > 1;
		// Free from the first anchor to the last start: nothing of it is in the way.
		if (held !== null && !more && first <= last && (held[first] as number) >= to) held = null;
		const { pieces } = window;
		for (let p = 0; p < pieces.length; p += 1) {
			const piece = pieces[p] as CompiledWindow['pieces'][number];
			const { least, most, slope, base } = piece;
			if (slope === 0 && held === null && last + most >= to && first + most >= to) {
				this.openForward(least, base, value, extra, from, to, into, first, last);
				continue;
			}
			let head = 0;
			let tail = 0;
			// Only anchors from which a start within [from, to] can be reached.
			const top = last + least > to ? to - least : last;
			const bottom = first + most < from ? from - most : first;
			let next = top + most < to ? top + most : to;
			for (let a = top; a >= bottom; a -= 1) {
				const low2 = a + least;
				const floor = low2 > from ? low2 : from;
				while (next >= floor) {
					const v = (value[next] as number) + (extra === null ? 0 : (extra[next] as number));
					if (v < NEVER) {
						const key = v + slope * next;
						while (tail > head && (keys[tail - 1] as number) >= key) tail -= 1;
						keys[tail] = key;
						times[tail] = next;
						tail += 1;
					}
					next -= 1;
				}
				let limit = a + most;
				if (held !== null) {
					const until = held[a] as number;
					if (until < limit) limit = until;
					if (more)
						for (let h = 1; h < window.holds.length; h += 1) {
							const other = this.pools.view(window.holds[h]?.view ?? 0)[a] as number;
							if (other < limit) limit = other;
						}
				}
				while (tail > head && (times[head] as number) > limit) head += 1;
				if (tail === head) {
					head = 0;
					tail = 0;
					continue;
				}
				const best = (keys[head] as number) + base - slope * a;
				if (best < (into[a] as number)) into[a] = best;
			}
		}
	}

	/** The same for a piece that reaches beyond every start and costs one price: the least from there on. */
	private openForward(
		least: number,
		base: number,
		value: Int32Array,
		extra: Int32Array | null,
		from: number,
		to: number,
		into: Int32Array,
		first: number,
		last: number
	): void {
		let best = NEVER;
		let next = to;
		const top = last + least > to ? to - least : last;
		for (let a = top; a >= first; a -= 1) {
			const floor = a + least > from ? a + least : from;
			for (; next >= floor; next -= 1) {
				const v = (value[next] as number) + (extra === null ? 0 : (extra[next] as number));
				if (v < best) best = v;
			}
			if (best + base < (into[a] as number)) into[a] = best + base;
		}
	}

	/**
	 * The same looking back: into[s] = min over t of value[t] + price(s - offset - t), for later starts s in
	 * [low, high] and earlier starts t in [from, to], whose lag begins at t + offset.
	 */
	backward(
		window: CompiledWindow,
		value: Int32Array,
		from: number,
		to: number,
		offset: number,
		into: Int32Array,
		low: number,
		high: number
	): void {
		const { times, keys } = this;
		const first = low < 0 ? 0 : low;
		const last = high > this.horizon ? this.horizon : high;
		for (const { least, most, slope, base } of window.pieces) {
			let head = 0;
			let tail = 0;
			let next = Math.max(from, first - offset - most);
			for (let s = first; s <= last; s += 1) {
				const ceiling = Math.min(to, s - offset - least);
				for (; next <= ceiling; next += 1) {
					const v = value[next] as number;
					if (v >= NEVER) continue;
					const key = v - slope * next;
					while (tail > head && (keys[tail - 1] as number) >= key) tail -= 1;
					keys[tail] = key;
					times[tail] = next;
					tail += 1;
				}
				while (tail > head) {
					const t = times[head] as number;
					if (t >= s - offset - most && this.heldUntil(window, t + offset) >= s) break;
					head += 1;
				}
				if (tail === head) continue;
				const best = (keys[head] as number) + base + slope * (s - offset);
				if (best < (into[s] as number)) into[s] = best;
			}
		}
	}

	private heldUntil(window: CompiledWindow, anchor: number): number {
		let until = this.horizon;
		for (const { view } of window.holds)
			until = Math.min(until, this.pools.view(view)[anchor] ?? 0);
		return until;
	}
}
