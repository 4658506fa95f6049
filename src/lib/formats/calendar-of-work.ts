import ICAL from 'ical.js';

/** Something to be done, as a calendar has it. */
export interface CalendarEntry {
	/** The same for the same thing in every version of a plan. */
	readonly uid: string;
	/** How often it was told anew. */
	readonly sequence: number;
	readonly toldAtMs: number;
	readonly startMs: number;
	readonly endMs: number;
	readonly summary: string;
	readonly description: string;
	readonly location: string;
}

/** What takes no time of its own is shown this long. */
const LEAST_MS = 5 * 60_000;

/**
 * Writes an iCalendar file, each entry with an alarm before it begins.
 *
 * Model: moments are written in UTC, so that they are right on nights on which the clocks change, whatever the reader
 * knows of zones. Range: any moments and texts. Source: rfc-5545. Failures: none.
 * Example: 02:10 in a zone one hour ahead is written as T011000Z.
 */
export function writeCalendar(
	name: string,
	entries: readonly CalendarEntry[],
	alarmMinutes: number
): string {
	const calendar = new ICAL.Component('vcalendar');
	calendar.addPropertyWithValue('version', '2.0');
	calendar.addPropertyWithValue('prodid', '-//Jovet//Plan of a night//EN');
	calendar.addPropertyWithValue('calscale', 'GREGORIAN');
	calendar.addPropertyWithValue('method', 'PUBLISH');
	calendar.addPropertyWithValue('x-wr-calname', name);
	for (const entry of entries) calendar.addSubcomponent(eventOf(entry, alarmMinutes));
	return `${calendar.toString()}\r\n`;
}

function eventOf(entry: CalendarEntry, alarmMinutes: number): ICAL.Component {
	const event = new ICAL.Component('vevent');
	event.addPropertyWithValue('uid', entry.uid);
	event.addPropertyWithValue('sequence', entry.sequence);
	event.addPropertyWithValue('dtstamp', utc(entry.toldAtMs));
	event.addPropertyWithValue('dtstart', utc(entry.startMs));
	event.addPropertyWithValue('dtend', utc(Math.max(entry.endMs, entry.startMs + LEAST_MS)));
	event.addPropertyWithValue('summary', entry.summary);
	if (entry.description !== '') event.addPropertyWithValue('description', entry.description);
	if (entry.location !== '') event.addPropertyWithValue('location', entry.location);
	const alarm = new ICAL.Component('valarm');
	alarm.addPropertyWithValue('action', 'DISPLAY');
	alarm.addPropertyWithValue('description', entry.summary);
	alarm.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-alarmMinutes * 60));
	event.addSubcomponent(alarm);
	return event;
}

function utc(epochMs: number): ICAL.Time {
	return ICAL.Time.fromJSDate(new Date(epochMs), true);
}
