import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { generateDay } from '../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../bench/schedule/neutral-case.ts';
import type { ProvenOptimum } from '../../../../bench/schedule/prove/proven-optimum.ts';
import { checkPlan, solve } from './index.ts';

const PROVEN = JSON.parse(
	readFileSync(
		new URL('../../../../bench/schedule/prove/proven-optima.json', import.meta.url),
		'utf8'
	)
) as ProvenOptimum[];

test('no plan that holds costs less than a complete solver proved; small days come within a hundredth, the worst within three', () => {
	assert.ok(PROVEN.length >= 5);
	const over: number[] = [];
	for (const { size, seed, cost, bound } of PROVEN) {
		assert.equal(bound, cost, 'only what is proven is stored');
		const problem = problemOf(generateDay(size, seed));
		for (const chance of [1, 2]) {
			const solved = solve(problem, { seed: chance, moves: 1500 });
			assert.ok(solved.ok);
			const judged = checkPlan(problem, solved.value);
			assert.deepEqual(judged.violations, []);
			assert.ok(judged.cost.total >= cost, `day ${seed}: ${judged.cost.total} under ${cost}`);
			over.push(judged.cost.total / cost);
		}
	}
	assert.ok(Math.max(...over) <= 1.03, `${over.join(' ')}`);
	assert.ok(over.reduce((sum, one) => sum + one, 0) / over.length <= 1.01, `${over.join(' ')}`);
});
