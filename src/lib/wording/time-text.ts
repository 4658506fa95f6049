import { wallTimeOf } from '../core/time/index.ts';

/** Times and dates as the bakery reads them, always in its own zone. */
const LOCALE = 'en-GB';

type Form = 'clock' | 'day' | 'whole date' | 'month';

const FORMS: Readonly<Record<Form, Intl.DateTimeFormatOptions>> = {
	clock: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
	day: { weekday: 'short', day: 'numeric', month: 'short' },
	'whole date': { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
	month: { month: 'short', year: '2-digit' }
};

/** Making a formatter costs a hundred times what using it does, and a night's plan tells a thousand times. */
const made = new Map<string, Intl.DateTimeFormat>();

function told(form: Form, epochMs: number, zone: string): string {
	const key = `${form} ${zone}`;
	let formatter = made.get(key);
	if (!formatter) {
		formatter = new Intl.DateTimeFormat(LOCALE, { ...FORMS[form], timeZone: zone });
		made.set(key, formatter);
	}
	return formatter.format(epochMs);
}

/** HH:MM on the bakery's wall. */
export function clockText(epochMs: number, zone: string): string {
	return told('clock', epochMs, zone);
}

/**
 * The last moment, up to a given one, at which the bakery's wall showed a time; the given one where it never did, as in the hour
 * that a clock change skips.
 */
export function lastShowing(time: string, upToMs: number, zone: string): number {
	const minuteMs = Math.floor(upToMs / 60_000) * 60_000;
	for (let back = 0; back <= 25 * 60; back += 1)
		if (clockText(minuteMs - back * 60_000, zone) === time) return minuteMs - back * 60_000;
	return upToMs;
}

/** "Tue 24 Nov" on the bakery's wall. */
export function dayText(epochMs: number, zone: string): string {
	return told('day', epochMs, zone);
}

/** "2026-11-24" on the bakery's wall, as tables have it. */
export function isoDayText(epochMs: number, zone: string): string {
	return wallTimeOf({ epochMs }, zone).date;
}

/** "Tuesday 24 November 2026" of a calendar date; no zone is asked, a date has none. */
export function dateText(date: string): string {
	return told('whole date', Date.parse(`${date}T00:00:00Z`), 'UTC');
}

/** "Tue 24 Nov" of a calendar date. */
export function shortDateText(date: string): string {
	return dayText(Date.parse(`${date}T00:00:00Z`), 'UTC');
}

/** How long ago, in the words of a glance: "just now", "12 min ago", "3 h ago", "2 days ago". */
export function ageText(thenMs: number, nowMs: number): string {
	return nowMs - thenMs < 60_000 ? 'just now' : `${spanText(nowMs - thenMs)} ago`;
}

/** A length of time at a glance, never more than it is: "12 min", "3 h", "2 days". */
export function spanText(ms: number): string {
	const minutes = Math.floor(ms / 60_000);
	if (minutes < 60) return `${minutes} min`;
	if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h`;
	return `${Math.floor(minutes / (24 * 60))} days`;
}

/** A length of days: "one day", "9 days". */
export function daysText(ms: number): string {
	const days = Math.max(1, Math.floor(ms / (24 * 3_600_000)));
	return days === 1 ? 'one day' : `${days} days`;
}

const FAR_MS = 12 * 3_600_000;
const QUARTER_MS = 15 * 60_000;

/**
 * A moment as it is said at another: "01:52" within the day's turn, "Wed 25 Nov 06:10" further back. What lies further
 * ahead nobody knows to the minute: "about Wed 25 Nov 06:15", to the quarter of an hour.
 */
export function momentText(epochMs: number, nowMs: number, zone: string): string {
	if (Math.abs(epochMs - nowMs) < FAR_MS) return clockText(epochMs, zone);
	const isAhead = epochMs > nowMs;
	const saidMs = isAhead ? Math.round(epochMs / QUARTER_MS) * QUARTER_MS : epochMs;
	return `${isAhead ? 'about ' : ''}${dayText(saidMs, zone)} ${clockText(saidMs, zone)}`;
}

/** "Nov 26" of a calendar date, for the axis of a year. */
export function monthText(date: string): string {
	return told('month', Date.parse(`${date}T00:00:00Z`), 'UTC');
}
