import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type BatchId } from '../identity.ts';
import { BULK } from '../planning/harbour-day.fixture.ts';
import type { RipeningStep } from '../ripening/index.ts';
import {
	beliefOverTime,
	learnedClock,
	learnedFriction,
	learnedRipening,
	learnedTub,
	type CheckedDough,
	type JudgedDough,
	type MeasuredMix,
	type TubHistory
} from './index.ts';

const HOUR = 3_600_000;
const batch = (name: string) => id<BatchId>(name);
const close = (actual: number | undefined, expected: number, within: number, what = '') =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${what} ${actual} is not ${expected}`
	);

const BOOK = { work: { kilojoulesPerKilogram: 9.6 }, program: { slowMinutes: 5, fastMinutes: 6 } };
const DONE = { program: BOOK.program, fill: 1 };
const mixed = (at: number, friction: number, change: Partial<MeasuredMix> = {}): MeasuredMix => ({
	id: `mix ${at}`,
	batchId: batch(`batch ${at}`),
	occurredAtMs: at * 24 * HOUR,
	ignored: false,
	date: '2026-11-24',
	doughCelsius: 25,
	targetCelsius: 25,
	waterCelsius: 12,
	instrument: 'core-probe',
	frictionKilojoulesPerKilogram: friction,
	mixerId: 'mixer',
	program: BOOK.program,
	fillShare: 1,
	spreadKilojoulesPerKilogram: 0.9,
	schools: null,
	...change
});
const nights = (count: number, friction: number, change: Partial<MeasuredMix> = {}) =>
	Array.from({ length: count }, (_, at) => mixed(count - at, friction, change));

test('without readings a dough has the friction of its book, as an assumption', () => {
	const found = learnedFriction({ book: BOOK, readings: [] }, [], 'mixer', DONE);
	close(found.work.kilojoulesPerKilogram, 9.6, 1e-6);
	assert.deepEqual(found.source, { kind: 'assumed' });
	assert.equal(found.figures.used, 0);
});

test('mixes that come out warmer teach more friction, ignored ones and those of another mixer teach less', () => {
	const eight = learnedFriction({ book: BOOK, readings: nights(8, 12) }, [], 'mixer', DONE);
	close(eight.work.kilojoulesPerKilogram, 11.8, 0.2);
	assert.deepEqual(eight.source, { kind: 'learned' });
	assert.equal(eight.figures.used, 8);
	const ignored = nights(8, 12, { ignored: true });
	close(
		learnedFriction({ book: BOOK, readings: ignored }, [], 'mixer', DONE).work
			.kilojoulesPerKilogram,
		9.6,
		1e-6
	);
	const other = nights(8, 12, { mixerId: 'other' });
	const from = learnedFriction({ book: BOOK, readings: other }, [], 'mixer', DONE);
	assert.ok(from.work.kilojoulesPerKilogram > 9.6, 'another mixer says something of the dough');
	assert.ok(
		from.spread.kilojoulesPerKilogram > 1.5 * eight.spread.kilojoulesPerKilogram,
		'it is less sure'
	);
	assert.equal(from.figures.used, 0);
});

test('a book that tells no speeds, or speeds of no minutes, leaves friction finite', () => {
	for (const program of [null, { slowMinutes: 0, fastMinutes: 0 }])
		for (const done of [DONE, { program: null, fill: 0.4 }, { ...DONE, fill: 0 }])
			for (const readings of [[], nights(3, 12), nights(3, 12, { program: null })]) {
				const { work, spread, figures } = learnedFriction(
					{ book: { ...BOOK, program }, readings },
					[],
					'mixer',
					done
				);
				for (const value of [
					work.kilojoulesPerKilogram,
					spread.kilojoulesPerKilogram,
					figures.bandKilojoulesPerKilogram.low,
					figures.bandKilojoulesPerKilogram.high
				])
					assert.ok(Number.isFinite(value) && value > 0 && value < 40, `${value}`);
			}
	// Nothing turned: only the wetting warms it.
	const still = { program: { slowMinutes: 0, fastMinutes: 0 }, fill: 1 };
	close(
		learnedFriction({ book: BOOK, readings: nights(3, 12) }, [], 'mixer', still).work
			.kilojoulesPerKilogram,
		1.5,
		1e-9
	);
});

test('readings are compared as they would have been in the mix that is asked about', () => {
	const half = { slowMinutes: 2.5, fastMinutes: 3 };
	const readings = nights(1, 1.5 + 8.1 / 2, { program: half });
	const { figures } = learnedFriction({ book: BOOK, readings }, [], 'mixer', DONE);
	close(figures.readings[0]?.frictionKilojoulesPerKilogram, 9.6, 1e-9);
});

test('what was believed after each mix narrows as mixes come, and ends with what is believed now', () => {
	const own = { book: BOOK, readings: nights(10, 12) };
	const then = beliefOverTime(own, [], 'mixer', DONE, 2.7);
	assert.deepEqual(
		then.map((then) => then.id),
		Array.from({ length: 10 }, (_, at) => `mix ${at + 1}`)
	);
	const width = (at: number) =>
		(then.at(at)?.believed.high ?? 0) - (then.at(at)?.believed.low ?? 0);
	assert.ok(width(-1) < width(0) * 0.7);
	const now = learnedFriction(own, [], 'mixer', DONE).work.kilojoulesPerKilogram / 2.7;
	close(then.at(-1)?.believed.kelvins, now, 1e-9);
	assert.ok((then[0]?.believed.kelvins ?? 9) < now);
	close(then[0]?.frictionKelvins, 12 / 2.7, 1e-9);
});

const STEP: RipeningStep = { ...BULK, clock: BULK.clock! };
/** Checks in a room of 21 degrees that show a tub of so many minutes, one a batch. */
function seenTub(constant: number, count: number, change: Partial<CheckedDough> = {}): TubHistory {
	const batches = Array.from({ length: count }, (_, at) => batch(`batch ${at}`));
	return {
		checks: batches.map((batchId, at) => ({
			id: `check ${at}`,
			batchId,
			occurredAtMs: at * 24 * HOUR + 3 * HOUR,
			ignored: false,
			celsius: endOf(constant),
			instrument: 'core-probe',
			place: 'room',
			ambientCelsius: 21,
			...change
		})),
		mixed: batches.map((batchId, at) => ({
			batchId,
			doughCelsius: 28,
			occurredAtMs: at * 24 * HOUR
		})),
		moves: []
	};
}
/** The rate of a sourdough by its published formula, written down here again. */
function rate(celsius: number): number {
	const [minimum, optimum, maximum] = [0, 33, 42];
	const width = optimum - minimum;
	return (
		((celsius - maximum) * (celsius - minimum) ** 2) /
		(width *
			(width * (celsius - optimum) - (optimum - maximum) * (optimum + minimum - 2 * celsius)))
	);
}
/** What three hours warm a tub from 28 degrees by, at 0.4 K an hour at the optimum, by the mean of both ends. */
function endOf(constant: number): number {
	const cooled = 21 + 7 * Math.exp(-180 / constant);
	let celsius = cooled;
	for (let turn = 0; turn < 40; turn += 1) celsius = cooled + 1.2 * rate((28 + celsius) / 2);
	return celsius;
}

test('a tub that cools more slowly than the book says is learned, and a dough is followed in it', () => {
	const found = learnedTub(STEP, 'room', seenTub(700, 12));
	assert.ok(found);
	assert.equal(found.used, 12);
	for (const observation of found.observations) close(observation.value, 700, 0.01);
	assert.ok(found.mean > 660 && found.mean < 700, `${found.mean}`);
	assert.equal(found.book, 420);
	const learned = learnedRipening(STEP, { ...seenTub(700, 12), judged: [] });
	close(learned.step?.legs[0]?.timeConstantMinutes, found.mean, 1e-9);
	assert.equal(learnedRipening(null, { ...seenTub(700, 12), judged: [] }).step, null);
});

test('checks of another place, moved in between, ignored or without a mix before teach nothing of a tub', () => {
	const used = (history: TubHistory) => learnedTub(STEP, 'room', history)?.used;
	assert.equal(used(seenTub(700, 5, { place: 'cold' })), 0);
	assert.equal(used(seenTub(700, 5, { ignored: true })), 0);
	assert.equal(used({ ...seenTub(700, 5), mixed: [] }), 0);
	const moves = [{ batchId: batch('batch 2'), occurredAtMs: 48 * HOUR + HOUR }];
	assert.equal(used({ ...seenTub(700, 5), moves }), 4);
	assert.equal(learnedTub(STEP, 'cold', seenTub(700, 5)), null, 'it has no leg there');
	close(learnedTub(STEP, 'room', { ...seenTub(700, 5), checks: [] })?.mean, 420, 1e-9);
});

const judged = (at: number, change: Partial<JudgedDough> = {}): JudgedDough => ({
	id: `judged ${at}`,
	batchId: batch(`batch ${at}`),
	occurredAtMs: at * 24 * HOUR,
	ignored: false,
	doseMinutes: 231,
	bookRipeMinutes: 210,
	seenShare: 1,
	seenSpread: 0.05,
	verdict: 'ready',
	decision: 'go-on',
	...change
});

test('doughs that look ripe later than their clock says are learned to take longer', () => {
	assert.equal(learnedClock([]).mean, 1);
	const many = learnedClock(Array.from({ length: 10 }, (_, at) => judged(at)));
	close(many.mean, 1.1, 0.01);
	assert.equal(many.used, 10);
	close(many.observations[0]?.value, 1.1, 1e-9);
	// Looked half done at half the dose: the clock is right.
	const half = learnedClock([judged(1, { doseMinutes: 105, seenShare: 0.5 })]);
	close(half.observations[0]?.value, 1, 1e-9);
	const { step, clockFactor, clockUsed } = learnedRipening(STEP, {
		...seenTub(420, 0),
		judged: Array.from({ length: 10 }, (_, at) => judged(at))
	});
	close(clockFactor, many.mean, 1e-9);
	assert.equal(clockUsed, 10);
	assert.equal(step?.clock.ripeMinutes, 210, 'the book itself stays');
});

test('a judgement by the clock alone, or one that is ignored, teaches nothing', () => {
	const alone = { seenShare: null, seenSpread: null };
	assert.equal(learnedClock([judged(1, alone)]).used, 0);
	assert.equal(learnedClock([judged(1, { doseMinutes: 0 })]).observations.length, 0);
	const ignored = learnedClock([judged(1, { ignored: true })]);
	assert.equal(ignored.used, 0);
	assert.equal(ignored.mean, 1);
	assert.equal(ignored.observations.length, 1);
});

test('a check is measured against what went before in its own batch alone', () => {
	const alone = learnedTub(STEP, 'room', seenTub(700, 1));
	const stranger: CheckedDough = {
		...seenTub(700, 1).checks[0]!,
		id: 'stranger',
		batchId: batch('another'),
		occurredAtMs: 2 * HOUR,
		celsius: 31
	};
	const beside = seenTub(700, 1);
	const both = learnedTub(STEP, 'room', { ...beside, checks: [...beside.checks, stranger] });
	close(both?.observations[0]?.value, alone?.observations[0]?.value ?? NaN, 1e-9);
	assert.equal(both?.observations.length, 1, 'nothing was measured of the other before');
});
