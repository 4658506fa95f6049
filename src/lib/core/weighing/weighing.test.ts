import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	deviationOf,
	inOrderOfBowl,
	lineState,
	toleranceOf,
	type LineToWeigh
} from './weighing.ts';

const line = (kind: LineToWeigh['kind'], wantedGrams: number, divisionGrams = 1): LineToWeigh => ({
	key: kind,
	kind,
	name: kind,
	wantedGrams,
	divisionGrams,
	goes: 1
});
const LINES = [
	line('flour', 12_000, 20),
	line('water', 8400),
	line('salt', 240),
	line('yeast', 60)
];
const [FLOUR, WATER, SALT, YEAST] = LINES as [LineToWeigh, LineToWeigh, LineToWeigh, LineToWeigh];
const BATCH = { lines: LINES, flourGrams: 12_000, mostGrams: 30_000 };
const weighed = (grams: number, closeEnough = false) => ({ grams, closeEnough });

test('lines go into the bowl in their order: autolyse, start, held back, late, folded in', () => {
	const additions = ['fold-in', 'late', 'start', 'autolyse', 'start'] as const;
	assert.deepEqual(
		inOrderOfBowl(additions.map((addition) => ({ addition }))).map(({ addition }) => addition),
		['autolyse', 'start', 'start', 'late', 'fold-in']
	);
});

test('a tolerance is a division of the scale or a share, whichever is more; salt and yeast have two per cent', () => {
	assert.equal(toleranceOf(FLOUR), 120);
	assert.equal(toleranceOf(SALT), 4.8);
	assert.equal(toleranceOf(line('yeast', 12, 0.1)), 0.24);
	assert.equal(toleranceOf(line('other', 30, 20)), 20);
});

test('a line is open, a part, done, over, or kept as it is', () => {
	const state = (...all: ReturnType<typeof weighed>[]) => lineState(FLOUR, all).state;
	assert.equal(state(), 'open');
	assert.equal(state(weighed(6000)), 'part');
	assert.equal(state(weighed(6000), weighed(5900)), 'done');
	assert.equal(state(weighed(12_500)), 'over');
	assert.equal(state(weighed(12_500, true)), 'kept');
	assert.equal(state(weighed(11_500, true)), 'kept');
	assert.deepEqual(lineState(FLOUR, [weighed(6000)]), {
		inBowlGrams: 6000,
		leftGrams: 6000,
		toleranceGrams: 120,
		state: 'part'
	});
});

test('too much salt is told in per cent, and a batch a quarter larger mends it', () => {
	const { percent, times, effect, mend } = deviationOf(SALT, 300, BATCH);
	assert.deepEqual(percent, { wanted: 2, got: 2.5 });
	assert.equal(times, 1.25);
	assert.equal(effect, 'saltier');
	assert.ok(mend.kind === 'make-larger');
	assert.equal(mend.fits, true);
	assert.deepEqual(
		mend.others.map(({ name, grams }) => [name, grams]),
		[
			['flour', 3000],
			['water', 2100],
			['yeast', 15]
		]
	);
	const full = deviationOf(SALT, 300, { ...BATCH, mostGrams: 25_000 }).mend;
	assert.ok(full.kind === 'make-larger' && !full.fits, 'the mixer is too small for it');
});

test('what is short is added; water, flour, yeast and a preparation each say what they do', () => {
	const short = deviationOf(SALT, 200, BATCH);
	assert.deepEqual(short.mend, { kind: 'add', grams: 40 });
	const effects = [
		[WATER, 9000],
		[WATER, 8000],
		[FLOUR, 13_000],
		[YEAST, 90],
		[YEAST, 30],
		[line('preparation', 2000), 2500],
		[line('fat', 500), 600]
	] as const;
	assert.deepEqual(
		effects.map(([of, grams]) => deviationOf(of, grams, BATCH).effect),
		['wetter', 'drier', 'drier', 'faster', 'slower', 'faster', 'other']
	);
	assert.equal(deviationOf(SALT, 200, { ...BATCH, flourGrams: 0 }).percent, null);
});

test('a mended batch has every line in the proportion of its formula', () => {
	const factor = fc.double({ min: 1.02, max: 3, noNaN: true });
	fc.assert(
		fc.property(fc.constantFrom(...LINES), factor, (of, times) => {
			const { mend } = deviationOf(of, of.wantedGrams * times, BATCH);
			assert.ok(mend.kind === 'make-larger');
			for (const { key, grams } of mend.others) {
				const other = LINES.find((one) => one.key === key);
				const now = (other?.wantedGrams ?? 0) + grams;
				assert.ok(
					Math.abs(now / (of.wantedGrams * times) - (other?.wantedGrams ?? 0) / of.wantedGrams) <
						1e-9
				);
			}
		})
	);
});
