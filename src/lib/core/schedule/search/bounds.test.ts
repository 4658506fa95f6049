import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { generateDay } from '../../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../../bench/schedule/neutral-case.ts';
import { tinyFrom, tinyProblem } from '../tiny-problems.fixture.ts';
import type { Problem } from '../problem.ts';
import { compile } from './compile.ts';
import { inOneGo } from '../in-one-go.ts';
import { learnBounds } from './learn-bounds.ts';
import { Search } from './search.ts';
import { State } from './state.ts';
import { Values } from './values.ts';

/** Holds the bounds of an empty plan against what the same trees cost in plans that the search made. */
function compare(problem: Problem, seed: number): number {
	const search = new Search(compile(problem), seed);
	for (const _ of search.begin());
	const { bounds } = bounded(search);
	let compared = 0;
	for (let move = 0; move < 20; move += 1) {
		search.move(30);
		const { state, model } = search;
		for (const members of model.components.members) {
			const [root] = members;
			if (root === undefined || members.some((u) => (state.start[u] ?? -1) < 0)) continue;
			// The tree alone: what follows from it is bound by itself.
			const cost = members.reduce((sum, u) => sum + state.priceOf(u), 0);
			const start = state.start[root] ?? -1;
			assert.ok((bounds.least[root] ?? 0) <= cost, `tree ${root}: ${cost}`);
			assert.ok(bounds.firstWithin(root, 0, model.horizon, cost) <= start, `tree ${root} begins`);
			assert.ok(bounds.lastWithin(root, 0, model.horizon, cost) >= start, `tree ${root} begins`);
			compared += 1;
		}
	}
	return compared;
}

/** What the search itself learned is its own affair: the same, of an empty plan of one's own. */
function bounded(search: Search): Values {
	const values = new Values(new State(search.model));
	inOneGo(learnBounds(values));
	return values;
}

test('nothing ever costs less than its bound, nor starts where its bound says it cannot', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
			compare(tinyProblem(tinyFrom(seed)), seed);
		}),
		{ numRuns: 40 }
	);
	assert.ok(compare(problemOf(generateDay('small', 5)), 2) > 100);
});

test('what was not learned binds nothing', () => {
	const model = compile(problemOf(generateDay('small', 5)));
	const { bounds } = new Values(new State(model));
	assert.equal(bounds.firstWithin(0, 3, 40, -1), 3);
	assert.equal(bounds.lastWithin(0, 3, 40, -1), 40);
});
