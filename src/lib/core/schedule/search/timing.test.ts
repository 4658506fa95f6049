import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { EVERY_KIND } from '../every-kind.fixture.ts';
import { tinyFrom, tinyProblem } from '../tiny-problems.fixture.ts';
import type { Problem } from '../problem.ts';
import { compile } from './compile.ts';
import { costOf } from './cost.ts';
import { Search } from './search.ts';
import { tryStand } from './try-stand.ts';

/** A first plan of a problem, with its times brought to the best for its order. */
function polished(problem: Problem, seed: number) {
	const search = new Search(compile(problem), seed);
	for (const _ of search.begin());
	for (let move = 0; move < 5; move += 1) search.move(50);
	const before = search.cost;
	const better = search.polish(1000);
	return { search, before, better };
}

test('the best times for an order never cost more, and soon there is no better order in them', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
			const { search, before, better } = polished(tinyProblem(tinyFrom(seed)), seed);
			assert.ok(search.cost <= before);
			assert.equal(better, search.cost < before);
			// Where times meet another order is read from them, which may have better ones; each is better, so it ends.
			let turns = 0;
			while (search.polish(1000)) turns += 1;
			assert.ok(turns < 8, `${turns}`);
		}),
		{ numRuns: 60 }
	);
});

test('no task of a polished plan can be moved by itself to save anything', () => {
	for (let seed = 1; seed <= 10; seed += 1) {
		const { search } = polished(EVERY_KIND, seed);
		const { state } = search;
		const cost = costOf(state);
		for (let u = 0; u < search.model.tasks; u += 1)
			for (const by of [-1, 1]) {
				const stand = state.remove(u);
				// Where it may go at all: loads and changeovers are no part of the cost.
				if (tryStand(state, { ...stand, start: stand.start + by })) {
					assert.ok(costOf(state) >= cost, `seed ${seed}: task ${u} by ${by}`);
					state.remove(u);
				}
				state.putBack(stand);
			}
		assert.equal(costOf(state), cost);
	}
});
