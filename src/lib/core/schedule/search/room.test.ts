import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { generateDay } from '../../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../../bench/schedule/neutral-case.ts';
import { FT06, jobShop } from '../job-shops.fixture.ts';
import type { Problem } from '../problem.ts';
import { inOneGo } from '../in-one-go.ts';
import { tinyFrom, tinyProblem } from '../tiny-problems.fixture.ts';
import { compile } from './compile.ts';
import { roomOf } from './room.ts';
import { Search } from './search.ts';

/** What the rows of a search took in the end, by what was reckoned for them. */
function shareOfRoom(problem: Problem, moves: number): number {
	const model = compile(problem);
	const search = new Search(model, 1);
	inOneGo(search.begin());
	for (let at = 0; at < moves; at += 1) search.move(20);
	const share = search.state.kernel.taken / roomOf(model);
	search.state.close();
	return share;
}

test('rows take no more room than is reckoned for them beforehand', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
			assert.ok(shareOfRoom(tinyProblem(tinyFrom(seed)), 60) <= 1);
		})
	);
	assert.ok(shareOfRoom(jobShop(FT06, 80), 20) <= 1);
});

test('and not much less, once a day was searched for a while', () => {
	for (const size of ['small', 'medium', 'large'] as const) {
		const share = shareOfRoom(problemOf(generateDay(size, 3)), 150);
		assert.ok(share > 0.8 && share <= 1, `${size}: ${share}`);
	}
});
