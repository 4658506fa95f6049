import type { Price } from '../problem.ts';
import {
	NEVER,
	type Compiled,
	type CompiledMode,
	type CompiledPrice,
	type CompiledWindow
} from './compiled.ts';

/** Written out: a spread gives each the shape of what it came from, and whatever reads prices is slow for all. */
export function compiledPrice({ of, at, early, late, away, tier }: Price): CompiledPrice {
	return { ofStart: of === 'start', at, early, late, away, tier };
}

/** What a lag costs in a window; NEVER where it is forbidden. */
export function priceOfLag(window: CompiledWindow, lag: number): number {
	if (lag < window.least)
		return lag < window.hardLeast
			? NEVER
			: window.price * (window.wish - window.least) + window.outside * (window.least - lag);
	if (lag > window.most)
		return lag > window.hardMost
			? NEVER
			: window.price * (window.most - window.wish) + window.outside * (lag - window.most);
	const off = lag - window.wish;
	return window.price * (off < 0 ? -off : off);
}

export function priceAt(price: CompiledPrice, start: number, end: number): number {
	const off = (price.ofStart ? start : end) - price.at;
	if (off === 0) return 0;
	return price.away + (off < 0 ? -off * price.early : off * price.late);
}

/** The first time from which on one of some prices is for being late, or a time before. */
export function firstLate(prices: readonly CompiledPrice[], first: number): number {
	for (const price of prices) if (price.late > 0 && price.at < first) first = price.at;
	return first;
}

/** True where a mode costs nothing by its start alone, and its hands are there all the time: such share one row. */
export function isFree({ prices }: Compiled, mode: CompiledMode): boolean {
	if (mode.price !== 0) return false;
	for (const price of prices[mode.task] as readonly CompiledPrice[])
		if (price.ofStart || !mode.portion) return false;
	for (const { plenty } of mode.demands) if (plenty) return false;
	return true;
}
