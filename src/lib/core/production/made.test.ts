import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { resolveFormula } from '../formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type BatchId, type DropId, type ProductId } from '../identity.ts';
import type { Mass } from '../units/index.ts';
import { coverByMade, dueOf, mixesOf, productionOf, type Demand, type MadeMix } from './index.ts';
import { portionsOf } from './made.ts';

const resolved = resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY);
assert.ok(resolved.ok);
const dough = resolved.value;
const kept = 1 - OAT_LOAF.doughLoss.share;
const large = id<ProductId>('large');
const small = id<ProductId>('small');
const WEIGHTS = new Map<ProductId, Mass>([
	[large, { grams: 900 }],
	[small, { grams: 520 }]
]);
const SCALES = [{ name: 'scale', capacity: { grams: 60_000 }, division: { grams: 1 } }];
const demand = (productId: ProductId, pieces: number, dueMs = 0, drop = 'ferry'): Demand => ({
	dropId: id<DropId>(drop),
	dueMs,
	productId,
	pieces
});
const mix = (ordinal: number, grams: number, ...portions: [ProductId, number][]): MadeMix => ({
	batchId: id<BatchId>(`batch ${ordinal}`),
	ordinal,
	resolved: dough,
	dough: { grams },
	portions: portions.map(([productId, pieces]) => ({ productId, pieces })),
	again: []
});
/** Dough of a mix from which so many pieces of 900 g can be cut. */
const forLarge = (pieces: number) => (pieces * 900) / kept;
const DOUGH = { formulaId: OAT_LOAF.id, role: 'carries' as const, parts: [] };
const products = [
	{ ...DOUGH, id: large, name: 'large', scaledWeight: { grams: 900 }, takes: { grams: 900 } },
	{ ...DOUGH, id: small, name: 'small', scaledWeight: { grams: 520 }, takes: { grams: 520 } }
];
const close = (actual: number | undefined, expected: number) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) < 0.01,
		`${actual} is not ${expected}`
	);

test('orders that were cut leave what stands in the tub over, and nothing to be made', () => {
	const covered = coverByMade([demand(large, 12)], WEIGHTS, [mix(1, forLarge(20), [large, 20])]);
	assert.deepEqual(
		covered.mixes[0]?.portions.map((portion) => [portion.productId, portion.pieces]),
		[[large, 12]]
	);
	close(covered.mixes[0]?.over.grams, 7200);
	assert.deepEqual(covered.left, []);
});

test('what came to nothing is made again: it is no more of its mix, nor is its dough', () => {
	const twenty = { ...mix(1, forLarge(20), [large, 20]), again: [{ productId: large, pieces: 4 }] };
	const covered = coverByMade([demand(large, 20)], WEIGHTS, [twenty]);
	assert.equal(covered.mixes[0]?.portions[0]?.pieces, 16);
	assert.equal(covered.mixes[0]?.over.grams, 0);
	assert.deepEqual(
		covered.left.map(({ pieces }) => pieces),
		[4]
	);
});

test('orders that grew leave the rest to be made, and the mix as it is', () => {
	const covered = coverByMade([demand(large, 30)], WEIGHTS, [mix(1, forLarge(20), [large, 20])]);
	assert.equal(covered.mixes[0]?.portions[0]?.pieces, 20);
	assert.equal(covered.mixes[0]?.over.grams, 0);
	assert.deepEqual(
		covered.left.map((demand) => demand.pieces),
		[10]
	);
});

test('a mix keeps to what it was to become, also where another product is due before', () => {
	const covered = coverByMade([demand(small, 10, 1000, 'shop'), demand(large, 20, 2000)], WEIGHTS, [
		mix(1, forLarge(20), [large, 20])
	]);
	assert.deepEqual(
		covered.mixes[0]?.portions.map((portion) => [portion.productId, portion.pieces]),
		[[large, 20]]
	);
	assert.deepEqual(
		covered.left.map((demand) => [demand.productId, demand.pieces]),
		[[small, 10]]
	);
});

