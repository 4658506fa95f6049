import type { TimeConstantView } from '../../contracts/learned-views.ts';
import { placeOf } from '../../core/bake-day/index.ts';
import {
	ownWarming,
	timeConstantRevealed,
	timeConstantSpread
} from '../../core/fermentation/index.ts';
import type { WaitPlace, WaitStep } from '../../core/formula/index.ts';
import { estimate } from '../../core/learning/index.ts';
import type { DoughTemperatureRow } from '../db/dough-temperatures.ts';
import type { DoughCheckRow, DoughMoveRow } from '../db/dough-watch.ts';

/** How far the time constant of the book may be off, as a standard deviation of its logarithm (our default). */
const PRIOR_SPREAD = 0.4;
/** How well a thermometer tells a dough, in kelvins (our defaults). */
const THERMOMETER_KELVINS = { typed: 0.4, 'core-probe': 0.3, 'surface-thermometer': 1.2 } as const;
/** No pair of readings tells a constant better than this: tubs stand here and there (our default). */
const LEAST_SPREAD = 0.1;

/** What the checks of a formula's doughs were measured against: the mix before, and moves between. */
export interface TubHistory {
	/** Newest first. */
	readonly checks: readonly DoughCheckRow[];
	readonly mixed: readonly DoughTemperatureRow[];
	readonly moves: readonly DoughMoveRow[];
	readonly ignored: ReadonlySet<string>;
}

/** The time constant of a dough's tub in one place, learned from pairs of temperatures; null without a leg there. */
export function learnedTub(
	step: WaitStep,
	place: WaitPlace,
	{ checks, mixed, moves, ignored }: TubHistory
): TimeConstantView | null {
	const leg = step.legs.find((one) => one.place === place);
	if (!leg || !Number.isFinite(leg.timeConstantMinutes)) return null;
	const observations = checks.flatMap((check) => {
		if (check.place !== place) return [];
		const before = pointBefore(check, checks, mixed);
		if (!before || movedBetween(moves, check, before.atMs)) return [];
		const minutes = (check.occurredAtMs - before.atMs) / 60_000;
		const { selfHeating } = placeOf(step, leg);
		const own = selfHeating ? ownWarming(selfHeating, before.celsius, check.celsius, minutes) : 0;
		const later = check.celsius - own;
		const found = timeConstantRevealed(before.celsius, later, check.ambientCelsius, minutes);
		if (!found.ok) return [];
		const thermometer = THERMOMETER_KELVINS[check.instrument];
		const spread = timeConstantSpread(before.celsius, later, check.ambientCelsius, thermometer);
		return [
			{
				id: check.id,
				value: found.value,
				spread: Math.max(LEAST_SPREAD, spread),
				fromCelsius: before.celsius,
				toCelsius: check.celsius,
				ambientCelsius: check.ambientCelsius,
				minutes,
				ignored: ignored.has(check.id),
				occurredAtMs: check.occurredAtMs
			}
		];
	});
	// A constant is a ratio of times: it is believed by its logarithm.
	const belief = estimate(
		{ mean: Math.log(leg.timeConstantMinutes), spread: PRIOR_SPREAD },
		observations
			.filter((one) => !one.ignored)
			.map((one) => ({ id: one.id, value: Math.log(one.value), spread: one.spread }))
	);
	return {
		place,
		mean: belief.used.length > 0 ? Math.exp(belief.mean) : leg.timeConstantMinutes,
		band: { low: Math.exp(belief.band.low), high: Math.exp(belief.band.high) },
		book: leg.timeConstantMinutes,
		used: belief.used.length,
		observations: observations.map(({ spread: _, ...one }) => ({
			...one,
			leftOut: belief.leftOut.includes(one.id)
		}))
	};
}

function isSameMix(
	a: { readonly date: string; readonly formulaId: string; readonly ordinal: number },
	b: { readonly date: string; readonly formulaId: string; readonly ordinal: number }
): boolean {
	return a.date === b.date && a.formulaId === b.formulaId && a.ordinal === b.ordinal;
}

function pointBefore(
	check: DoughCheckRow,
	checks: readonly DoughCheckRow[],
	mixed: readonly DoughTemperatureRow[]
): { readonly celsius: number; readonly atMs: number } | null {
	const points = [
		...checks
			.filter((one) => one.id !== check.id && isSameMix(one, check))
			.map((one) => ({ celsius: one.celsius, atMs: one.occurredAtMs })),
		...mixed
			.filter((one) => isSameMix(one, check))
			.map((one) => ({ celsius: one.doughCelsius, atMs: one.occurredAtMs }))
	].filter((one) => one.atMs < check.occurredAtMs);
	return points.sort((a, b) => b.atMs - a.atMs)[0] ?? null;
}

function movedBetween(
	moves: readonly DoughMoveRow[],
	check: DoughCheckRow,
	fromMs: number
): boolean {
	return moves.some(
		(move) =>
			isSameMix(move, check) && move.occurredAtMs > fromMs && move.occurredAtMs < check.occurredAtMs
	);
}
