import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import {
	addDays,
	bakeryTime,
	instantOf,
	isKnownZone,
	MINUTE_MS,
	parseBakeDate,
	readWallTime,
	REAL_TIME,
	wallTimeOf,
	weekdayOf,
	type BakeDate,
	type WallTime
} from './index.ts';

const ZONE = 'Europe/London';
const date = (text: string) => text as BakeDate;
const time = (text: string) => text as WallTime;

test('a date is read only when the calendar has it', () => {
	assert.ok(parseBakeDate('2028-02-29').ok);
	for (const text of [
		'2027-02-29',
		'2027-13-01',
		'tomorrow',
		'',
		'27-01-01',
		'1850-01-01',
		'2027-1-1'
	])
		assert.deepEqual(parseBakeDate(text), { ok: false, error: { kind: 'not-a-date', text } });
});

test('days are counted across a month, a year and a leap day', () => {
	assert.equal(addDays(date('2027-12-31'), 1), '2028-01-01');
	assert.equal(addDays(date('2028-03-01'), -1), '2028-02-29');
	assert.equal(weekdayOf(date('2026-11-23')), 1);
});

test('dates are those of the calendar, on every day of two centuries', () => {
	const day = fc.integer({ min: 0, max: 73_000 });
	fc.assert(
		fc.property(day, fc.integer({ min: -800, max: 800 }), (at, by) => {
			const plain = Temporal.PlainDate.from('2000-01-01').add({ days: at });
			const read = parseBakeDate(plain.toString());
			assert.ok(read.ok);
			assert.equal(addDays(read.value, by), plain.add({ days: by }).toString());
			assert.equal(weekdayOf(read.value), plain.dayOfWeek);
		})
	);
	const part = fc.integer({ min: 0, max: 40 }).map((value) => String(value).padStart(2, '0'));
	fc.assert(
		fc.property(fc.integer({ min: 2000, max: 2199 }), part, part, (year, month, day) => {
			const text = `${year}-${month}-${day}`;
			let exists = true;
			try {
				Temporal.PlainDate.from(text, { overflow: 'reject' });
			} catch {
				exists = false;
			}
			assert.equal(parseBakeDate(text).ok, exists, text);
		})
	);
});

test('a wall time that the clock change skips moves forward, a repeated one means the first', () => {
	const utc = (day: string, wall: string) =>
		new Date(instantOf(date(day), time(wall), ZONE).epochMs).toISOString().slice(0, 16);
	assert.equal(utc('2027-03-28', '01:30'), '2027-03-28T01:30');
	assert.equal(wallTimeOf(instantOf(date('2027-03-28'), time('01:30'), ZONE), ZONE).time, '02:30');
	assert.equal(utc('2027-10-31', '01:30'), '2027-10-31T00:30');
	assert.equal(utc('2027-07-01', '05:10'), '2027-07-01T04:10');
});

test('six hours of proof end at another wall time on the night the clocks change', () => {
	const ends = (day: string) => {
		const start = instantOf(date(day), time('22:00'), ZONE);
		return wallTimeOf({ epochMs: start.epochMs + 360 * MINUTE_MS }, ZONE).time;
	};
	assert.equal(ends('2027-03-26'), '04:00');
	assert.equal(ends('2027-03-27'), '05:00');
	assert.equal(ends('2027-10-30'), '03:00');
});

test('an instant shown on the wall leads back to the same minute outside repeated hours', () => {
	fc.assert(
		fc.property(fc.integer({ min: 0, max: 40_000_000 }), (minute) => {
			const instant = {
				epochMs: 1_700_000_000_000 - (1_700_000_000_000 % MINUTE_MS) + minute * MINUTE_MS
			};
			const wall = wallTimeOf(instant, ZONE);
			const back = instantOf(wall.date, wall.time, ZONE).epochMs;
			assert.ok(back === instant.epochMs || instant.epochMs - back === 60 * MINUTE_MS);
		})
	);
});

test('the bakery clock runs from its anchor at its own rate', () => {
	const clock = { anchorRealMs: 1000, anchorBakeryMs: 50_000, rate: 60 };
	assert.equal(bakeryTime(clock, { epochMs: 2000 }).epochMs, 110_000);
	assert.equal(bakeryTime(REAL_TIME, { epochMs: 42 }).epochMs, 42);
	assert.ok(isKnownZone('UTC'));
	assert.equal(isKnownZone('Nowhere/Saltmarrow'), false);
});

test('a time of day is read as people type it, and nothing else is', () => {
	const read = (text: string) => {
		const found = readWallTime(text);
		return found.ok ? found.value : found.error.kind;
	};
	for (const [text, time] of [
		['2', '02:00'],
		['230', '02:30'],
		['2:30', '02:30'],
		['02.30', '02:30'],
		['14h30', '14:30'],
		['14h', '14:00'],
		[' 0005 ', '00:05'],
		['2359', '23:59'],
		['24:00', 'not-a-time'],
		['2560', 'not-a-time'],
		['', 'not-a-time'],
		['noon', 'not-a-time'],
		['-2', 'not-a-time'],
		['2:3', 'not-a-time']
	] as const)
		assert.equal(read(text), time, text);
});
