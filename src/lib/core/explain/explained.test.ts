import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { byHand } from './by-hand.fixture.ts';
import { evaluate, given, leavesOf, worked, type Explained } from './index.ts';

const leaf = (value: number): Explained => given({ key: 'parts' }, value, '1', { kind: 'formula' });

test('a worked number is what its operation gives on its inputs', () => {
	const four = leaf(4);
	const sum = worked({ key: 'other-temperatures' }, '°C', 'sum', [leaf(19), leaf(23)]);
	const rule = worked({ key: 'water-temperature' }, '°C', 'difference', [
		worked({ key: 'grouped' }, '°C', 'product', [four, leaf(25)]),
		sum
	]);
	assert.equal(rule.value, 58);
	assert.deepEqual(
		leavesOf(rule).map((leave) => leave.value),
		[4, 25, 19, 23]
	);
	assert.equal(byHand(rule), 58);
});

test('every operation is defined on raw numbers', () => {
	assert.equal(evaluate('percent', [200, 15]), 30);
	assert.equal(evaluate('per-percent', [30, 15]), 200);
	assert.equal(evaluate('quotient', [9, 3]), 3);
	assert.equal(evaluate('largest', [3, 9, 4]), 9);
});

test('working a whole tree out again from its leaves gives the same number', () => {
	const tree: fc.Arbitrary<Explained> = fc.letrec<{ node: Explained }>((tie) => ({
		node: fc.oneof(
			{ depthSize: 'small', withCrossShrink: true },
			fc.double({ min: 1, max: 100, noNaN: true }).map(leaf),
			fc
				.tuple(
					fc.constantFrom(
						'sum',
						'difference',
						'product',
						'quotient',
						'percent',
						'per-percent',
						'largest' as const
					),
					tie('node'),
					tie('node')
				)
				.map(([operation, a, b]) => worked({ key: 'parts' }, '1', operation, [a, b]))
		)
	})).node;
	let trees = 0;
	fc.assert(
		fc.property(tree, (explained) => {
			assert.ok(
				Math.abs(byHand(explained) - explained.value) <=
					1e-9 * Math.max(1, Math.abs(explained.value))
			);
			if (explained.kind === 'worked') trees += 1;
		})
	);
	assert.ok(trees > 30, `only ${trees} trees were worked`);
});
