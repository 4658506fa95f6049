import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { readClosedDays } from './closed-days.ts';

const calendar = (...events: readonly string[]) =>
	[
		'BEGIN:VCALENDAR',
		'VERSION:2.0',
		'PRODID:-//Saltmarrow//Harbour days//EN',
		...events.flatMap((event) => ['BEGIN:VEVENT', ...event.split('\n'), 'END:VEVENT']),
		'END:VCALENDAR',
		''
	].join('\r\n');

function read(text: string) {
	const found = readClosedDays(text);
	assert.ok(found.ok, JSON.stringify(found));
	return found.value;
}

test('whole days end before the day that ends them; a time of day ends on its day', () => {
	const { days, problems } = read(
		calendar(
			'SUMMARY:Midwinter\nDTSTART;VALUE=DATE:20261225\nDTEND;VALUE=DATE:20261227',
			'SUMMARY:Regatta\nDTSTART:20270612T090000Z\nDTEND:20270612T180000Z',
			'SUMMARY:Blessing of the\\, nets\nDTSTART;VALUE=DATE:20270501'
		)
	);
	assert.deepEqual(days, [
		{ name: 'Midwinter', fromDate: '2026-12-25', toDate: '2026-12-26', yearly: false },
		{ name: 'Regatta', fromDate: '2027-06-12', toDate: '2027-06-12', yearly: false },
		{ name: 'Blessing of the, nets', fromDate: '2027-05-01', toDate: '2027-05-01', yearly: false }
	]);
	assert.deepEqual(problems, []);
});

test('what comes back every year is read so; what comes back otherwise is said', () => {
	const { days, problems } = read(
		calendar(
			'SUMMARY:New year\nDTSTART;VALUE=DATE:20270101\nRRULE:FREQ=YEARLY',
			'SUMMARY:Market\nDTSTART;VALUE=DATE:20270104\nRRULE:FREQ=WEEKLY',
			'SUMMARY:Nothing said',
			'SUMMARY:Long ago\nDTSTART;VALUE=DATE:19041224'
		)
	);
	assert.deepEqual(
		days.map(({ name, yearly }) => [name, yearly]),
		[
			['New year', true],
			['Market', false]
		]
	);
	assert.deepEqual(
		problems.map(({ event, kind }) => [event, kind]),
		[
			[2, 'repeats-otherwise'],
			[3, 'no-date'],
			[4, 'date-out-of-range']
		]
	);
});

test('what is no calendar is refused, whatever it is', () => {
	for (const text of [
		'',
		'BEGIN:VCARD\r\nEND:VCARD',
		'<html></html>',
		'\u0000\u0001',
		'BEGIN:VCALENDAR'
	])
		assert.deepEqual(readClosedDays(text), { ok: false, error: { kind: 'not-a-calendar' } }, text);
	fc.assert(
		fc.property(fc.string(), (text) => {
			const found = readClosedDays(text);
			assert.ok(found.ok || found.error.kind === 'not-a-calendar');
		})
	);
	const long = readClosedDays('x'.repeat(1_000_001));
	assert.ok(!long.ok && long.error.kind === 'too-large');
});
