import { Temporal } from 'temporal-polyfill';
import type { BakeDate } from './bake-date.ts';
import type { Instant } from './instant.ts';

/** A time on the bakery's wall, HH:MM. */
export type WallTime = string & { readonly __brand: 'wall-time' };

/**
 * Gives the instant at which a wall clock of the zone shows `time` on `date`.
 *
 * A wall time that a clock change skips moves forward by the length of the gap; one that
 * occurs twice means the first. Durations are physical: count them on instants.
 * Source: Temporal's "compatible" rule (tc39-temporal).
 * Example: 02:30 on the night Europe/London skips 01:00 to 02:00 is 01:30 UTC; 01:30 is skipped
 * and means 02:30 on the wall.
 */
export function instantOf(date: BakeDate, time: WallTime, zone: string): Instant {
	const local = Temporal.PlainDateTime.from(`${date}T${time}`);
	return {
		epochMs: local.toZonedDateTime(zone, { disambiguation: 'compatible' }).epochMilliseconds
	};
}

/** The date and wall time of an instant in a zone. */
export function wallTimeOf(
	instant: Instant,
	zone: string
): { readonly date: BakeDate; readonly time: WallTime } {
	const local = Temporal.Instant.fromEpochMilliseconds(
		Math.floor(instant.epochMs)
	).toZonedDateTimeISO(zone);
	return {
		date: local.toPlainDate().toString() as BakeDate,
		time: local.toPlainTime().toString({ smallestUnit: 'minute' }) as WallTime
	};
}

/** True when the zone is one this runtime knows. */
export function isKnownZone(zone: string): boolean {
	try {
		Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(zone);
		return true;
	} catch (error) {
		if (error instanceof RangeError) return false;
		throw error;
	}
}
