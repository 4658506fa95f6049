import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import {
	buildFiguresOf,
	compareFormulas,
	comparePreparations,
	figuresOf,
	flourOf,
	rebalance,
	resolveFormula,
	sumLines,
	totalFlourFrom,
	type Formula,
	type Pantry,
	type EditedFormula,
	type Preparation,
	type RebalanceMove
} from './index.ts';
import { LEVAIN, OAT_LOAF, OAT_LOAF_PANTRY } from './oat-loaf.fixture.ts';

const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

function resolved(formula: Formula, pantry: Pantry = OAT_LOAF_PANTRY) {
	const result = resolveFormula(formula, pantry);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}
function pantryWith({ preparations }: EditedFormula, pantry = OAT_LOAF_PANTRY): Pantry {
	const all = new Map(pantry.preparations);
	for (const preparation of preparations) all.set(preparation.id, preparation);
	return { ...pantry, preparations: all };
}
function move(by: RebalanceMove) {
	const result = rebalance(OAT_LOAF, OAT_LOAF_PANTRY, LEVAIN.id, by);
	assert.ok(result.ok, JSON.stringify(result));
	const pantry = pantryWith(result.value);
	const after = resolved(result.value.formula, pantry);
	const levain = after.final.stages.find((stage) => stage.preparation?.id === LEVAIN.id);
	assert.ok(levain);
	return { ...result.value, after, levain };
}
/** Each ingredient of the whole, a culture taken apart into its flour and water. */
function totals(formula: Formula, pantry: Pantry) {
	const { final } = resolved(formula, pantry);
	const of = (kind: string) =>
		sumLines(final, ({ ingredient, percentOfFlour }) =>
			ingredient.kind === kind || ingredient.kind === 'culture'
				? percentOfFlour * ingredient.composition[kind as 'flour' | 'water']
				: 0
		);
	const name = (wanted: string) =>
		sumLines(final, (line) => (line.ingredient.name === wanted ? line.percentOfFlour : 0));
	return {
		flour: of('flour'),
		water: of('water'),
		salt: name('salt'),
		honey: name('honey'),
		oats: name('rolled oats'),
		wholemeal: name('whole wheat'),
		dough: final.percentOfFlour
	};
}

test('raising the pre-fermented flour moves flour and water, and the total stands', () => {
	const { after, formula, preparations } = move({ kind: 'prefermented-flour', percent: 22 });
	assert.deepEqual(preparations, [], 'the recipe of the build is as it was');
	close(figuresOf(after).prefermentedFlour, 22, 1e-9);
	close(figuresOf(after).hydration, 94, 1e-9);
	const bread = formula.lines.find(
		(line) =>
			line.material.kind === 'ingredient' &&
			line.material.ingredientId === id<IngredientId>('bread flour')
	);
	// 22/18 of the levain takes 2 % more bread flour itself and 0.4 % more with its culture.
	close(bread?.percentOfFlour ?? 0, 70 - 2 - 0.4, 1e-9);
});

test('the hydration of a build changes with its water alone, and the total stands', () => {
	const { levain, after } = move({ kind: 'hydration', percent: 60 });
	close(buildFiguresOf(levain).hydration, 60, 1e-9);
	close(flourOf(levain), 18, 1e-9);
	close(figuresOf(after).hydration, 94, 1e-9);
});

test('the seed changes inside the build, and the final dough is as it was', () => {
	const { levain, formula } = move({ kind: 'inoculation', percent: 20 });
	close(buildFiguresOf(levain).inoculation, 20, 1e-9);
	close(buildFiguresOf(levain).hydration, 100, 1e-9);
	assert.deepEqual(compareFormulas(OAT_LOAF, formula), []);
});

test('any move that is possible keeps the total formula; any other is refused with the line', () => {
	const moves = fc.record({
		kind: fc.constantFrom('prefermented-flour', 'hydration', 'inoculation' as const),
		percent: fc.double({ min: 0.5, max: 190, noNaN: true })
	});
	const before = totals(OAT_LOAF, OAT_LOAF_PANTRY);
	fc.assert(
		fc.property(moves, (by) => {
			const result = rebalance(OAT_LOAF, OAT_LOAF_PANTRY, LEVAIN.id, by);
			if (!result.ok) {
				assert.ok(
					['out-of-range', 'final-line-negative', 'build-line-negative'].includes(result.error.kind)
				);
				return;
			}
			const after = totals(result.value.formula, pantryWith(result.value));
			for (const key of Object.keys(before) as (keyof typeof before)[])
				close(after[key], before[key], 1e-6);
		})
	);
});

test('a move there and back again is the formula that was', () => {
	const there = move({ kind: 'prefermented-flour', percent: 25 });
	const back = rebalance(there.formula, OAT_LOAF_PANTRY, LEVAIN.id, {
		kind: 'prefermented-flour',
		percent: 18
	});
	assert.ok(back.ok);
	assert.deepEqual(compareFormulas(OAT_LOAF, back.value.formula), []);
});

