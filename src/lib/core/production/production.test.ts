import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from '../explain/by-hand.fixture.ts';
import { given } from '../explain/index.ts';
import { resolveFormula, type Formula, type Preparation } from '../formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY, SOAKER } from '../formula/oat-loaf.fixture.ts';
import {
	id,
	type FormulaId,
	type IngredientId,
	type PreparationId,
	type ProductId
} from '../identity.ts';
import {
	divide,
	dueOf,
	productionOf,
	scaledBatch,
	shareOut,
	type BakeryProduct,
	type ProductionInput
} from './index.ts';
import {
	FINE,
	HOUSE,
	large,
	small,
	of,
	PRODUCTS,
	demand,
	INPUT,
	day,
	close
} from './oat-loaf-day.fixture.ts';
import { amountOfExtra } from './product.ts';

test('worked figure: 40 x 900 g and 24 x 520 g are 2 mixes of 24 861.5 g', () => {
	const [dough] = day(INPUT).doughs;
	assert.ok(dough);
	assert.equal(dough.mixes.length, 2);
	const [first, second] = dough.mixes;
	assert.ok(first && second);
	close(first.dough.value, 24_861.5, 0.05);
	close(first.dough.value + second.dough.value, 49_723.1, 0.05);
	close(first.totalFlour.value * 2, 23_666.4, 0.05);
	assert.deepEqual(
		first.portions.map((portion) => portion.pieces),
		[20, 12]
	);
	assert.equal(byHand(first.totalFlour), first.totalFlour.value);
});

test('worked figure: the levain needs 8 519.9 g and is built as 9 814.3 g', () => {
	const levain = day(INPUT).builds.find((build) => build.preparation.name === 'levain');
	assert.ok(levain);
	close(levain.needed.value, 8519.9, 0.05);
	close(levain.gross.value, 9814.3, 0.05);
	const weighed = levain.lines.map((line) => line.exact.value);
	[981.4, 1962.9, 2453.6, 4416.4].forEach((expected, index) =>
		close(weighed[index] ?? 0, expected, 0.06)
	);
});

test('the earliest drops come from the first mix', () => {
	const mixes = shareOut(
		[demand(large, 30, 2000, 'shop'), demand(large, 30, 1000, 'ferry')],
		new Map([[large, { grams: 900 }]]),
		2
	);
	assert.deepEqual(
		mixes.map((portions) =>
			portions.map((portion) => portion.drops.map((drop) => [drop.dropId, drop.pieces]))
		),
		[[[['ferry', 30]]], [[['shop', 30]]]]
	);
	assert.equal(dueOf(mixes[1]![0]!), 2000);
});

test('a build that two doughs take from is made once', () => {
	const second = { ...OAT_LOAF, id: id<FormulaId>('second loaf'), name: 'second loaf' };
	const production = day({
		...INPUT,
		products: [PRODUCTS[0]!, of(small, 520, second.id)],
		formulas: [INPUT.formulas[0]!, { ...INPUT.formulas[0]!, formula: second }]
	});
	assert.equal(production.doughs.length, 2);
	assert.deepEqual(production.builds.map((build) => build.preparation.name).sort(), [
		'levain',
		'soaker'
	]);
	const levain = production.builds.find((build) => build.preparation.name === 'levain');
	close(levain?.needed.value ?? 0, 8519.9, 0.06);
});

