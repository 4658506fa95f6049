import { MINUTE_MS } from '../time/index.ts';
import type { CourseStep } from './course.ts';
import type { Begun } from './input.ts';
import type { ChainItem } from './runs.ts';
import { startsAround } from './starts-around.ts';
import type { WaitWindow } from './wait-window.ts';

/** What already happened to a chain. */
export interface Past {
	readonly mixedAtMs: number;
	/** The window of a wait that was ended; null while it goes on. */
	readonly endedAfter: WaitWindow | null;
	/** The minute at which an item began that lies in the past; null for one to come. */
	readonly startOf: (item: ChainItem) => number | null;
}

/** What of a chain lies in the past, since its mix came out when it did. */
export function pastOf(steps: readonly CourseStep[], begun: Begun): Past {
	const around = startsAround(steps, begun);
	const mixedBy = steps.findLastIndex(
		({ step }, at) =>
			step.kind === 'hands-on' &&
			step.activity === 'mix' &&
			(around[at]?.end ?? Infinity) * MINUTE_MS <= begun.mixedAtMs + MINUTE_MS
	);
	const endedMinutes =
		begun.endedAtMs === null ? null : (begun.endedAtMs - begun.mixedAtMs) / MINUTE_MS;
	return {
		mixedAtMs: begun.mixedAtMs,
		endedAfter:
			endedMinutes === null
				? null
				: { least: Math.max(0, endedMinutes), wish: Math.max(0, endedMinutes), most: null },
		startOf: ({ at }) => (at <= mixedBy ? (around[at]?.start ?? null) : null)
	};
}