test('dough whose pieces nobody wants any more becomes other pieces of it', () => {
	const covered = coverByMade([demand(small, 30)], WEIGHTS, [mix(1, forLarge(20), [large, 20])]);
	// 18 000 g of dough in pieces are 30 of 520 g, and 2 400 g over.
	assert.deepEqual(
		covered.mixes[0]?.portions.map((portion) => [portion.productId, portion.pieces]),
		[[small, 30]]
	);
	close(covered.mixes[0]?.over.grams, 2400);
});

test('less than a piece is not told as over, a whole piece is', () => {
	const overOf = (grams: number) =>
		coverByMade([demand(large, 20)], WEIGHTS, [mix(1, forLarge(20) + grams / kept, [large, 20])])
			.mixes[0]?.over.grams;
	assert.equal(overOf(519), 0);
	close(overOf(520), 520);
});

test('dough that no product is cut from is over, whole', () => {
	const covered = coverByMade([], new Map(), [mix(1, 4000)]);
	assert.deepEqual(covered.mixes[0]?.portions, []);
	close(covered.mixes[0]?.over.grams, 4000 * kept);
});

test('the earliest drop is served first by what stands', () => {
	const covered = coverByMade(
		[demand(large, 10, 5000, 'shop'), demand(large, 10, 1000, 'ferry')],
		WEIGHTS,
		[mix(1, forLarge(10), [large, 10])]
	);
	assert.deepEqual(
		covered.mixes[0]?.portions[0]?.drops.map((drop) => [drop.dropId, drop.pieces]),
		[['ferry', 10]]
	);
	assert.deepEqual(
		covered.left.map((demand) => [demand.dropId, demand.pieces]),
		[['shop', 10]]
	);
});

test('pieces are neither lost nor doubled, and no mix gives more than it holds', () => {
	let [overs, lefts] = [0, 0];
	fc.assert(
		fc.property(
			fc.array(fc.tuple(fc.boolean(), fc.integer({ min: 0, max: 40 })), { maxLength: 6 }),
			fc.array(fc.tuple(fc.double({ min: 500, max: 40_000, noNaN: true }), fc.nat(30)), {
				maxLength: 4
			}),
			(orders, made) => {
				const demands = orders.map(([big, pieces], at) =>
					demand(big ? large : small, pieces, at * 1000, `drop ${at}`)
				);
				const mixes = made.map(([grams, pieces], at) => mix(at + 1, grams, [large, pieces]));
				const covered = coverByMade(demands, WEIGHTS, mixes);
				for (const { dropId, pieces } of demands) {
					const given = covered.mixes
						.flatMap((mix) => mix.portions)
						.flatMap((portion) => portion.drops)
						.filter((part) => part.dropId === dropId)
						.reduce((total, part) => total + part.pieces, 0);
					const left = covered.left.find((demand) => demand.dropId === dropId)?.pieces ?? 0;
					assert.equal(given + left, pieces);
				}
				for (const [at, { portions, over }] of covered.mixes.entries()) {
					const cut = portions.reduce(
						(total, portion) =>
							total + portion.pieces * (WEIGHTS.get(portion.productId)?.grams ?? 0),
						0
					);
					const holds = (mixes[at]?.dough.grams ?? 0) * kept;
					assert.ok(cut + over.grams <= holds + 0.01, `${cut} + ${over.grams} of ${holds}`);
					if (over.grams > 0) overs += 1;
				}
				if (covered.left.length > 0) lefts += 1;
			}
		)
	);
	assert.ok(overs > 20 && lefts > 20, `${overs} over and ${lefts} left`);
});

test('mixes that were begun keep their numbers and masses, and free numbers go to what is still to be made', () => {
	const limits = [{ least: { grams: 0 }, most: { grams: 20_000 } }];
	const found = mixesOf(dough, products, [demand(large, 40)], limits, SCALES, [
		mix(2, forLarge(15), [large, 15])
	]);
	assert.ok(found.ok);
	assert.deepEqual(
		found.value.map((mix) => [mix.ordinal, mix.made, mix.count]),
		[
			[1, null, 3],
			[2, 'batch 2', 3],
			[3, null, 3]
		]
	);
	close(found.value[1]?.dough.value, forLarge(15));
	const pieces = found.value
		.flatMap((mix) => mix.portions)
		.reduce((sum, portion) => sum + portion.pieces, 0);
	assert.equal(pieces, 40);
});