test('what cannot be made is reported beside what can', () => {
	const lost = id<ProductId>('lost');
	const production = day({
		...INPUT,
		demands: [...INPUT.demands, demand(lost, 3)],
		products: [...PRODUCTS, { ...of(lost, 60, id<FormulaId>('gone')), name: 'lost bun' }]
	});
	assert.equal(production.doughs.length, 1);
	assert.deepEqual(production.unmade, [
		{ name: 'lost bun', reason: { kind: 'no-formula', formulaId: 'gone' } }
	]);
	const tiny = day({
		...INPUT,
		formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 500 } }] }]
	});
	assert.deepEqual(tiny.unmade[0]?.reason, {
		kind: 'piece-exceeds-mixer',
		product: 'large',
		most: { grams: 500 }
	});
	const broken = day({ ...INPUT, pantry: { ...OAT_LOAF_PANTRY, preparations: new Map() } });
	assert.equal(broken.unmade[0]?.reason.kind, 'unknown-preparation');
	assert.deepEqual(productionOf({ ...INPUT, scales: [] }), {
		ok: true,
		value: {
			doughs: [],
			extras: [],
			builds: [],
			unmade: [{ name: 'oat loaf', reason: { kind: 'no-scales' } }]
		}
	});
	assert.deepEqual(day({ ...INPUT, demands: [] }), {
		doughs: [],
		extras: [],
		builds: [],
		unmade: []
	});
});

const order = fc.record({
	large: fc.integer({ min: 0, max: 300 }),
	small: fc.integer({ min: 1, max: 300 }),
	later: fc.integer({ min: 0, max: 200 }),
	most: fc.integer({ min: 8000, max: 60_000 })
});

test('any order: every piece is in a mix, mixes fit the mixer, and rounding never leaves dough short', () => {
	fc.assert(
		fc.property(order, (ordered) => {
			const input: ProductionInput = {
				...INPUT,
				scales: HOUSE,
				demands: [
					demand(large, ordered.large),
					demand(small, ordered.small),
					demand(large, ordered.later, 60_000, 'shop')
				],
				formulas: [
					{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: ordered.most } }] }
				]
			};
			const production = day(input);
			fc.pre(production.unmade.every(({ reason }) => reason.kind !== 'beyond-the-house'));
			const mixes = production.doughs[0]!.mixes;
			let pieces = 0;
			for (const mix of mixes) {
				const weights = new Map<string, number>([
					[large, 900],
					[small, 520]
				]);
				const needs = mix.portions.reduce(
					(t, portion) => t + portion.pieces * weights.get(portion.productId)!,
					0
				);
				const weighed = mix.lines.reduce((t, line) => t + line.weighing.weighed.grams, 0);
				assert.ok(mix.dough.value <= ordered.most + 1e-6);
				assert.ok(weighed * (1 - 0.025) >= needs - 1e-3, 'pieces are covered');
				assert.ok(weighed >= mix.dough.value - 1e-3, 'dough is covered');
				pieces += mix.portions.reduce((t, portion) => t + portion.pieces, 0);
			}
			assert.equal(pieces, ordered.large + ordered.small + ordered.later);
			for (const build of production.builds) {
				const weighed = build.lines.reduce((t, line) => t + line.weighing.weighed.grams, 0);
				const taken = build.uses.reduce((t, use) => t + use.grams, 0);
				const loss = build.preparation.buildLoss.share;
				assert.ok(weighed * (1 - loss) >= taken + build.preparation.takeBackGrams - 1e-3);
			}
		}),
		{ numRuns: 60 }
	);
});

test('scaling is linear: twice the pieces in one mix is twice every exact weight', () => {
	const roomy = [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 1e9 } }] }];
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 500 }), (pieces) => {
			const lines = (count: number) =>
				day({ ...INPUT, formulas: roomy, demands: [demand(large, count)] }).doughs[0]!.mixes[0]!
					.lines;
			lines(2 * pieces).forEach((line, index) =>
				close(line.exact.value, 2 * lines(pieces)[index]!.exact.value, 1e-6 * line.exact.value)
			);
		}),
		{ numRuns: 20 }
	);
});

test('a soaker without flour stands at 100 as a whole', () => {
	const soaker = day(INPUT).builds.find((build) => build.preparation.id === SOAKER.id);
	assert.deepEqual(
		soaker?.lines.map((line) => Math.round(line.percentOfFlour * 100) / 100),
		[40, 60]
	);
});

