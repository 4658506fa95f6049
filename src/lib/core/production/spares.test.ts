import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type DropId, type ProductId } from '../identity.ts';
import { sparePieces, withSpares } from './spares.ts';

const LOAF = id<ProductId>('loaf');
const BUN = id<ProductId>('bun');
const demand = (productId: ProductId, hour: number, pieces: number) => ({
	dropId: id<DropId>(`drop at ${hour}`),
	dueMs: hour * 3_600_000,
	productId,
	pieces
});

test('spares are whole pieces, and none where none are wanted', () => {
	for (const [ordered, share, spare] of [
		[120, 0.02, 3],
		[150, 0.02, 3],
		[151, 0.02, 4],
		[40, 0.02, 1],
		[1, 0.01, 1],
		[0, 0.5, 0],
		[40, 0, 0]
	] as const)
		assert.equal(sparePieces(ordered, { share }), spare, `${share} of ${ordered}`);
});

test('they go with the earliest drop of their product, by all that is ordered of it', () => {
	const demands = [
		demand(LOAF, 7, 80),
		demand(BUN, 6, 30),
		demand(LOAF, 5, 40),
		demand(LOAF, 4, 0)
	];
	assert.deepEqual(
		withSpares(demands, new Map([[LOAF, { share: 0.02 }]])).map(({ pieces }) => pieces),
		[80, 30, 43, 0]
	);
});

test('no drop gets less than it ordered, and a product all its spares and no more', () => {
	const order = fc.tuple(fc.constantFrom(LOAF, BUN), fc.integer({ min: 0, max: 30 }), fc.nat(300));
	fc.assert(
		fc.property(
			fc.array(order, { maxLength: 12 }),
			fc.double({ min: 0, max: 0.5, noNaN: true }),
			(orders, share) => {
				const demands = orders.map((one) => demand(...one));
				const spares = new Map([[LOAF, { share }]]);
				const made = withSpares(demands, spares);
				for (const [at, { pieces }] of made.entries())
					assert.ok(pieces >= (demands[at]?.pieces ?? Infinity));
				const sum = (all: readonly { productId: ProductId; pieces: number }[], of: ProductId) =>
					all.reduce((total, each) => total + (each.productId === of ? each.pieces : 0), 0);
				assert.equal(sum(made, BUN), sum(demands, BUN));
				assert.equal(
					sum(made, LOAF),
					sum(demands, LOAF) + sparePieces(sum(demands, LOAF), { share })
				);
			}
		)
	);
});
