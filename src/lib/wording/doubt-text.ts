import { formatTemperature, type UnitChoice } from '../core/units/index.ts';
import { clockText } from './time-text.ts';

/** A dough so far from what it was forecast at was more likely read or typed wrongly (our default). */
const FAR_KELVINS = 6;
/** Nobody mixes a dough so long before its plan without knowing it (our default). */
const EARLY_MS = 3 * 3_600_000;

interface Reading {
	readonly celsius: number;
	/** What it was forecast at; null where nothing forecasts it. */
	readonly expectedCelsius: number | null;
	/** When the accepted plan begins it; null without one. */
	readonly plannedMs: number | null;
	readonly nowMs: number;
}

/**
 * What makes a reading unlikely, to be asked once before it is kept; null for one that may well be so. Each doubt
 * stands by itself: a dough can be hours early and far off.
 */
export function doubtText(
	{ celsius, expectedCelsius, plannedMs, nowMs }: Reading,
	units: UnitChoice,
	timeZone: string
): string | null {
	const doubts: string[] = [];
	const degrees = (celsius: number) => formatTemperature({ celsius }, 1, units);
	if (expectedCelsius !== null && Math.abs(celsius - expectedCelsius) > FAR_KELVINS)
		doubts.push(
			`It was expected at ${degrees(expectedCelsius)}, and ${degrees(celsius)} is far from that.`
		);
	if (plannedMs !== null && plannedMs - nowMs > EARLY_MS)
		doubts.push(`The plan begins it only at ${clockText(plannedMs, timeZone)}.`);
	return doubts.length > 0 ? `${doubts.join(' ')} If it is so, keep it once more.` : null;
}