test('a product of two doughs, a filling and a topping scales as one', () => {
	const dark = { ...OAT_LOAF, id: id<FormulaId>('dark'), name: 'dark' };
	const filling: Preparation = {
		id: id<PreparationId>('filling'),
		name: 'filling',
		kind: 'filling',
		lines: [
			{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('honey') }, parts: 3 },
			{ material: { kind: 'ingredient', ingredientId: id<IngredientId>('rolled oats') }, parts: 1 }
		],
		buildLoss: { share: 0.1 },
		takeBackGrams: 0
	};
	const plait: BakeryProduct = {
		id: large,
		name: 'plait',
		sheet: null,
		doughs: [
			{ formulaId: OAT_LOAF.id, scaledWeight: { grams: 260 } },
			{ formulaId: dark.id, scaledWeight: { grams: 130 } }
		],
		extras: [
			{
				use: 'filling',
				material: { kind: 'preparation', preparationId: filling.id },
				amount: { grams: 30 },
				forPieces: 1
			},
			{
				use: 'topping',
				material: { kind: 'ingredient', ingredientId: id<IngredientId>('rolled oats') },
				amount: { grams: 500 },
				forPieces: 24
			}
		],
		spares: { share: 0 }
	};
	const made = (pieces: number, spares = 0) =>
		day({
			...INPUT,
			products: [{ ...plait, spares: { share: spares } }],
			demands: [demand(large, pieces)],
			formulas: [INPUT.formulas[0]!, { ...INPUT.formulas[0]!, formula: dark }],
			pantry: {
				...OAT_LOAF_PANTRY,
				preparations: new Map(OAT_LOAF_PANTRY.preparations).set(filling.id, filling)
			}
		});
	const thirty = made(30);
	assert.deepEqual(
		thirty.doughs.map((dough) => [dough.resolved.formula.name, dough.products[0]?.product.role]),
		[
			['oat loaf', 'carries'],
			['dark', 'joins']
		]
	);
	const grams = (production: typeof thirty, at: number) =>
		production.doughs[at]?.mixes.reduce((total, mix) => total + mix.dough.value, 0) ?? 0;
	close(grams(thirty, 0), (30 * 260) / 0.975, 0.05);
	close(grams(thirty, 1), (30 * 130) / 0.975, 0.05);
	const own = thirty.builds.find((build) => build.preparation.id === filling.id);
	assert.deepEqual(own?.uses, [{ by: { kind: 'product', productId: large }, grams: 900 }]);
	close(own.gross.value, 1000, 1e-6);
	assert.deepEqual(
		thirty.extras.map((extra) => [extra.use, extra.amount.grams]),
		[
			['filling', 900],
			['topping', 625]
		]
	);
	close(grams(made(60), 1), 2 * grams(thirty, 1), 1e-6);
	// 5 % of spares are two more, in every dough and in all that goes on them.
	const spared = made(30, 0.05);
	close(grams(spared, 0), (32 * 260) / 0.975, 0.05);
	close(grams(spared, 1), (32 * 130) / 0.975, 0.05);
	assert.deepEqual(
		[spared.extras[0]?.amount.grams, spared.doughs[0]?.products[0]?.spares],
		[960, 2]
	);
});

test('500 g for 24 pieces are 521 g for 25, but a bath for up to 24 is made twice', () => {
	const topping = {
		use: 'topping',
		material: { kind: 'ingredient', ingredientId: id<IngredientId>('rolled oats') },
		amount: { grams: 500 },
		forPieces: 24
	} as const;
	const grams = (use: 'topping' | 'bath', pieces: number) =>
		amountOfExtra({ ...topping, use }, pieces, null).grams;
	close(grams('topping', 25), 520.83, 0.01);
	close(grams('topping', 12), 250, 1e-9);
	assert.deepEqual([grams('bath', 24), grams('bath', 25), grams('bath', 1)], [500, 1000, 500]);
});

