import { test } from 'node:test';
import assert from 'node:assert/strict';
import {
	decksFor,
	entryProblems,
	FIRST_DECK,
	FIRST_OVEN,
	lackedByAll,
	lacksOf,
	loadingMinutesOf,
	sheetGrams,
	type DeckNeeds,
	type OvenDeck
} from './index.ts';

const deck = (id: string, change: Partial<OvenDeck> = {}): OvenDeck => ({
	...FIRST_DECK,
	id,
	name: id,
	topAndBottom: true,
	fan: false,
	...change
});
const PLAIN: DeckNeeds = {
	steam: false,
	stone: false,
	topAndBottom: false,
	fan: false,
	heightCm: null
};
const ids = (decks: readonly OvenDeck[]) => decks.map(({ id }) => id);

test('a deck lacks what a bake asks for and it has not, each by its name', () => {
	const bare = deck('bare', { steam: false, stone: false, topAndBottom: false, heightCm: 20 });
	assert.deepEqual(lacksOf(bare, PLAIN), []);
	assert.deepEqual(
		lacksOf(bare, { steam: true, stone: true, topAndBottom: true, fan: true, heightCm: 18 }),
		['height', 'steam', 'stone', 'top-and-bottom', 'fan']
	);
	assert.deepEqual(
		lacksOf(deck('all', { fan: true }), {
			steam: true,
			stone: true,
			topAndBottom: true,
			fan: true,
			heightCm: 17
		}),
		[]
	);
});

test('a height that is not known is in nobody’s way, and three centimetres of air are left over a piece', () => {
	assert.deepEqual(lacksOf(deck('open', { heightCm: null }), { ...PLAIN, heightCm: 140 }), []);
	assert.deepEqual(lacksOf(deck('low', { heightCm: 20 }), { ...PLAIN, heightCm: 17 }), []);
	assert.deepEqual(lacksOf(deck('low', { heightCm: 20 }), { ...PLAIN, heightCm: 17.1 }), [
		'height'
	]);
});

test('a lidded pot has its own steam and its own floor', () => {
	const pots = deck('pots', { kind: 'pots', count: 6, steam: false, stone: false });
	assert.deepEqual(lacksOf(pots, { ...PLAIN, steam: true, stone: true }), []);
});

test('a steamed bake goes on the decks with steam, a dry one on all; where none has it, on those with most of the rest', () => {
	const decks = [
		deck('steam'),
		deck('dry', { steam: false }),
		deck('bare', { steam: false, stone: false })
	];
	assert.deepEqual(ids(decksFor(decks, { ...PLAIN, steam: true })), ['steam']);
	assert.deepEqual(ids(decksFor(decks, PLAIN)), ['steam', 'dry', 'bare']);
	const without = decks.slice(1);
	const steamed = { ...PLAIN, steam: true, stone: true };
	assert.deepEqual(ids(decksFor(without, steamed)), ['dry']);
	assert.deepEqual(lackedByAll(without, steamed), ['steam']);
	assert.deepEqual(lackedByAll(decks, steamed), []);
	assert.deepEqual(lackedByAll([], steamed), []);
});

test('a piece that is too high for every deck goes on none', () => {
	const decks = [deck('a', { heightCm: 15 }), deck('b', { heightCm: 12 })];
	const high = { ...PLAIN, heightCm: 14 };
	assert.deepEqual(decksFor(decks, high), []);
	assert.deepEqual(lackedByAll(decks, high), ['height']);
});

test('hands load a deck in the minutes entered, a loader in two', () => {
	assert.equal(loadingMinutesOf({ ...FIRST_OVEN, handLoadingMinutes: 9 }), 9);
	assert.equal(loadingMinutesOf({ ...FIRST_OVEN, handLoadingMinutes: 9, loader: true }), 2);
});

test('a sheet of 50 by 180 cm weighs 3.96 kg at 4 mm, and more where the rollers go no closer', () => {
	const sheeter = { widthCm: 50, lengthCm: 180, thinnestMillimetres: 1, thickestMillimetres: 35 };
	assert.ok(Math.abs(sheetGrams(sheeter) - 3960) < 1e-6);
	assert.ok(Math.abs(sheetGrams({ ...sheeter, thinnestMillimetres: 8 }) - 7920) < 1e-6);
});

test('no more hands work at a bench than can stand around it', () => {
	const bench = { lengthCm: 100, widthCm: 40, hands: 4 };
	assert.deepEqual(entryProblems('bench', bench), []);
	assert.deepEqual(entryProblems('bench', { ...bench, hands: 5 }), [
		{ kind: 'too-many-hands', field: 'hands', most: 4 }
	]);
	assert.deepEqual(entryProblems('bench', { lengthCm: 30, widthCm: 30, hands: 1 }), []);
});
