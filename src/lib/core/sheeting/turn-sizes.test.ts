import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { TURNS, type Turn } from '../formula/index.ts';
import { sheetWork, turnSizes, type SheetAsked, type TurnAsked } from './index.ts';

const close = (found: number, wanted: number, within = 1e-6) =>
	assert.ok(Math.abs(found - wanted) <= within, `${found} is not ${wanted}`);

const BLOCK = {
	dough: { grams: 2200 },
	fat: { grams: 552 },
	gramsPerCubicCm: 2752 / 2600,
	fatGramsPerCubicCm: 0.92,
	widthCm: 40
};
const turn = (what: Turn, rolledToMm: number | null = null): TurnAsked => ({
	turn: what,
	rolledToMm
});

test('worked figures: 2000 cm3 of dough and 600 of fat, one layer locked in, a single and a double turn', () => {
	const found = turnSizes(BLOCK, [turn('lock-in-1', 10), turn('single', 8), turn('double')]);
	assert.ok(found, 'sizes');
	const [lockIn, single, double] = found;
	close(lockIn?.rolled.lengthCm ?? 0, 50);
	// Half of the dough is covered, an edge of 1 cm all around: 23 x 38 cm.
	close(lockIn?.plate?.lengthCm ?? 0, 23);
	close(lockIn?.plate?.widthCm ?? 0, 38);
	close(lockIn?.plate?.thicknessMm ?? 0, (600 / (23 * 38)) * 10);
	close(lockIn?.folded.lengthCm ?? 0, 25);
	close(lockIn?.folded.thicknessMm ?? 0, 26);
	close(single?.rolled.lengthCm ?? 0, 2600 / 32);
	close(single?.folded.lengthCm ?? 0, 2600 / 96);
	close(single?.folded.thicknessMm ?? 0, 24);
	assert.equal(single?.plate, null);
	assert.deepEqual(
		[single?.isUsual, double?.isUsual, double?.rolled.thicknessMm],
		[false, true, 8]
	);
	assert.deepEqual(double?.layers, { fat: 12, dough: 13, atTheBench: 36 });
});

test('two layers of fat cover two thirds, and the dough is folded in three', () => {
	const [lockIn] = turnSizes(BLOCK, [turn('lock-in-2', 10)]) ?? [];
	close(lockIn?.plate?.lengthCm ?? 0, (50 * 2) / 3 - 2);
	close(lockIn?.folded.lengthCm ?? 0, 50 / 3);
});

test('fat that is not there, or is more than the block, has no sizes', () => {
	assert.equal(turnSizes({ ...BLOCK, fat: { grams: 0 } }, [turn('lock-in-1')]), null);
	assert.equal(turnSizes({ ...BLOCK, dough: { grams: -1 } }, [turn('single')]), null);
	assert.ok(turnSizes({ ...BLOCK, fat: { grams: 0 } }, [turn('single')]), 'plain dough is folded');
});

test('volume is kept at every turn', () => {
	const turns = fc.array(
		fc.record({
			turn: fc.constantFrom(...TURNS.filter((one) => !one.startsWith('lock-in'))),
			rolledToMm: fc.option(fc.integer({ min: 3, max: 20 }))
		}),
		{ maxLength: 5 }
	);
	fc.assert(
		fc.property(turns, fc.integer({ min: 20, max: 70 }), (folds, widthCm) => {
			const found = turnSizes({ ...BLOCK, widthCm }, [turn('lock-in-1', 10), ...folds]) ?? [];
			assert.equal(found.length, folds.length + 1);
			for (const { folded } of found)
				close((folded.lengthCm * folded.widthCm * folded.thicknessMm) / 10, 2600, 1e-6);
			for (const { rolled } of found.slice(1))
				close((rolled.lengthCm * rolled.widthCm * rolled.thicknessMm) / 10, 2600, 1e-6);
		})
	);
});

test('two doughs lie one on the other, the fat is in the first, and a turn too long for the table is told', () => {
	const asked: SheetAsked = {
		name: 'two-coloured strip',
		pieces: 40,
		sheet: {
			cut: { kind: 'strips', widthCm: 4, lengthCm: 20 },
			edgeCm: 1,
			mostWidthCm: 44,
			mostLengthCm: 90,
			gramsPerCubicCm: null,
			filledFirst: true,
			trimGoes: 'next-dough'
		},
		doughs: [
			{ name: 'plain', scaled: { grams: 60 } },
			{ name: 'dark', scaled: { grams: 12 } }
		],
		fillings: [{ name: 'almond', scaled: { grams: 9 } }],
		turns: [turn('lock-in-1', 10), turn('single', 3)],
		rolledIn: {
			names: ['Butter'],
			percentOfFlour: 50,
			shareOfDough: { share: 0.25 },
			gramsPerCubicCm: 0.92,
			isWeighed: false,
			rolling: null
		},
		proofTooWarmCelsius: null
	};
	const found = sheetWork(asked);
	assert.ok(found.ok, 'laid out');
	const { layout, layers, fillings, block, beyond } = found.value;
	close((layers[0]?.perSheet.grams ?? 0) + (layers[1]?.perSheet.grams ?? 0), layout.sheet.grams);
	close((layers[0]?.thicknessMm ?? 0) / (layers[1]?.thicknessMm ?? 1), 5);
	close(block.fat.grams / (block.fat.grams + block.dough.grams), 0.25);
	// What is spread before cutting covers the trim too.
	close(fillings[0]?.perSheet.grams ?? 0, (layout.sheet.grams * 9) / 72);
	assert.equal(beyond?.turn, 'single');
	const plain = sheetWork({ ...asked, turns: [] });
	assert.ok(plain.ok && plain.value.turns === null, 'a dough without turns is rolled out too');
});
