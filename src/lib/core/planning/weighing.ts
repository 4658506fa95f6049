import { unitsWithin } from './grid.ts';
import type { CourseStep } from './course.ts';
import { TIER } from './prices.ts';
import type { Run } from './runs.ts';
import type { Window } from '../schedule/index.ts';

/** Where weighing up stands in a chain: before its first step. */
const BEFORE_THE_CHAIN = -1;

/** What was weighed up dry may stand so long before it is mixed (our default, in minutes). */
const STANDS_MINUTES = 12 * 60;

/**
 * Weighing up, as a run before the first of a chain.
 * Range: minutes above 0. Source: domain (what a night's list holds); how long it may stand is our default. Failures: none.
 */
export function weighingRun(minutes: number): Run {
	const step: CourseStep = {
		step: {
			kind: 'hands-on',
			activity: 'weigh',
			machine: null,
			fixedMinutes: minutes,
			secondsPerPiece: 0,
			endsAtCelsius: null,
			detail: { kind: 'none' }
		},
		minutes,
		startCelsius: 0,
		stretches: [],
		marks: null
	};
	return { kind: 'run', at: BEFORE_THE_CHAIN, steps: [step], activities: ['weigh'], mixer: false };
}

/** From weighing up to mixing: any time on the same day will do. */
export const UNTIL_MIXED: Window = {
	least: 0,
	most: unitsWithin(STANDS_MINUTES),
	wish: null,
	price: 0,
	outside: null,
	tier: TIER.ripe,
	holds: []
};
