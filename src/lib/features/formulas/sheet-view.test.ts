import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	compareFormulas,
	comparePreparations,
	editLine,
	resolveFormula,
	stagesInOrder
} from '../../core/formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../../core/formula/oat-loaf.fixture.ts';
import { measureOf, SHEET_UNITS } from './sheet-view.ts';

const resolved = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
assert.ok(resolved.ok);
const { final } = resolved.value;

test('a number typed as it reads, in any measure and at any size, changes nothing', () => {
	fc.assert(
		fc.property(
			fc.constantFrom(...SHEET_UNITS.map((unit) => unit.value)),
			fc.double({ min: 10, max: 1e6, noNaN: true }),
			(unit, totalFlourGrams) => {
				for (const stage of stagesInOrder(final))
					for (const line of stage.lines) {
						const measure = measureOf(unit, stage, final, totalFlourGrams);
						const reads = line.percentOfFlour * measure;
						const edited = editLine(resolved.value, {
							preparationId: stage.preparation?.id ?? null,
							ingredient: line.ingredient,
							addition: line.addition,
							percentOfFlour: reads / measure,
							flour: 'balance'
						});
						assert.ok(edited.ok, line.ingredient.name);
						assert.deepEqual(compareFormulas(OAT_LOAF, edited.value.formula), []);
						for (const preparation of edited.value.preparations) {
							const before = OAT_LOAF_PANTRY.preparations.get(preparation.id);
							assert.ok(before);
							assert.deepEqual(comparePreparations(before, preparation), []);
						}
					}
			}
		),
		{ numRuns: 40 }
	);
});

test('the measures read the worked figures: levain at 43.90 % of the final-dough flour', () => {
	const levain = final.stages.find((stage) => stage.name === 'levain');
	assert.ok(levain);
	const ofFinal = levain.percentOfFlour * measureOf('final', final, final, 10_000);
	assert.ok(Math.abs(ofFinal - 43.9) < 0.005, String(ofFinal));
	const ownWater = 16.2 * measureOf('own', levain, final, 10_000);
	assert.ok(Math.abs(ownWater - 90) < 1e-9, String(ownWater));
	assert.equal(measureOf('weight', final, final, 10_000), 100);
});