test('dough for exactly what the mixer takes is one mix, and a gram more is two', () => {
	const most = (grams: number) => [{ least: { grams: 0 }, most: { grams } }];
	const count = (grams: number) => {
		const found = mixesOf(dough, products, [demand(large, 20)], most(grams), SCALES);
		assert.ok(found.ok);
		return found.value.length;
	};
	assert.equal(count(forLarge(20)), 1);
	assert.equal(count(forLarge(20) - 1), 2);
	// A sum that is off by the dust of binary fractions is no second mix.
	assert.equal(count(forLarge(20) * (1 - 1e-13)), 1);
	// A piece heavier than the mixer takes is refused by its name.
	const one = mixesOf(dough, products, [demand(large, 1)], most(forLarge(1) - 1), SCALES);
	assert.deepEqual(one, {
		ok: false,
		error: { kind: 'piece-exceeds-mixer', product: 'large', most: { grams: forLarge(1) - 1 } }
	});
});

test('a portion is due with the earliest of its drops', () => {
	const [portion] = portionsOf([demand(large, 5, 3000, 'shop'), demand(large, 5, 1000, 'ferry')]);
	assert.ok(portion);
	assert.equal(dueOf(portion), 1000);
	assert.equal(portion.pieces, 10);
});

test('an ingredient that is written twice for one time is weighed once, as both together', () => {
	const [flour, ...others] = OAT_LOAF.lines.filter(
		(line) => line.material.kind === 'ingredient' && line.percentOfFlour > 50
	);
	assert.ok(flour && others.length >= 1);
	const split = {
		...OAT_LOAF,
		lines: OAT_LOAF.lines.flatMap((line) =>
			line === flour
				? [
						{ ...line, percentOfFlour: line.percentOfFlour - 10 },
						{ ...line, percentOfFlour: 10 }
					]
				: [line]
		)
	};
	const whole = resolveFormula(split, OAT_LOAF_PANTRY);
	assert.ok(whole.ok);
	const limits = [{ least: { grams: 0 }, most: { grams: 60_000 } }];
	const weighed = (of: typeof dough) => {
		const found = mixesOf(of, products, [demand(large, 20)], limits, SCALES);
		assert.ok(found.ok);
		return found.value[0]?.lines.map((line) => [
			line.name,
			line.addition,
			Math.round(line.exact.value)
		]);
	};
	assert.deepEqual(weighed(whole.value), weighed(dough));
});

test('a made levain gives what is left of it after its loss and what is kept back', () => {
	const levain = dough.final.stages.find((stage) => stage.preparation?.takeBackGrams);
	assert.ok(levain?.preparation);
	const standing = (gross: number) =>
		productionOf({
			demands: [demand(large, 20)],
			products: products.map(({ id: key, name, scaledWeight }) => ({
				id: key,
				name,
				doughs: [{ formulaId: OAT_LOAF.id, scaledWeight }],
				extras: [],
				sheet: null,
				spares: { share: 0 }
			})),
			formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 60_000 } }] }],
			pantry: OAT_LOAF_PANTRY,
			scales: SCALES,
			made: {
				mixes: [],
				preparations: [
					{ batchId: id<BatchId>('tub'), ordinal: 1, stage: levain, gross: { grams: gross } }
				]
			}
		});
	const levainsOf = (gross: number) => {
		const day = standing(gross);
		assert.ok(day.ok);
		return day.value.builds.filter((build) => build.preparation.id === levain.preparation?.id);
	};
	const [planned] = levainsOf(0);
	assert.ok(planned);
	// 36 % of the flour of 20 pieces, 3 % lost in the tub, 1 000 g kept back.
	const needed = ((forLarge(20) / dough.final.percentOfFlour) * 100 * 36) / 100;
	const gross = (needed + 1000) / 0.97;
	assert.equal(levainsOf(gross).length, 1, 'exactly enough');
	assert.equal(levainsOf(gross - 100).length, 2, 'a hundred grams short wants a further one');
	// What is weighed into the mix goes by whole grams.
	const over = levainsOf(gross + 500)[0]?.over.grams ?? NaN;
	assert.ok(Math.abs(over - 500 * 0.97) < 1, `${over}`);
});
