import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import ICAL from 'ical.js';
import { writeCalendar, type CalendarEntry } from './calendar-of-work.ts';
import { writeTable } from './table-of-work.ts';

const ENTRY: CalendarEntry = {
	uid: 'mix 1',
	sequence: 3,
	toldAtMs: Date.UTC(2026, 9, 24, 15),
	startMs: Date.UTC(2026, 9, 25, 0, 30),
	endMs: Date.UTC(2026, 9, 25, 2, 0),
	summary: 'Mix Harbour dough',
	description: '24.9 kg · 4 min slow',
	location: 'Spiral'
};

function eventsOf(text: string): readonly ICAL.Event[] {
	const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
	return calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
}

test('a calendar tells moments in UTC, with an alarm before each', () => {
	const text = writeCalendar('Saltmarrow', [ENTRY], 5);
	for (const line of [
		'DTSTART:20261025T003000Z',
		'DTEND:20261025T020000Z',
		'DTSTAMP:20261024T150000Z',
		'SEQUENCE:3',
		'TRIGGER:-PT5M',
		'SUMMARY:Mix Harbour dough'
	])
		assert.ok(text.split('\r\n').includes(line), line);
	assert.ok(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75));
});

test('what takes no time of its own is seen all the same', () => {
	const [event] = eventsOf(writeCalendar('x', [{ ...ENTRY, endMs: ENTRY.startMs }], 5));
	assert.equal(event?.endDate.toJSDate().getTime(), ENTRY.startMs + 5 * 60_000);
});

test('a calendar read back says what was written, whatever the names', () => {
	const text = fc.string({ unit: 'grapheme-ascii', maxLength: 90 }).map((one) => one.trim());
	const entry = fc.record({
		uid: fc.uuid(),
		sequence: fc.nat(200),
		toldAtMs: fc.constant(ENTRY.toldAtMs),
		startMs: fc.integer({ min: 1_700_000_000, max: 2_000_000_000 }).map((s) => s * 1000),
		endMs: fc.constant(2_000_003_600_000),
		summary: text,
		description: text,
		location: text
	});
	fc.assert(
		fc.property(fc.array(entry, { maxLength: 5 }), (entries) => {
			const read = eventsOf(writeCalendar('Night', entries, 5));
			assert.deepEqual(
				read.map((event) => [
					event.uid,
					event.summary,
					event.description ?? '',
					event.location ?? '',
					event.startDate.toJSDate().getTime(),
					event.endDate.toJSDate().getTime()
				]),
				entries.map(({ uid, summary, description, location, startMs, endMs }) => [
					uid,
					summary,
					description,
					location,
					startMs,
					endMs
				])
			);
		})
	);
});

test('a table holds commas, quotes and line breaks, and no formulas', () => {
	const text = writeTable(
		['time', 'what'],
		[
			{ time: '02:10', what: 'Load "Harbour", deck 1' },
			{ time: '02:20', what: '=HYPERLINK("x")' },
			{ time: '02:30', what: '@home' }
		]
	);
	assert.equal(
		text,
		'\uFEFFtime,what\r\n02:10,"Load ""Harbour"", deck 1"\r\n02:20,"\'=HYPERLINK(""x"")"\r\n02:30,\'@home\r\n'
	);
});
