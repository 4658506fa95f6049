import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { FIRST_DECK, type Deck } from '../../core/bakery/index.ts';
import { lieOnDeck } from './lie-on-deck.ts';

const DECK: Deck = { ...FIRST_DECK, id: 'deck', name: 'Deck', lengthCm: 120, widthCm: 80 };
const pieces = (lengthCm: number, widthCm: number, count: number, spacingCm = 3) => ({
	piece: { footprint: { lengthCm, widthCm }, spacingCm, piecesPerDeck: null },
	pieces: count
});

test('pieces lie in rows from the back, with half their spacing to the wall', () => {
	const lying = lieOnDeck(DECK, [pieces(20, 20, 6)]);
	assert.deepEqual(
		lying?.map(({ xCm, yCm }) => [xCm, yCm]),
		[
			[1.5, 1.5],
			[24.5, 1.5],
			[47.5, 1.5],
			[70.5, 1.5],
			[93.5, 1.5],
			[1.5, 24.5]
		]
	);
});

test('more than rows with their spacing take lie closer, and what does not lie at all is not drawn', () => {
	// Five rows of three with 3 cm between; six of four side by side.
	assert.equal(lieOnDeck(DECK, [pieces(20, 20, 15)])?.length, 15);
	assert.equal(lieOnDeck(DECK, [pieces(20, 20, 24)])?.length, 24);
	assert.equal(lieOnDeck(DECK, [pieces(20, 20, 25)]), null);
	assert.equal(lieOnDeck({ ...DECK, kind: 'rack', count: 10 }, [pieces(20, 20, 4)]), null);
	assert.equal(
		lieOnDeck(DECK, [{ piece: { footprint: null, spacingCm: 3, piecesPerDeck: 9 }, pieces: 9 }]),
		null
	);
});

test('whatever is drawn lies on the deck, and on nothing else', () => {
	const side = fc.integer({ min: 6, max: 45 });
	const group = fc
		.tuple(side, side, fc.integer({ min: 1, max: 30 }), fc.integer({ min: 0, max: 5 }))
		.map(([length, width, count, spacing]) => pieces(length, width, count, spacing));
	fc.assert(
		fc.property(fc.array(group, { minLength: 1, maxLength: 3 }), (groups) => {
			const lying = lieOnDeck(DECK, groups);
			if (!lying) return;
			assert.equal(
				lying.length,
				groups.reduce((sum, { pieces }) => sum + pieces, 0)
			);
			lying.forEach((one, at) => {
				assert.ok(one.xCm >= 0 && one.xCm + one.lengthCm <= DECK.lengthCm + 1e-6);
				assert.ok(one.yCm >= 0 && one.yCm + one.widthCm <= DECK.widthCm + 1e-6);
				for (const other of lying.slice(at + 1)) {
					const apart =
						one.xCm + one.lengthCm <= other.xCm + 1e-6 ||
						other.xCm + other.lengthCm <= one.xCm + 1e-6 ||
						one.yCm + one.widthCm <= other.yCm + 1e-6 ||
						other.yCm + other.widthCm <= one.yCm + 1e-6;
					assert.ok(apart, 'no two lie on one another');
				}
			});
		})
	);
});
