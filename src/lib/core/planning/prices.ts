import { MINUTE_MS } from '../time/index.ts';
import {
	withPriceOnMoving,
	type Plan,
	type Price,
	type Problem,
	type Span,
	type Window
} from '../schedule/index.ts';
import { GRID_MINUTES, unitsFilled, unitsWithin, type Grid } from './grid.ts';
import type { BakeDayInput } from './input.ts';
import type { WaitWindow } from './wait-window.ts';

/** What a plan is judged by, each reported by itself; the prices put one above another. */
export const TIERS = ['late', 'found', 'ripe', 'fresh', 'night', 'oven', 'moved'] as const;
export const TIER = { late: 0, found: 1, ripe: 2, fresh: 3, night: 4, oven: 5, moved: 6 } as const;

/** What a grid unit costs (our defaults; the order of the goals is the domain's). */
const LATE = 150;
/** Less than the wished slack before a drop. */
const CLOSE = 10;
const MEANT = 40;
/** Packed sooner than wished, and out of the oven sooner than its cooling and packing ask for. */
const STALE = 1;
const BAKED_EARLY = 2;
const NIGHT = 2;
const OVEN = 1;
/** Somebody has to be found for something, once for each. */
const FOUND = 60;
/** Outside a window where nothing else will do. */
const OUTSIDE = 100;
/** Moved from where it stood, once for each task. */
const MOVED = 12;

/** What is wanted between the end of a chain and the time its drop has to be ready (our default, in minutes). */
export const SLACK_MINUTES = 15;

export const FOUND_PRICE = { amount: FOUND, tier: TIER.found };
export const OVEN_PRICE = { tier: TIER.oven, onPrice: OVEN };

/** A problem in which what stands is moved only for a reason. */
export function priceOnMoving(problem: Problem, inForce: Plan): Problem {
	return withPriceOnMoving(problem, inForce, { price: MOVED, tier: TIER.moved });
}

/** Off its wish a window costs the more for a unit, the narrower it is. */
const WHOLE_WINDOW = 60;
const LEAST_OFF_WISH = 2;
const MOST_OFF_WISH = 15;

/** How a window may be used outside: not at all, overstayed alone, or sooner too, where both its ends happened. */
export type Softness = 'hard' | 'may-overstay' | 'happened';

/** A window in minutes as one of the engine, on its grid. */
export function windowOn(
	{ least, wish, most }: WaitWindow,
	softness: Softness,
	holds: Window['holds'] = []
): Window {
	const low = unitsFilled(least);
	const high = most === null ? null : Math.max(low, unitsWithin(most));
	const best = Math.max(low, Math.min(high ?? Infinity, Math.round(wish / GRID_MINUTES)));
	const price =
		high === null
			? 0
			: Math.max(
					LEAST_OFF_WISH,
					Math.min(MOST_OFF_WISH, Math.round(WHOLE_WINDOW / Math.max(1, high - low)))
				);
	return {
		least: low,
		most: high,
		wish: high === null ? null : best,
		price,
		outside: softness === 'hard' ? null : OUTSIDE,
		firmLeast: softness === 'may-overstay',
		tier: TIER.ripe,
		holds
	};
}

/** What the end of a chain costs by its distance from its drop. */
export function duePrices(task: string, readyUnit: number, leadUnits: number): readonly Price[] {
	const wished = readyUnit - unitsFilled(SLACK_MINUTES) - leadUnits;
	return [
		{
			id: `due ${task}`,
			task,
			of: 'end',
			at: readyUnit,
			early: 0,
			late: LATE,
			away: 0,
			tier: TIER.late
		},
		{
			id: `slack ${task}`,
			task,
			of: 'end',
			at: wished,
			early: STALE,
			// What is asked for beyond the usual is meant.
			late: leadUnits > 0 ? MEANT : CLOSE,
			away: 0,
			tier: TIER.fresh
		}
	];
}

/** Somebody has to be found to pick or to drive: dearer than an hour's lateness, so that it is last of all. */
export const FOUND_FOR_DROP_PRICE = { amount: (60 / GRID_MINUTES) * LATE, tier: TIER.found };

/** What leaving with a drop costs by its distance from the last moment for it: dear too late, a little too early. */
export function leavingPrices(task: string, leavesBy: number): readonly Price[] {
	return [lateFor('leaves', task, 'start', leavesBy), earlyFor('leaves', task, 'start', leavesBy)];
}

/** What picking a drop costs: it is done by the time it leaves, and not long before; too late only where it is all there is. */
export function pickedPrices(task: string, leavesBy: number, isAll: boolean): readonly Price[] {
	const early = earlyFor('picked', task, 'end', leavesBy);
	return isAll ? [lateFor('picked', task, 'end', leavesBy), early] : [early];
}

function lateFor(what: string, task: string, of: Price['of'], at: number): Price {
	return {
		id: `${what} late ${task}`,
		task,
		of,
		at,
		early: 0,
		late: LATE,
		away: 0,
		tier: TIER.late
	};
}

function earlyFor(what: string, task: string, of: Price['of'], at: number): Price {
	return {
		id: `${what} early ${task}`,
		task,
		of,
		at,
		early: STALE,
		late: 0,
		away: 0,
		tier: TIER.fresh
	};
}

/** Nothing is baked longer than this before its drop, cooling and packing aside, unless nothing else will do (our default). */
const FRESH_WITHIN_MINUTES = 18 * 60;

/** The first unit in which a load may be baked for its drop. */
export function freshFrom(readyUnit: number, afterMinutes: number): number {
	return readyUnit - unitsFilled(FRESH_WITHIN_MINUTES + afterMinutes);
}

/** What a load costs by how long before its drop it leaves the oven, `afterMinutes` of cooling and packing aside. */
export function freshPrice(bake: string, readyUnit: number, afterMinutes: number): Price {
	return {
		id: `fresh ${bake}`,
		task: bake,
		of: 'end',
		at: readyUnit - unitsFilled(SLACK_MINUTES) - unitsFilled(afterMinutes),
		early: BAKED_EARLY,
		late: 0,
		away: 0,
		tier: TIER.fresh
	};
}

/** The night begins late in the evening before; what is done before is the day's (our default). */
const NIGHT_BEGINS_HOURS_BEFORE_READY = 9;

/** How long the night's work stretches over, from its first hands on. */
export function wakeSpan(
	input: BakeDayInput,
	grid: Grid,
	tasks: readonly string[]
): readonly Span[] {
	const ready = input.drops.map(({ readyByMs }) => readyByMs);
	if (tasks.length === 0 || ready.length === 0) return [];
	const floor = grid.floor(Math.min(...ready) - NIGHT_BEGINS_HOURS_BEFORE_READY * 60 * MINUTE_MS);
	return [
		{
			id: 'night',
			tasks,
			floor: Math.max(0, floor),
			until: grid.ceil(Math.max(...ready)),
			price: NIGHT,
			tier: TIER.night
		}
	];
}
