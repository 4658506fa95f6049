import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { MinCut } from './min-cut.ts';

const NODES = 6;

test('the cheapest cut is found, with the fewest nodes moved, whatever the graph', () => {
	const cut = new MinCut(NODES);
	const price = fc.integer({ min: -9, max: 9 });
	const pair = fc.tuple(
		fc.integer({ min: 0, max: NODES - 1 }),
		fc.integer({ min: 0, max: NODES - 1 }),
		fc.integer({ min: 0, max: 9 }),
		fc.integer({ min: 0, max: 9 })
	);
	fc.assert(
		fc.property(
			fc.array(price, { minLength: NODES, maxLength: NODES }),
			fc.array(pair, { maxLength: 12 }),
			(prices, pairs) => {
				cut.clear();
				for (const [a, b, there, back] of pairs) if (a !== b) cut.join(a, b, there, back);
				prices.forEach((own, node) => cut.price(node, own));
				const kept = new Uint8Array(NODES);
				cut.solve(kept);
				const costOf = (moved: (node: number) => boolean) => {
					let cost = 0;
					prices.forEach((own, node) => {
						if (moved(node)) cost += own;
					});
					for (const [a, b, there, back] of pairs) {
						if (a === b) continue;
						if (moved(a) && !moved(b)) cost += there;
						if (moved(b) && !moved(a)) cost += back;
					}
					return cost;
				};
				let least = 0;
				for (let set = 0; set < 2 ** NODES; set += 1)
					least = Math.min(
						least,
						costOf((node) => ((set >> node) & 1) === 1)
					);
				const found = costOf((node) => kept[node] === 1);
				assert.equal(found, least);
				if (least === 0) assert.equal(kept.includes(1), false);
			}
		),
		{ numRuns: 400 }
	);
});