test('a divider presses whole heads and says what is left over', () => {
	const divider = {
		name: 'divider',
		heads: 30,
		leastPiece: { grams: 35 },
		mostPiece: { grams: 110 }
	};
	assert.deepEqual(divide(144, { grams: 62 }, divider), {
		ok: true,
		value: { presses: 4, press: { grams: 1860 }, byHand: 24, spareWithOneMore: 6 }
	});
	assert.deepEqual(divide(90, { grams: 35 }, divider), {
		ok: true,
		value: { presses: 3, press: { grams: 1050 }, byHand: 0, spareWithOneMore: 0 }
	});
	const heavy = divide(30, { grams: 111 }, divider);
	assert.ok(!heavy.ok && heavy.error.kind === 'piece-outside-divider');
	fc.assert(
		fc.property(fc.nat(2000), fc.integer({ min: 2, max: 60 }), (pieces, heads) => {
			const result = divide(pieces, { grams: 60 }, { ...divider, heads });
			assert.ok(result.ok);
			assert.equal(result.value.presses * heads + result.value.byHand, pieces);
			assert.ok(result.value.byHand < heads);
		})
	);
});

test('worked figure: 23 666.4 g of flour in a mixer of 30 kg are 2 mixes of 24 861.5 g', () => {
	const resolved = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
	assert.ok(resolved.ok);
	const flour = given({ key: 'total-flour' }, 23_666.4, 'g', { kind: 'bakery' });
	const batch = scaledBatch(resolved.value, flour, INPUT.formulas[0]!.limits, FINE);
	assert.ok(batch.ok);
	assert.equal(batch.value.mixes.length, 2);
	close(batch.value.mixes[0]!.dough.value, 24_861.5, 0.06);
	const levain = batch.value.builds.find((build) => build.preparation.name === 'levain');
	close(levain?.gross.value ?? 0, 9814.3, 0.06);
	assert.equal(scaledBatch(resolved.value, flour, INPUT.formulas[0]!.limits, []).ok, false);
});

test('what is rolled in after the mix does not count at the mixer', () => {
	const laminated: Formula = {
		...OAT_LOAF,
		lines: [
			...OAT_LOAF.lines,
			{
				material: { kind: 'ingredient', ingredientId: id<IngredientId>('honey') },
				percentOfFlour: 52.525,
				addition: 'roll-in'
			}
		]
	};
	const limits = [{ least: { grams: 0 }, most: { grams: 20_000 } }];
	// A quarter on top of the dough: 25 kg in pieces are 20 kg at the mixer.
	const production = day({
		...INPUT,
		formulas: [{ formula: { ...laminated, doughLoss: { share: 0 } }, limits }],
		demands: [demand(large, 27)]
	});
	assert.equal(production.doughs[0]?.mixes.length, 1);
	const more = day({
		...INPUT,
		formulas: [{ formula: { ...laminated, doughLoss: { share: 0 } }, limits }],
		demands: [demand(large, 28)]
	});
	assert.equal(more.doughs[0]?.mixes.length, 2);
});

test('a dough that is wrapped in itself is made as one mix, its parts told', () => {
	const wrapped: BakeryProduct = {
		id: large,
		name: 'wrapped',
		sheet: null,
		doughs: [350, 125].map((grams) => ({ formulaId: OAT_LOAF.id, scaledWeight: { grams } })),
		extras: [],
		spares: { share: 0 }
	};
	const plain: BakeryProduct = {
		...wrapped,
		doughs: [{ formulaId: OAT_LOAF.id, scaledWeight: { grams: 475 } }]
	};
	const made = (product: BakeryProduct) =>
		day({ ...INPUT, products: [product], demands: [demand(large, 40)] }).doughs;
	const [dough, ...others] = made(wrapped);
	assert.ok(dough && others.length === 0);
	assert.deepEqual(dough.mixes, made(plain)[0]?.mixes);
	const [{ product } = { product: null }] = dough.products;
	assert.equal(product?.role, 'carries');
	assert.deepEqual(
		product?.parts.map(({ grams }) => grams),
		[350, 125]
	);
});
