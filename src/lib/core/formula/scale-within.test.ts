import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';
import { resolveFormula, scaledWithin, stagesInOrder, totalFlourFrom } from './index.ts';

const found = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
assert.ok(found.ok);
const resolved = found.value;
const levain = stagesInOrder(resolved.final).find(({ name }) => name === 'levain')?.preparation;
assert.ok(levain);
const materials = [
	{ kind: 'preparation' as const, preparationId: levain.id },
	...resolved.final.lines.map(({ ingredient }) => ({
		kind: 'ingredient' as const,
		ingredientId: ingredient.id
	}))
];
const flour = (grams: number) => ({ kind: 'total-flour' as const, flour: { grams } });

test('what was asked for stands where everything reaches, and the least gives where not', () => {
	const grams = fc.double({ min: 2000, max: 90_000, noNaN: true });
	fc.assert(
		fc.property(
			grams,
			fc.array(fc.record({ material: fc.constantFrom(...materials), most: fc.record({ grams }) }), {
				maxLength: 4
			}),
			(wanted, limits) => {
				const scaled = scaledWithin(flour(wanted), limits, resolved);
				assert.ok(scaled.ok, JSON.stringify(scaled));
				const allowed = limits.map(({ material, most }) => {
					const one = totalFlourFrom({ kind: 'on-hand', material, onHand: most }, resolved);
					return one.ok ? one.value.value : NaN;
				});
				const least = Math.min(wanted, ...allowed);
				assert.equal(scaled.value.flour.value, least);
				assert.equal(scaled.value.fits, least / wanted);
				assert.equal(
					scaled.value.gives === null,
					allowed.every((each) => each >= wanted)
				);
			}
		)
	);
});

test('a limit of nothing, or of what is not in the formula, is told', () => {
	const limit = (grams: number) => [{ material: materials[0]!, most: { grams } }];
	assert.equal(scaledWithin(flour(10_000), limit(0), resolved).ok, false);
	const strange = { kind: 'ingredient' as const, ingredientId: 'nothing' as never };
	const told = scaledWithin(flour(10_000), [{ material: strange, most: { grams: 1 } }], resolved);
	assert.ok(!told.ok && told.error.kind === 'not-in-formula');
});
