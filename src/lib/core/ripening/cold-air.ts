import { MOST_FOLLOWED_MS } from './attention.ts';
import { followRetarder, type Retarder, type RetarderMoment } from '../fermentation/index.ts';
import type { RipenessClock } from '../formula/index.ts';
import { traceOf, type PlaceStretch } from './room-trace.ts';
import { liftOf } from './wait-course.ts';

/** A dough that went into a cold room. */
export interface ColdLoad {
	readonly inAtMs: number;
	readonly kilograms: number;
	readonly celsius: number;
	readonly timeConstantMinutes: number;
	readonly clock: RipenessClock;
}

/** A cold room with what is in it, from when the first of it went in. */
export interface ColdAir {
	readonly fromMs: number;
	readonly moments: readonly RetarderMoment[];
	readonly air: readonly PlaceStretch[];
}

/** The cold is followed over this time after the last load, in steps of this (our defaults). */
const FOLLOWED_MINUTES = 24 * 60;
const STEP_MINUTES = 10;

/**
 * Gives the air of a loaded cold room over the next day, with what its doughs still do in it.
 *
 * Model: as `followRetarder`, from when the first load went in; loads go in when they did. What was taken out
 * again is not counted, nor what went in before doughs are given up. Range: any number of loads, in order of time. Source: newton-cooling, rosso-1993.
 * Failures: none; an empty cold room stands at its set temperature.
 * Example: 25 kg at 25 degrees warm the air of a cabinet by some degrees for hours.
 */
export function coldAir(
	retarder: Retarder,
	all: readonly ColdLoad[],
	roomCelsius: number,
	nowMs: number
): ColdAir {
	const loads = all.filter(
		({ inAtMs }) => inAtMs > nowMs - MOST_FOLLOWED_MS && inAtMs < nowMs + FOLLOWED_MINUTES * 60_000
	);
	const fromMs = loads[0]?.inAtMs ?? nowMs;
	const lastMs = Math.max(nowMs, loads.at(-1)?.inAtMs ?? nowMs);
	const end = (lastMs - fromMs) / 60_000 + FOLLOWED_MINUTES;
	const steps = Math.ceil(end / STEP_MINUTES);
	const moments = followRetarder(
		retarder,
		loads.map(({ inAtMs, kilograms, celsius, timeConstantMinutes, clock }) => ({
			inAtMinutes: (inAtMs - fromMs) / 60_000,
			kilograms,
			startCelsius: celsius,
			timeConstantMinutes,
			curve: liftOf(clock),
			referenceCelsius: clock.referenceCelsius
		})),
		roomCelsius,
		Array.from({ length: steps + 1 }, (_, index) => index * STEP_MINUTES)
	);
	return {
		fromMs,
		moments,
		air: traceOf(
			moments.map(({ minutes, airCelsius }) => ({
				atMs: fromMs + minutes * 60_000,
				celsius: airCelsius
			}))
		)
	};
}
