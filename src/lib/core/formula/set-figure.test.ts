import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';
import {
	editLine,
	figureMove,
	figuresOf,
	rebalance,
	resolveFormula,
	type FigureKey,
	type ResolvedFormula
} from './index.ts';

const found = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
assert.ok(found.ok);
const resolved = found.value;

/** The formula after a move. */
function moved(figure: FigureKey, percent: number): ResolvedFormula {
	const move = figureMove(resolved, figure, percent);
	assert.ok(move.ok, JSON.stringify(move));
	const edited =
		move.value.kind === 'line'
			? editLine(resolved, move.value.edit)
			: rebalance(OAT_LOAF, OAT_LOAF_PANTRY, move.value.preparationId, move.value.move);
	assert.ok(edited.ok, JSON.stringify(edited));
	const preparations = new Map(OAT_LOAF_PANTRY.preparations);
	for (const preparation of edited.value.preparations)
		preparations.set(preparation.id, preparation);
	const again = resolveFormula(edited.value.formula, { ...OAT_LOAF_PANTRY, preparations });
	assert.ok(again.ok, JSON.stringify(again));
	return again.value;
}

test('78 % for a hydration of 76 without soakers is two more of water', () => {
	const move = figureMove(resolved, 'hydrationWithoutSoakers', 78);
	assert.ok(move.ok && move.value.kind === 'line');
	assert.equal(move.value.edit.ingredient.name, 'water');
	assert.ok(Math.abs(move.value.edit.percentOfFlour - 54) < 1e-9);
});

test('a figure comes to what was typed, and no other that it does not carry with it', () => {
	const range: Partial<Record<FigureKey, readonly [number, number]>> = {
		hydration: [80, 110],
		hydrationWithoutSoakers: [60, 90],
		effectiveHydration: [80, 110],
		salt: [0.5, 3],
		prefermentedFlour: [8, 30]
	};
	for (const [key, [min, max]] of Object.entries(range))
		fc.assert(
			fc.property(fc.double({ min, max, noNaN: true }), (percent) => {
				const figure = key as FigureKey;
				const before = figuresOf(resolved);
				const after = figuresOf(moved(figure, percent));
				assert.ok(Math.abs(after[figure] - percent) < 1e-6, `${key}: ${after[figure]}, ${percent}`);
				if (figure === 'prefermentedFlour')
					assert.ok(Math.abs(after.hydration - before.hydration) < 1e-6, 'the total stands');
				else assert.ok(Math.abs(after.wholegrain - before.wholegrain) < 1e-6, 'the flour stands');
			}),
			{ numRuns: 40 }
		);
});

test('less than the pre-ferments bring is refused by the line that would vanish; what follows from all is no field', () => {
	const dry = figureMove(resolved, 'hydration', 20);
	assert.ok(!dry.ok && dry.error.kind === 'line-negative' && dry.error.line === 'water');
	for (const figure of ['wholegrain', 'doughPercent', 'yeastFreshEquivalent'] as const) {
		const none = figureMove(resolved, figure, 10);
		assert.ok(!none.ok && none.error.kind === 'not-settable', figure);
	}
});
