import type { Instant } from './instant.ts';

/**
 * The bakery's clock as data: at the real instant `anchorRealMs` the bakery's clock showed
 * `anchorBakeryMs`, and it runs `rate` times as fast as real time. A rehearsal or a test
 * changes this row; everything that asks for the time asks it of this clock.
 */
export interface BakeryClock {
	readonly anchorRealMs: number;
	readonly anchorBakeryMs: number;
	readonly rate: number;
}

/** A clock that shows real time. */
export const REAL_TIME: BakeryClock = { anchorRealMs: 0, anchorBakeryMs: 0, rate: 1 };

/** What the bakery's clock shows when real time is `real`. */
export function bakeryTime(clock: BakeryClock, real: Instant): Instant {
	return {
		epochMs: clock.anchorBakeryMs + (real.epochMs - clock.anchorRealMs) * clock.rate
	};
}