test('what cannot be moved is refused with the reason', () => {
	const refused = (by: RebalanceMove, build: PreparationId = LEVAIN.id) => {
		const result = rebalance(OAT_LOAF, OAT_LOAF_PANTRY, build, by);
		return result.ok ? 'moved' : result.error;
	};
	const tooMuch = refused({ kind: 'prefermented-flour', percent: 60 });
	assert.ok(typeof tooMuch === 'object' && tooMuch.kind === 'final-line-negative');
	assert.equal(tooMuch.line, 'whole wheat');
	assert.ok(tooMuch.percent < 0);
	const dry = refused({ kind: 'hydration', percent: 5 });
	assert.ok(typeof dry === 'object' && dry.kind === 'build-line-negative' && dry.line === 'water');
	for (const percent of [0, 100, -4, Number.NaN]) {
		const one = refused({ kind: 'prefermented-flour', percent });
		assert.ok(typeof one === 'object' && one.kind === 'out-of-range');
	}
	const soaker = refused({ kind: 'hydration', percent: 80 }, id<PreparationId>('soaker'));
	assert.deepEqual(soaker, { kind: 'no-flour-in-build', build: 'soaker' });
	const biga = refused({ kind: 'hydration', percent: 80 }, id<PreparationId>('biga'));
	assert.deepEqual(biga, { kind: 'unknown-stage' });
	const unseeded = { ...LEVAIN, lines: LEVAIN.lines.slice(1) };
	const preparations = new Map(OAT_LOAF_PANTRY.preparations).set(LEVAIN.id, unseeded);
	const poolish = rebalance(OAT_LOAF, { ...OAT_LOAF_PANTRY, preparations }, LEVAIN.id, {
		kind: 'inoculation',
		percent: 10
	});
	assert.deepEqual(poolish, { ok: false, error: { kind: 'no-seed-in-build', build: 'levain' } });
});

test('worked figure: every starting point leads to the same flour when it says the same', () => {
	const loaf = resolved(OAT_LOAF);
	const from = (start: Parameters<typeof totalFlourFrom>[0]) => {
		const result = totalFlourFrom(start, loaf);
		assert.ok(result.ok, JSON.stringify(result));
		return result.value.value;
	};
	const products = [
		{ name: 'large', pieces: 40, scaledWeight: { grams: 900 } },
		{ name: 'small', pieces: 24, scaledWeight: { grams: 520 } }
	];
	close(from({ kind: 'pieces', products }), 23_666.4, 0.05);
	close(from({ kind: 'dough', dough: { grams: 49_723.1 } }), 23_666.4, 0.05);
	close(from({ kind: 'total-flour', flour: { grams: 23_666.4 } }), 23_666.4, 1e-9);
	close(
		from({ kind: 'mixer-fill', mostDough: { grams: 62_153.9 }, fill: { share: 0.8 } }),
		23_666.4,
		0.05
	);
	const baked = products.map(({ name, pieces, scaledWeight }) => ({
		name,
		pieces,
		bakedWeight: { grams: scaledWeight.grams * 0.875 },
		bakeLoss: { share: 0.125 }
	}));
	close(from({ kind: 'baked-pieces', products: baked }), 23_666.4, 0.05);
	// What is cut from sheets takes its trim along, by either weight.
	const trimmed = <T>(all: readonly T[]) => all.map((one) => ({ ...one, sheetShare: 1.1 }));
	close(from({ kind: 'pieces', products: trimmed(products) }), 23_666.4 * 1.1, 0.06);
	close(from({ kind: 'baked-pieces', products: trimmed(baked) }), 23_666.4 * 1.1, 0.06);
	const levain = { kind: 'preparation', preparationId: LEVAIN.id } as const;
	close(from({ kind: 'on-hand', material: levain, onHand: { grams: 9814.33 } }), 23_666.4, 0.1);
	const bread = { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') } as const;
	// 70 % in the dough and a quarter of the levain, of which 3 % stay in the tub and 1000 g are kept back.
	const inLevain = 0.25 / 0.97;
	close(
		from({ kind: 'on-hand', material: bread, onHand: { grams: 18_000 } }),
		(18_000 - inLevain * 1000) / (0.7 + inLevain * 0.36),
		1e-6
	);
	const none = totalFlourFrom({ kind: 'on-hand', material: levain, onHand: { grams: 900 } }, loaf);
	assert.deepEqual(none, { ok: false, error: { kind: 'nothing-to-scale' } });
	const biga = { kind: 'preparation', preparationId: id<PreparationId>('biga') } as const;
	assert.deepEqual(
		totalFlourFrom({ kind: 'on-hand', material: biga, onHand: { grams: 1 } }, loaf),
		{
			ok: false,
			error: { kind: 'not-in-formula', material: biga }
		}
	);
	assert.equal(totalFlourFrom({ kind: 'pieces', products: [] }, loaf).ok, false);
});

test('two revisions are compared line by line', () => {
	const [levain, soaker, ...rest] = OAT_LOAF.lines;
	const salted = {
		...OAT_LOAF,
		lines: [
			levain!,
			...rest.map((line) => (line.addition === 'late' ? { ...line, percentOfFlour: 2 } : line))
		]
	};
	const found = compareFormulas(OAT_LOAF, salted);
	assert.deepEqual(
		found.map(({ before, after }) => [before, after]),
		[
			[30, null],
			[2.1, 2]
		]
	);
	assert.deepEqual(found[0]?.material, soaker?.material);
	assert.deepEqual(
		compareFormulas(OAT_LOAF, { ...OAT_LOAF, lines: [...OAT_LOAF.lines].reverse() }),
		[]
	);
	const doubled = {
		...LEVAIN,
		lines: LEVAIN.lines.map((line) => ({ ...line, parts: line.parts * 2 }))
	};
	assert.deepEqual(comparePreparations(LEVAIN, doubled), [], 'the same recipe in other parts');
});

/** The oat loaf with its levain built in two stages: a feed of 4 % flour, then the rest. */
const FEED: Preparation = {
	id: id<PreparationId>('feed'),
	name: 'feed',
	kind: 'build',
	lines: [
		{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('culture') }, parts: 3.6 },
		{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') }, parts: 2.2 },
		{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('water') }, parts: 2.2 }
	],
	buildLoss: { share: 0 },
	takeBackGrams: 0
};
const STAGED: Pantry = {
	...OAT_LOAF_PANTRY,
	preparations: new Map(OAT_LOAF_PANTRY.preparations).set(FEED.id, FEED).set(LEVAIN.id, {
		...LEVAIN,
		lines: [
			{ material: { kind: 'preparation', preparationId: FEED.id }, parts: 8 },
			{
				material: { kind: 'ingredient', ingredientId: id<IngredientId>('whole wheat') },
				parts: 7.2
			},
			{
				material: { kind: 'ingredient', ingredientId: id<IngredientId>('bread flour') },
				parts: 6.8
			},
			{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('water') }, parts: 14 }
		]
	})
};

