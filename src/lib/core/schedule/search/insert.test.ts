import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Problem, Task } from '../problem.ts';
import { compile } from './compile.ts';
import { Dice } from './dice.ts';
import { Inserter } from './insert.ts';
import { MANNER } from './manner.ts';
import { State } from './state.ts';

const HORIZON = 12;

const task = (id: string, pools: readonly string[]): Task => ({
	id,
	group: 'job',
	modes: [
		{
			id: 'only',
			length: 1,
			demands: pools.map((pool) => ({ pools: [pool], amount: 1, from: 0, to: 1 })),
			machine: null,
			batch: null
		}
	],
	earliest: null,
	latest: null,
	pin: null
});

/**
 * A task, best begun at once, whose two branches must both start two units after its end, no sooner and no later; a second
 * pair of hands comes at a time.
 */
const twoBranches = (secondHandsFrom: number): Problem => ({
	horizon: HORIZON,
	tiers: ['waiting'],
	pools: [
		{
			id: 'hands',
			there: [
				{ from: 0, to: secondHandsFrom, amount: 1 },
				{ from: secondHandsFrom, to: HORIZON, amount: 2 }
			]
		}
	],
	machines: [],
	batchMachines: [],
	tasks: [task('top', []), task('one', ['hands']), task('two', ['hands'])],
	lags: ['one', 'two'].map((after) => ({
		id: `top to ${after}`,
		before: 'top',
		after,
		from: 'end',
		windows: [
			{
				beforeMode: null,
				afterMode: null,
				window: {
					least: 2,
					most: 2,
					wish: null,
					price: 0,
					outside: null,
					tier: 0,
					holds: []
				}
			}
		]
	})),
	prices: [{ id: 'soon', task: 'top', of: 'start', at: 0, early: 0, late: 1, away: 0, tier: 0 }],
	spans: []
});

function inserted(problem: Problem, attempts: number) {
	const state = new State(compile(problem));
	const inserter = new Inserter(state, new Dice(1));
	inserter.attempts = attempts;
	const isIn = inserter.insert(0, 100, 0);
	if (!isIn) inserter.takeOut(0);
	return { isIn, starts: [...state.start], overdrawn: state.pools.overdrawn };
}

test('where two branches want the same hands at the best start, other starts are tried: further off each time', () => {
	// Each branch alone fits at any start, so 0, 1 and 3 look well; together they fit at the last.
	const problem = twoBranches(6);
	assert.deepEqual(inserted(problem, 3), { isIn: true, starts: [3, 6, 6], overdrawn: 0 });
	assert.deepEqual(inserted(problem, 2), { isIn: false, starts: [-1, -1, -1], overdrawn: 0 });
});

test('a move tries enough starts to come to one six units from the best', () => {
	const { isIn, starts } = inserted(twoBranches(9), MANNER.attemptsOfMove);
	assert.deepEqual({ isIn, starts }, { isIn: true, starts: [6, 9, 9] });
});

test('a start that costs more than may be spent is not tried', () => {
	const state = new State(compile(twoBranches(6)));
	const inserter = new Inserter(state, new Dice(1));
	inserter.attempts = 3;
	assert.equal(inserter.insert(0, 2, 0), false, 'the third start costs 3');
	inserter.takeOut(0);
	assert.equal(state.placed, 0, 'nothing is left of the tries');
});
