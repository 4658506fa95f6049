import { test } from 'node:test';
import assert from 'node:assert/strict';
import { asksOfDeck, changeAt, PLAIN_PROGRAMME, type BakeProgramme } from './index.ts';

const bake = (steamSeconds: number, programme: Partial<BakeProgramme> = {}) => ({
	steamSeconds,
	programme: { ...PLAIN_PROGRAMME, ...programme }
});
const NOTHING = { steam: false, stone: false, topAndBottom: false, fan: false };

test('a plain dry bake asks nothing of its deck', () => {
	assert.deepEqual(asksOfDeck([]), NOTHING);
	assert.deepEqual(asksOfDeck([bake(0)]), NOTHING);
});

test('steam is asked of the oven at loading or later, and not where water is poured on a tray', () => {
	assert.deepEqual(asksOfDeck([bake(12)]), { ...NOTHING, steam: true });
	const later = { changes: [{ ...changeAt(5), steamSeconds: 8 }] };
	assert.deepEqual(asksOfDeck([bake(0, later)]), { ...NOTHING, steam: true });
	assert.deepEqual(asksOfDeck([bake(12, { ...later, steamByTray: true })]), NOTHING);
});

test('heat set apart, a fan that is on and a stone are asked for by any of the bakes', () => {
	const { atLoading } = PLAIN_PROGRAMME;
	const all = asksOfDeck([
		bake(0, { atLoading: { ...atLoading, bottomPercent: 40 } }),
		bake(0, { changes: [{ ...changeAt(10), fan: true }], onStone: true })
	]);
	assert.deepEqual(all, { steam: false, stone: true, topAndBottom: true, fan: true });
	assert.deepEqual(asksOfDeck([bake(0, { changes: [{ ...changeAt(10), fan: false }] })]), NOTHING);
});