test('a build inside a build is rebalanced too, and the total formula stands', () => {
	const before = totals(OAT_LOAF, STAGED);
	const moves = fc.record({
		build: fc.constantFrom(FEED.id, LEVAIN.id),
		kind: fc.constantFrom('prefermented-flour', 'hydration', 'inoculation' as const),
		percent: fc.double({ min: 1, max: 120, noNaN: true })
	});
	let moved = 0;
	fc.assert(
		fc.property(moves, ({ build, ...by }) => {
			const result = rebalance(OAT_LOAF, STAGED, build, by);
			if (!result.ok) return;
			moved += 1;
			const pantry = pantryWith(result.value, STAGED);
			const after = totals(result.value.formula, pantry);
			for (const key of Object.keys(before) as (keyof typeof before)[])
				close(after[key], before[key], 1e-6);
			const { final } = resolved(result.value.formula, pantry);
			const levain = final.stages.find((stage) => stage.preparation?.id === LEVAIN.id);
			const stage = build === LEVAIN.id ? levain : levain?.stages[0];
			assert.ok(stage);
			const own = buildFiguresOf(stage);
			const reached = { 'prefermented-flour': flourOf(stage), ...own }[by.kind];
			close(reached, by.percent, 1e-6);
		})
	);
	assert.ok(moved > 20, `${moved} moves were possible`);
});

test('a build that stands in two places is not changed as if it stood in one', () => {
	const twice: Formula = {
		...OAT_LOAF,
		lines: OAT_LOAF.lines.map((line) =>
			line.material.kind === 'preparation' && line.material.preparationId === LEVAIN.id
				? { ...line, percentOfFlour: 36 }
				: line
		)
	};
	const soaker = OAT_LOAF_PANTRY.preparations.get(id<PreparationId>('soaker'));
	assert.ok(soaker);
	const pantry: Pantry = {
		...OAT_LOAF_PANTRY,
		preparations: new Map(OAT_LOAF_PANTRY.preparations).set(soaker.id, {
			...soaker,
			lines: [
				...soaker.lines,
				{ material: { kind: 'preparation', preparationId: LEVAIN.id }, parts: 0.001 }
			]
		})
	};
	const result = rebalance(twice, pantry, LEVAIN.id, { kind: 'hydration', percent: 90 });
	assert.deepEqual(result, { ok: false, error: { kind: 'in-several-places', stage: 'levain' } });
});
