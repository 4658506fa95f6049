import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { addDays, type BakeDate } from '../time/index.ts';
import {
	ENTRY_KINDS,
	entryProblems,
	firstSteps,
	isClosedOn,
	minutesBeforeDue,
	nextStep,
	standingOn,
	type BakeryEntry
} from './index.ts';

const day = (text: string) => text as BakeDate;
const revision = (
	number: number,
	appliesFrom: string,
	name = `${number}`
): BakeryEntry<'scale'> => ({
	id: 'scale',
	kind: 'scale',
	name,
	number,
	appliesFrom: day(appliesFrom),
	retired: false,
	content: { capacityGrams: 6000, divisionGrams: 1 }
});

test('of what was saved, what applies from the latest day by a date counts; of one day the last saved', () => {
	const all = [revision(1, '2026-05-01'), revision(2, '2026-06-01'), revision(3, '2026-05-01')];
	const on = (date: string) => {
		const [standing] = standingOn(all, day(date));
		assert.ok(standing);
		return [standing.entry.number, standing.isToCome, standing.changesFrom];
	};
	assert.deepEqual(on('2026-05-10'), [3, false, '2026-06-01']);
	assert.deepEqual(on('2026-06-01'), [2, false, null]);
	assert.deepEqual(on('2026-04-30'), [1, true, '2026-06-01']);
	assert.equal(standingOn(all, day('2026-05-10'))[0]?.lastNumber, 3);
	assert.deepEqual(standingOn([], day('2026-05-10')), []);
});

test('whichever order revisions come in, one entry stands once', () => {
	const dates = fc.integer({ min: 0, max: 60 }).map((days) => addDays(day('2026-05-01'), days));
	fc.assert(
		fc.property(fc.array(dates, { minLength: 1, maxLength: 8 }), dates, (from, on) => {
			const all = from.map((date, at) => revision(at + 1, date));
			const forth = standingOn(all, on);
			assert.equal(forth.length, 1);
			assert.deepEqual(standingOn([...all].reverse(), on), forth);
			const entry = forth[0]?.entry;
			assert.equal(
				forth[0]?.isToCome,
				all.every(({ appliesFrom }) => appliesFrom > on)
			);
			assert.ok(entry && (forth[0]?.isToCome || entry.appliesFrom <= on));
		})
	);
});

test('closed days end with their last day, come back yearly where they do, and cross a new year', () => {
	const winter = { fromDate: day('2026-12-30'), toDate: day('2027-01-02'), yearly: true };
	const closed = (date: string) => isClosedOn(winter, day(date));
	assert.deepEqual(
		['2026-12-29', '2026-12-30', '2027-01-02', '2027-01-03', '2028-01-01', '2029-12-31'].map(
			closed
		),
		[false, true, true, false, true, true]
	);
	assert.equal(isClosedOn({ ...winter, yearly: false }, day('2028-01-01')), false);
	assert.equal(
		isClosedOn(
			{ fromDate: day('2026-05-01'), toDate: day('2026-05-01'), yearly: true },
			day('2025-05-01')
		),
		false,
		'not before its first year'
	);
});

test('a drop on no day, a scale of steps beyond what it carries, dates turned round are told', () => {
	const drop = {
		dueTime: '07:00' as never,
		weekdays: [],
		pickingMinutes: 5,
		loadingMinutes: 10,
		roadMinutes: 20,
		cutOff: { daysBefore: 0, time: '08:00' as never }
	};
	assert.equal(minutesBeforeDue(drop), 35);
	assert.deepEqual(
		[
			entryProblems('drop', drop),
			entryProblems('scale', { capacityGrams: 100, divisionGrams: 200 }),
			entryProblems('divider', { heads: 30, leastPieceGrams: 90, mostPieceGrams: 40 }),
			entryProblems('sheeter', {
				widthCm: 60,
				lengthCm: 200,
				thinnestMillimetres: 30,
				thickestMillimetres: 2
			}),
			entryProblems('closed-days', {
				fromDate: day('2026-12-26'),
				toDate: day('2026-12-25'),
				yearly: false
			})
		].map((problems) => problems.map(({ kind }) => kind)),
		[
			['no-weekday', 'cut-off-after-due'],
			['division-beyond-capacity'],
			['least-above-most'],
			['least-above-most'],
			['ends-before-it-begins']
		]
	);
	assert.equal(new Set(ENTRY_KINDS).size, ENTRY_KINDS.length);
});

test('the steps lead to what is wanted next, and what can wait is never next', () => {
	const nothing = {
		shifts: 0,
		mixers: 0,
		decks: 0,
		places: 2,
		drops: 0,
		formulas: 0,
		products: 0,
		isOrdered: false,
		isPlanAccepted: false
	};
	const next = (change: Partial<typeof nothing>) => nextStep(firstSteps({ ...nothing, ...change }));
	assert.equal(next({}), 'ovens');
	assert.equal(next({ decks: 3 }), 'drops');
	assert.equal(next({ decks: 3, drops: 2 }), 'formula');
	assert.equal(next({ decks: 3, drops: 2, formulas: 1, products: 2 }), 'orders');
	const all = {
		decks: 3,
		drops: 2,
		formulas: 1,
		products: 2,
		isOrdered: true,
		isPlanAccepted: true
	};
	assert.equal(next(all), null, 'people, mixers and places can wait');
	assert.deepEqual(
		firstSteps({ ...nothing, ...all }).flatMap(({ key, isDone }) => (isDone ? [] : [key])),
		['people', 'mixers', 'places']
	);
});

test('an oven that serves as a prover is cool enough for yeast, and has room for so many trays', () => {
	const place = {
		placeKind: 'proofer' as const,
		role: 'other' as const,
		celsius: 28,
		humidityPercent: null,
		holds: 12,
		ovenId: 'an oven',
		cold: null
	};
	const wrong = (change: Partial<typeof place> | { readonly placeKind: 'room' }) =>
		entryProblems('place', { ...place, ...change }).map(({ kind, field }) => [kind, field]);
	assert.deepEqual(wrong({}), []);
	assert.deepEqual(wrong({ celsius: 40 }), []);
	assert.deepEqual(wrong({ celsius: 41 }), [['too-hot-to-prove', 'celsius']]);
	assert.deepEqual(entryProblems('place', { ...place, holds: null })[0]?.kind, 'oven-without-room');
	assert.deepEqual(wrong({ placeKind: 'room' }), [['oven-is-no-room', 'placeKind']]);
	// What is no oven may be as warm as it is.
	assert.deepEqual(
		entryProblems('place', { ...place, ovenId: null, celsius: 55, holds: null }),
		[]
	);
});
