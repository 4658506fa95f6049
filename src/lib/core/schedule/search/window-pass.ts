import type { Kernel } from '../kernel/kernel.ts';
import type { LagPiece, Row } from '../kernel/row.ts';
import type { CompiledWindow } from './compiled.ts';
import type { Pools } from './pools.ts';

/**
 * The least of a value over a sliding window with a straight price on it, for a whole stretch of anchors at once: by
 * stretches of twice the length each time, or by a queue where the window is wide or something is held meanwhile.
 */
export class WindowPass {
	/** For the starts of all windows, or what is kept of each start. */
	private readonly room: Row;
	/** Where a lag holds several things, until when all of them are free. */
	private readonly heldOfAll: Row;

	constructor(
		private readonly horizon: number,
		private readonly pools: Pools,
		private readonly kernel: Kernel
	) {
		this.room = kernel.row(roomOfWindows(horizon));
		this.heldOfAll = kernel.row(horizon + 1);
	}

	/**
	 * into[a] = min(into[a], min over t of value[t] + extra[t] + price(t - a)), for anchors a in [low, high] and
	 * starts t in [from, to] within the window, as far as what the lag holds is free from a to t.
	 */
	forward(
		window: CompiledWindow,
		value: Row,
		extra: Row | null,
		from: number,
		to: number,
		into: Row,
		low: number,
		high: number
	): void {
		const { horizon, kernel, room } = this;
		const first = low < 0 ? 0 : low;
		const last = high > horizon ? horizon : high;
		if (first > last) return;
		let held = this.heldBy(window, first, last);
		// Free from the first anchor to the last start: nothing of it is in the way.
		if (held !== null && (held[first] as number) >= to) held = null;
		const { pieces } = window;
		for (let p = 0; p < pieces.length; p += 1) {
			const piece = pieces[p] as LagPiece;
			const { least, most, slope, base } = piece;
			if (slope === 0 && held === null && last + most >= to && first + most >= to) {
				kernel.leastFrom(piece, value, extra, from, to, into, first, last);
				continue;
			}
			// Only anchors from which a start within [from, to] can be reached.
			const top = last + least > to ? to - least : last;
			const bottom = first + most < from ? from - most : first;
			if (top < bottom) continue;
			const starts = top - bottom + most - least + 1;
			const fits = starts <= 2 * horizon && starts <= 2 * (top - bottom + to - from) + 64;
			const flat = Math.abs(slope) * horizon < MOST_TILTED && Math.abs(base) < 2 * MOST_TILTED;
			if (held === null && fits && flat)
				kernel.slide(piece, value, extra, from, to, into, bottom, top, room);
			else kernel.slideHeld(piece, value, extra, held, from, to, into, bottom, top, room);
		}
	}

	/**
	 * The same looking back: into[s] = min over t of value[t] + price(s - offset - t), for later starts s in
	 * [low, high] and earlier starts t in [from, to], whose lag begins at t + offset.
	 */
	backward(
		window: CompiledWindow,
		value: Row,
		from: number,
		to: number,
		offset: number,
		into: Row,
		low: number,
		high: number
	): void {
		const { horizon, kernel, room } = this;
		const first = low < 0 ? 0 : low;
		const last = high > horizon ? horizon : high;
		const held = this.heldBy(window, Math.max(0, from + offset), Math.min(horizon, to + offset));
		const { pieces } = window;
		for (let p = 0; p < pieces.length; p += 1)
			kernel.slideBack(
				pieces[p] as LagPiece,
				value,
				held,
				from,
				to,
				offset,
				into,
				first,
				last,
				room
			);
	}

	/** By time within [from, to], until when all that a lag holds is free; null where it holds nothing. */
	private heldBy({ holds }: CompiledWindow, from: number, to: number): Row | null {
		if (holds.length === 0) return null;
		const only = this.pools.view((holds[0] as CompiledWindow['holds'][number]).view);
		if (holds.length === 1) return only;
		const { heldOfAll, kernel } = this;
		kernel.copy(heldOfAll, only, from, to);
		for (let at = 1; at < holds.length; at += 1) {
			const { view } = holds[at] as CompiledWindow['holds'][number];
			kernel.lesser(heldOfAll, this.pools.view(view), from, to);
		}
		return heldOfAll;
	}
}

/** With no more than this over the whole of time, values that are tilted stay well within 32 bits. */
const MOST_TILTED = 1 << 29;

/** How many numbers a pass wants room for: four for each start. */
export function roomOfWindows(horizon: number): number {
	return 4 * horizon + 32;
}
