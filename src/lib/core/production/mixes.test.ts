import { test } from 'node:test';
import assert from 'node:assert/strict';
import { OAT_LOAF } from '../formula/oat-loaf.fixture.ts';
import { fitsMixer, mixChoicesOf } from './index.ts';
import { close, day, demand, INPUT, large } from './oat-loaf-day.fixture.ts';

test('a mix ends with a drop where that makes no more dough, and an even split stands where it would', () => {
	const drops = (early: number, late: number, most = 30_000) =>
		day({
			...INPUT,
			demands: [demand(large, early, 1000, 'ferry'), demand(large, late, 2000, 'shop')],
			formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: most } }] }]
		}).doughs[0]!.mixes.map((mix) =>
			mix.portions.flatMap((portion) => portion.drops.map((drop) => drop.pieces))
		);
	assert.deepEqual(drops(26, 27), [[26], [27]]);
	assert.deepEqual(drops(28, 26), [[27], [1, 26]], 'two of 28 would be two pieces too many');
});

test('three drops of 46, 58 and 46 loaves on a mixer of 55 kg are 138.5 kg and not 160.6', () => {
	const { doughs } = day({
		...INPUT,
		demands: [46, 58, 46].map((pieces, at) => demand(large, pieces, at, `drop ${at}`)),
		formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 55_000 } }] }]
	});
	const mixes = doughs[0]!.mixes;
	close(
		mixes.reduce((total, mix) => total + mix.dough.value, 0),
		(150 * 900) / 0.975,
		1e-6
	);
	assert.deepEqual(
		mixes.map((mix) => mix.portions.reduce((total, portion) => total + portion.pieces, 0)),
		[50, 50, 50]
	);
});

test('each mix fits a real mixer: 10 to 20 and 40 to 80 kg take no 30', () => {
	const HOUSE_OF_TWO = [
		{ least: { grams: 10_000 }, most: { grams: 20_000 } },
		{ least: { grams: 40_000 }, most: { grams: 80_000 } }
	];
	const kilograms = (pieces: number) =>
		day({
			...INPUT,
			demands: [demand(large, pieces)],
			formulas: [{ formula: OAT_LOAF, limits: HOUSE_OF_TWO }]
		}).doughs[0]!.mixes.map((mix) => Math.round(mix.dough.value / 100) / 10);
	// 30 kg: no one mix, two of 15 in the small one. 50 kg: one in the large one. 90 kg: two in the large one.
	assert.deepEqual(kilograms(33), [15.7, 15.7], 'rounded up to whole pieces');
	assert.deepEqual(kilograms(54), [49.8]);
	assert.deepEqual(kilograms(98), [45.2, 45.2]);
	// Less than any takes stays one mix, and is told as too small.
	assert.deepEqual(kilograms(6), [5.5]);
	assert.equal(fitsMixer(HOUSE_OF_TWO, 5500), false);
	assert.equal(fitsMixer(HOUSE_OF_TWO, 20_000), true);
});

test('a dough is made in as many mixes as a baker wants, all alike, and never in one too small for a mixer', () => {
	const limits = [{ least: { grams: 8000 }, most: { grams: 60_000 } }];
	const made = (mixesAtLeast: number) => {
		const input = {
			...INPUT,
			demands: [demand(large, 40)],
			formulas: [{ formula: OAT_LOAF, limits, mixesAtLeast }]
		};
		const [dough] = day(input).doughs;
		return {
			pieces: dough!.mixes.map(({ portions }) =>
				portions.reduce((total, { pieces }) => total + pieces, 0)
			),
			choices: mixChoicesOf(dough!, input)
		};
	};
	assert.deepEqual(made(1), { pieces: [40], choices: { fewest: 1, oneMore: true } });
	assert.deepEqual(made(2), { pieces: [20, 20], choices: { fewest: 1, oneMore: true } });
	// 10 pieces are 9.2 kg; 8 would be 7.4.
	assert.deepEqual(made(4), { pieces: [10, 10, 10, 10], choices: { fewest: 1, oneMore: false } });
	assert.deepEqual(made(9).pieces, [10, 10, 10, 10], 'as many as there can be');
});
