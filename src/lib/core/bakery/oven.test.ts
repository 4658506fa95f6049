import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	entryProblems,
	FIRST_DECK,
	FIRST_MIXER,
	FIRST_OVEN,
	layoutOn,
	loadSizeOn,
	piecesOn,
	takesOf,
	type Deck,
	type OvenPiece
} from './index.ts';

const deck = (change: Partial<Deck>): Deck => ({ ...FIRST_DECK, id: 'd', name: 'Deck', ...change });
const loaf: OvenPiece = {
	footprint: { lengthCm: 24, widthCm: 24 },
	spacingCm: 3,
	piecesPerDeck: null
};

test('pieces lie in rows, the better way round', () => {
	const floor = { lengthCm: 120, widthCm: 80 };
	assert.deepEqual(layoutOn(floor, { lengthCm: 24, widthCm: 14 }, 3), {
		along: 4,
		across: 4,
		turned: false,
		pieces: 16
	});
	// A stick of 58 cm: two along and seven across, or ten along and one across.
	assert.equal(layoutOn(floor, { lengthCm: 57, widthCm: 8 }, 3).pieces, 14);
	assert.equal(layoutOn(floor, { lengthCm: 8, widthCm: 57 }, 3).pieces, 14, 'however it is told');
	assert.equal(layoutOn(floor, { lengthCm: 130, widthCm: 8 }, 3).pieces, 0);
});

test('what is laid out has its place: never more than the floor holds, never fewer on a larger one', () => {
	const side = fc.double({ min: 5, max: 300, noNaN: true });
	fc.assert(
		fc.property(
			side,
			side,
			side,
			side,
			fc.double({ min: 0, max: 10, noNaN: true }),
			(l, w, a, b, gap) => {
				const { pieces } = layoutOn({ lengthCm: l, widthCm: w }, { lengthCm: a, widthCm: b }, gap);
				assert.ok(pieces * a * b <= l * w * (1 + 1e-6));
				const larger = layoutOn(
					{ lengthCm: l + 50, widthCm: w + 50 },
					{ lengthCm: a, widthCm: b },
					gap
				);
				assert.ok(larger.pieces >= pieces);
			}
		)
	);
});

test('a rack takes its shelves, pots one piece each, and a count that was set stands on every deck', () => {
	assert.equal(piecesOn(deck({ lengthCm: 160, widthCm: 120 }), loaf), 20);
	assert.equal(
		piecesOn(deck({ kind: 'rack', count: 15, lengthCm: 60, widthCm: 80 }), loaf),
		60,
		'four on each of fifteen shelves'
	);
	assert.equal(piecesOn(deck({ kind: 'pots', count: 6 }), loaf), 6);
	assert.equal(piecesOn(deck({ kind: 'pots', count: 6 }), { ...loaf, piecesPerDeck: 18 }), 18);
	assert.equal(piecesOn(deck({}), { ...loaf, footprint: null }), 0);
});

test('loads are of the size that gets most into the ovens at once', () => {
	const large = [deck({ id: 'a' }), deck({ id: 'b' })];
	const small = deck({ id: 'c', lengthCm: 60, widthCm: 60 });
	assert.deepEqual(loadSizeOn([...large, small], loaf), { pieces: 20, deckIds: ['a', 'b'] });
	const many = ['c', 'd', 'e', 'f', 'g', 'h'].map((id) => ({ ...small, id }));
	// Six decks of 4 and one of 20: 28 at once in loads of 4.
	assert.deepEqual(loadSizeOn([deck({ id: 'a' }), ...many], loaf), {
		pieces: 4,
		deckIds: ['a', 'c', 'd', 'e', 'f', 'g', 'h']
	});
	assert.deepEqual(loadSizeOn([], loaf), { pieces: 0, deckIds: [] });
	assert.deepEqual(loadSizeOn([small], { ...loaf, footprint: { lengthCm: 90, widthCm: 9 } }), {
		pieces: 0,
		deckIds: []
	});
});

test('an oven without a deck, with a deck for no loaf, or with two of one name is told', () => {
	const problems = (decks: readonly Deck[]) =>
		entryProblems('oven', { ...FIRST_OVEN, decks }).map(({ kind }) => kind);
	assert.deepEqual(problems([]), ['no-deck']);
	assert.deepEqual(problems([deck({ widthCm: 8 })]), ['holds-nothing']);
	assert.deepEqual(problems([deck({ id: 'a' }), deck({ id: 'b' })]), ['same-name']);
	assert.deepEqual(problems([deck({ name: '' })]), ['nameless']);
	assert.deepEqual(problems([deck({})]), []);
});

test('a mixer takes less of a stiff dough, and its least is never above that', () => {
	const mixer = {
		...FIRST_MIXER,
		leastGrams: 20_000,
		mostGrams: 40_000,
		stiff: { waterBelowPercent: 55, mostGrams: 15_000 }
	};
	assert.deepEqual(takesOf(mixer, 50), { leastGrams: 15_000, mostGrams: 15_000 });
	assert.deepEqual(takesOf(mixer, 55), { leastGrams: 20_000, mostGrams: 40_000 });
	assert.deepEqual(takesOf(mixer, null), { leastGrams: 20_000, mostGrams: 40_000 });
	assert.deepEqual(
		entryProblems('mixer', { ...mixer, leastGrams: 50_000 }).map(({ kind }) => kind),
		['least-above-most']
	);
	assert.deepEqual(
		entryProblems('mixer', { ...mixer, stiff: { waterBelowPercent: 55, mostGrams: 60_000 } }).map(
			({ field }) => field
		),
		['stiff']
	);
});
