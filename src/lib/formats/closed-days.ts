import ICAL from 'ical.js';
import type { ClosedDaysContent } from '../core/bakery/index.ts';
import { fail, ok, type Result } from '../core/result.ts';
import { addDays, parseBakeDate, type BakeDate } from '../core/time/index.ts';

/** Days of a calendar on which a bakery may be closed. */
export interface CalendarDays extends ClosedDaysContent {
	readonly name: string;
}

/** What of a calendar was not read, by the number of its event. */
export interface CalendarProblem {
	readonly event: number;
	readonly name: string;
	readonly kind: 'no-date' | 'date-out-of-range' | 'repeats-otherwise';
}

export interface CalendarRead {
	readonly days: readonly CalendarDays[];
	readonly problems: readonly CalendarProblem[];
}

export type CalendarFailure =
	{ readonly kind: 'not-a-calendar' } | { readonly kind: 'too-large'; readonly most: number };

/** A calendar of holidays has a few dozen events; more than this is another file. */
export const MOST_CALENDAR_EVENTS = 1000;
export const MOST_CALENDAR_BYTES = 1_000_000;

/**
 * Reads closed days from an iCalendar file.
 *
 * Model: every event is a stretch of whole days; an end that is a date is the day after the last. One that repeats every
 * year is read as such; of one that repeats otherwise only the first is read, and said.
 * Range: RFC 5545; dates from 2000 to 2199. Source: rfc-5545. Failures: `not-a-calendar`; `too-large`.
 * Example: DTSTART;VALUE=DATE:20261225 and DTEND;VALUE=DATE:20261227 are the 25th and the 26th.
 */
export function readClosedDays(text: string): Result<CalendarRead, CalendarFailure> {
	if (text.length > MOST_CALENDAR_BYTES)
		return fail({ kind: 'too-large', most: MOST_CALENDAR_BYTES });
	const calendar = calendarOf(text);
	if (!calendar) return fail({ kind: 'not-a-calendar' });
	const events = calendar.getAllSubcomponents('vevent');
	if (events.length > MOST_CALENDAR_EVENTS)
		return fail({ kind: 'too-large', most: MOST_CALENDAR_EVENTS });
	const days: CalendarDays[] = [];
	const problems: CalendarProblem[] = [];
	for (const [at, event] of events.entries()) {
		const name = nameOf(event);
		const from = dayOf(event, 'dtstart');
		if (!from) {
			problems.push({ event: at + 1, name, kind: 'no-date' });
			continue;
		}
		const [fromDate, toDate] = [from.date, lastDay(event, from)];
		if (!fromDate || !toDate) {
			problems.push({ event: at + 1, name, kind: 'date-out-of-range' });
			continue;
		}
		const repeats = event.getFirstPropertyValue('rrule');
		const yearly = repeats instanceof ICAL.Recur && repeats.freq === 'YEARLY';
		if (repeats && !yearly) problems.push({ event: at + 1, name, kind: 'repeats-otherwise' });
		days.push({ name, fromDate, toDate: toDate < fromDate ? fromDate : toDate, yearly });
	}
	return ok({ days, problems });
}

function calendarOf(text: string): ICAL.Component | null {
	try {
		const component = new ICAL.Component(ICAL.parse(text) as unknown[]);
		return component.name === 'vcalendar' ? component : null;
	} catch {
		// The library throws for anything that is no calendar.
		return null;
	}
}

const MOST_NAME = 200;

function nameOf(event: ICAL.Component): string {
	const summary = event.getFirstPropertyValue('summary');
	const text = typeof summary === 'string' ? summary.replace(/\s+/gu, ' ').trim() : '';
	return text.slice(0, MOST_NAME) || 'Closed';
}

interface CalendarDay {
	/** null beyond what the calendar of the bakery knows. */
	readonly date: BakeDate | null;
	/** It says a day and no time. */
	readonly whole: boolean;
}

function dayOf(event: ICAL.Component, property: 'dtstart' | 'dtend'): CalendarDay | null {
	const value = event.getFirstPropertyValue(property);
	if (!(value instanceof ICAL.Time)) return null;
	const two = (number: number) => String(number).padStart(2, '0');
	const read = parseBakeDate(
		`${String(value.year).padStart(4, '0')}-${two(value.month)}-${two(value.day)}`
	);
	return { date: read.ok ? read.value : null, whole: value.isDate };
}

function lastDay(event: ICAL.Component, from: CalendarDay): BakeDate | null {
	const end = dayOf(event, 'dtend');
	if (!end) return from.date;
	return end.date && end.whole ? addDays(end.date, -1) : end.date;
}
