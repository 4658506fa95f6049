import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { BakeDate, WallTime } from '../time/index.ts';
import {
	entryProblems,
	rosterOf,
	shiftsOn,
	shortOfHands,
	type Person,
	type Shift
} from './index.ts';

const wall = (text: string) => text as WallTime;
const day = (text: string) => text as BakeDate;
const shift = (from: string, minutes: number, breaks: Shift['breaks'] = []): Shift => ({
	from: wall(from),
	minutes,
	breaks
});
const person = (change: Partial<Person>): Person => ({
	role: 'baker',
	skills: ['mixing'],
	shifts: [],
	exceptions: [],
	pacePercent: 100,
	...change
});
const FRIDAY = day('2026-11-27');
const NIGHT = { weekday: 5, ...shift('22:00', 480) };

test('the week says who works, a closed day that nobody does, and an exception counts before both', () => {
	const one = person({
		shifts: [NIGHT],
		exceptions: [
			{ fromDate: FRIDAY, toDate: FRIDAY, shift: shift('10:00', 240), note: 'course' },
			{ fromDate: day('2026-12-01'), toDate: day('2026-12-14'), shift: null, note: 'holiday' }
		]
	});
	const from = (date: string, closed = false) =>
		shiftsOn(one, day(date), closed).map((each) => each.from);
	assert.deepEqual(from('2026-11-20'), ['22:00']);
	assert.deepEqual(from('2026-11-20', true), []);
	assert.deepEqual(from('2026-11-21'), []);
	assert.deepEqual(from('2026-11-27'), ['10:00']);
	assert.deepEqual(from('2026-11-27', true), ['10:00'], 'who comes on a closed day is there');
	assert.deepEqual(from('2026-12-04'), []);
});

test('a shift lasts its physical minutes: over midnight, and over the hour that a clock change takes', () => {
	const people = [
		{ id: 'a', name: 'Wren', content: person({ shifts: [{ ...NIGHT, weekday: 6 }] }) }
	];
	// On 28 March 2027 London goes from 01:00 to 02:00.
	const [on] = rosterOf(
		people,
		{ from: day('2027-03-27'), to: day('2027-03-28') },
		() => false,
		'Europe/London'
	);
	assert.ok(on);
	assert.equal(on.toMs - on.fromMs, 8 * 3_600_000);
	assert.equal(new Date(on.toMs).toISOString(), '2027-03-28T06:00:00.000Z', '07:00 on the wall');
});

test('hands are short where more are wanted than are on shift and not at a break', () => {
	const at = (time: string) => Date.parse(`2026-11-27T${time}:00Z`);
	const roster = rosterOf(
		[
			{
				id: 'a',
				name: 'Wren',
				content: person({
					shifts: [{ weekday: 5, ...shift('02:00', 480, [{ from: wall('05:00'), minutes: 30 }]) }]
				})
			}
		],
		{ from: FRIDAY, to: FRIDAY },
		() => false,
		'UTC'
	);
	const wanted = [
		{ fromMs: at('01:50'), toMs: at('02:20'), count: 1 },
		{ fromMs: at('04:00'), toMs: at('04:10'), count: 2 },
		{ fromMs: at('05:10'), toMs: at('05:40'), count: 1 },
		{ fromMs: at('06:00'), toMs: at('06:30'), count: 1 }
	];
	assert.deepEqual(
		shortOfHands(wanted, roster).map(({ fromMs, toMs, wanted: count, there }) => [
			new Date(fromMs).toISOString().slice(11, 16),
			new Date(toMs).toISOString().slice(11, 16),
			count,
			there
		]),
		[
			['01:50', '02:00', 1, 0],
			['04:00', '04:10', 2, 1],
			['05:10', '05:30', 1, 0]
		]
	);
	assert.deepEqual(shortOfHands([], roster), []);
});

test('two shifts of one night, and a break outside its shift, are told; over Sunday midnight too', () => {
	const kinds = (change: Partial<Person>) =>
		entryProblems('person', person(change)).map(({ kind }) => kind);
	const sunday = { weekday: 7, ...shift('22:00', 480) };
	assert.deepEqual(kinds({ shifts: [sunday, { weekday: 1, ...shift('06:00', 60) }] }), []);
	assert.deepEqual(kinds({ shifts: [sunday, { weekday: 1, ...shift('05:00', 60) }] }), [
		'shifts-overlap'
	]);
	assert.deepEqual(
		kinds({
			shifts: [{ weekday: 2, ...shift('22:00', 120, [{ from: wall('23:30'), minutes: 30 }]) }]
		}),
		[]
	);
	assert.deepEqual(
		kinds({
			shifts: [{ weekday: 2, ...shift('22:00', 120, [{ from: wall('23:45'), minutes: 30 }]) }]
		}),
		['break-outside-shift']
	);
	assert.deepEqual(
		kinds({
			exceptions: [{ fromDate: FRIDAY, toDate: day('2026-11-20'), shift: null, note: '' }]
		}),
		['ends-before-it-begins']
	);
});
