import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';

/** How much of a plan is looked at: all of it, its night, or a few hours. */
export const ZOOMS = ['whole', 'night', 'hours'] as const;
export type Zoom = (typeof ZOOMS)[number];

export interface TimeWindow {
	readonly from: number;
	readonly to: number;
}

const HOUR_MS = 3_600_000;
/** The night begins this much before its first drop has to be ready, and a close look takes this much (our defaults). */
const NIGHT_HOURS = 9;
const CLOSE_HOURS = 4;

/** All that a plan has, from hour to hour. */
export function wholeOf(plan: DayPlan): TimeWindow {
	const starts = [
		...plan.tasks.map((task) => task.startMs),
		...plan.ovens.map((oven) => oven.atMs)
	];
	const ends = [...plan.tasks.map((task) => task.endMs), ...plan.drops.map((drop) => drop.dueMs)];
	return {
		from: Math.floor(Math.min(...starts) / HOUR_MS) * HOUR_MS,
		to: Math.ceil((Math.max(...ends) + HOUR_MS / 4) / HOUR_MS) * HOUR_MS
	};
}

/** What is looked at, around a moment where it is a few hours; within all that there is. */
export function windowOf(
	plan: DayPlan,
	input: BakeDayInput,
	zoom: Zoom,
	aroundMs: number
): TimeWindow {
	const whole = wholeOf(plan);
	switch (zoom) {
		case 'whole':
			return whole;
		case 'night': {
			const first = Math.min(...input.drops.map(({ readyByMs }) => readyByMs));
			const from = Math.floor((first - NIGHT_HOURS * HOUR_MS) / HOUR_MS) * HOUR_MS;
			return { from: Math.max(whole.from, from), to: whole.to };
		}
		case 'hours': {
			const middle = Math.floor((aroundMs - (CLOSE_HOURS * HOUR_MS) / 2) / HOUR_MS) * HOUR_MS;
			const last = Math.max(whole.from, whole.to - CLOSE_HOURS * HOUR_MS);
			const from = Math.min(last, Math.max(whole.from, middle));
			return { from, to: from + CLOSE_HOURS * HOUR_MS };
		}
	}
}

/** The moment a close look goes to, half of it on or back. */
export function stepped(aroundMs: number, by: -1 | 1): number {
	return aroundMs + (by * CLOSE_HOURS * HOUR_MS) / 2;
}
