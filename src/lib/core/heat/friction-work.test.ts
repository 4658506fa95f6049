import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { factorRevealed, frictionOf, iceCap, mixerWork, type FrictionBook } from './index.ts';

const BOOK: FrictionBook = {
	work: { kilojoulesPerKilogram: 9.6 },
	program: { slowMinutes: 4, fastMinutes: 6 }
};
const close = (actual: number | null, expected: number, within = 1e-9) =>
	assert.ok(
		actual !== null && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);

test('by its own program in a full bowl a mix has the friction of the book', () => {
	const own = { program: BOOK.program, fill: 1 };
	close(frictionOf(BOOK, own, 1).kilojoulesPerKilogram, 9.6);
	close(mixerWork(BOOK, own).kilojoulesPerKilogram, 8.1);
	close(factorRevealed(BOOK, own, { kilojoulesPerKilogram: 9.6 }), 1);
});

test('half the minutes are half the mixer, but the heat of wetting comes all the same', () => {
	const half = { program: { slowMinutes: 2, fastMinutes: 3 }, fill: 1 };
	close(frictionOf(BOOK, half, 1).kilojoulesPerKilogram, 1.5 + 4.05);
});

test('a bowl that is emptier works each kilogram more, within reason', () => {
	const work = (fill: number) =>
		mixerWork(BOOK, { program: BOOK.program, fill }).kilojoulesPerKilogram;
	assert.ok(work(0.3) > work(0.6) && work(0.6) > work(1));
	assert.equal(work(0.01), work(0.2));
});

test('what a factor makes reveals that factor, at any program and fill', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 0.3, max: 2, noNaN: true }),
			fc.double({ min: 1, max: 12, noNaN: true }),
			fc.double({ min: 0, max: 12, noNaN: true }),
			fc.double({ min: 0.2, max: 1.2, noNaN: true }),
			(factor, slowMinutes, fastMinutes, fill) => {
				const done = { program: { slowMinutes, fastMinutes }, fill };
				close(factorRevealed(BOOK, done, frictionOf(BOOK, done, factor)), factor);
			}
		)
	);
	const still = { program: { slowMinutes: 0, fastMinutes: 0 }, fill: 1 };
	assert.equal(factorRevealed(BOOK, still, { kilojoulesPerKilogram: 2 }), null);
	// Where no speeds are told, every mix is taken to be the book's own.
	close(
		frictionOf({ ...BOOK, program: null }, { program: null, fill: 1 }, 1).kilojoulesPerKilogram,
		9.6
	);
});

test('ice is capped by its form, and by less where the mix is too short to melt it', () => {
	const capped = (form: 'none' | 'flakes' | 'cubes', share: number, minutes: number | null) =>
		iceCap(form, { share }, minutes === null ? null : { minutes }).share;
	close(capped('cubes', 0.15, 4), 0.075);
	close(capped('cubes', 0.15, 10), 0.15);
	close(capped('cubes', 0.15, null), 0.15);
	close(capped('flakes', 0.4, 4), 0.4);
	assert.equal(capped('none', 0.4, 20), 0);
});
