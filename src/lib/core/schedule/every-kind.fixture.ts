import type { Plan } from './plan.ts';
import type { BatchMachine, Lag, Mode, Problem, Task, Window } from './problem.ts';

const window = (least: number, most: number | null, more: Partial<Window> = {}): Window => ({
	least,
	most,
	wish: null,
	price: 0,
	outside: null,
	tier: 1,
	holds: [],
	...more
});

const lag = (before: string, after: string, given: Window): Lag => ({
	id: `${before} to ${after}`,
	before,
	after,
	from: 'end',
	windows: [{ beforeMode: null, afterMode: null, window: given }]
});

const task = (id: string, ...modes: readonly Mode[]): Task => ({
	id,
	group: id,
	modes,
	earliest: null,
	latest: null,
	pin: null
});

/** On the press: two pairs of hands at first, then it runs by itself. */
const press = (family: string): Mode => ({
	id: 'press',
	length: 4,
	demands: [{ pools: ['ann', 'bob'], amount: 2, from: 0, to: 1 }],
	machine: { id: 'press', size: 10, family },
	batch: null
});

const portion = (level: number): Mode => ({
	id: 'kiln',
	length: null,
	demands: [],
	machine: null,
	batch: { machines: ['kiln'], size: 6, kind: 'dry', level, length: 5, lengthTolerance: 1 }
});

const KILN: BatchMachine = {
	id: 'kiln',
	units: [
		{ id: 'kiln 1', capacity: 12 },
		{ id: 'kiln 2', capacity: 12 }
	],
	shared: true,
	tolerance: 5,
	rise: 1,
	fall: 2,
	step: 10,
	recovery: 2,
	loading: 1,
	unloading: 1,
	attended: [
		{ pools: ['ann', 'bob'], amount: 1, of: 'start', from: 0, to: 1 },
		{ pools: ['ann', 'bob'], amount: 1, of: 'end', from: -1, to: 0 }
	],
	preheat: 3,
	onPrice: 1,
	tier: 2
};

/** A small problem with every kind of constraint in it. */
export const EVERY_KIND: Problem = {
	horizon: 60,
	tiers: ['late', 'wished', 'on'],
	pools: [
		// Ann has a break from 20 to 24.
		{
			id: 'ann',
			there: [
				{ from: 0, to: 20, amount: 1 },
				{ from: 24, to: 60, amount: 1 }
			]
		},
		{ id: 'bob', there: [{ from: 0, to: 60, amount: 1 }] },
		{ id: 'shelf', there: [{ from: 0, to: 60, amount: 2 }] }
	],
	machines: [
		{
			id: 'press',
			least: 5,
			most: 20,
			closed: [{ from: 40, to: 44 }],
			changeovers: [{ before: 'red', after: 'blue', length: 3 }]
		}
	],
	batchMachines: [KILN],
	tasks: [
		task('red', press('red')),
		task('blue', press('blue')),
		task('red tile', portion(200)),
		task('blue tile', portion(200)),
		task('pack', {
			id: 'by hand',
			length: 2,
			demands: [{ pools: ['bob'], amount: 1, from: 0, to: 2 }],
			machine: null,
			batch: null
		})
	],
	lags: [
		lag(
			'red',
			'red tile',
			window(2, 12, { wish: 4, price: 2, holds: [{ pool: 'shelf', amount: 1 }] })
		),
		lag('blue', 'blue tile', window(2, 12, { holds: [{ pool: 'shelf', amount: 1 }] })),
		lag('red tile', 'pack', window(1, null)),
		lag('blue tile', 'pack', window(1, null))
	],
	prices: [{ id: 'due', task: 'pack', of: 'end', at: 25, early: 0, late: 10, away: 0, tier: 0 }],
	spans: [
		{
			id: 'day',
			tasks: ['red', 'blue', 'pack'],
			floor: null,
			until: null,
			price: 1,
			tier: 2
		}
	]
};

/** A plan of it that holds: both tiles in one load at 14. */
export const GOOD_PLAN: Plan = {
	placed: [
		{
			task: 'red',
			mode: 'press',
			start: 0,
			end: 4,
			unit: null,
			given: [['ann', 'bob']]
		},
		{
			task: 'blue',
			mode: 'press',
			start: 7,
			end: 11,
			unit: null,
			given: [['ann', 'bob']]
		},
		{ task: 'red tile', mode: 'kiln', start: 14, end: 21, unit: 'kiln 1', given: [] },
		{ task: 'blue tile', mode: 'kiln', start: 14, end: 21, unit: 'kiln 1', given: [] },
		{ task: 'pack', mode: 'by hand', start: 24, end: 26, unit: null, given: [['bob']] }
	],
	loads: [
		{
			unit: 'kiln 1',
			start: 14,
			end: 21,
			tasks: ['red tile', 'blue tile'],
			given: [['ann'], ['bob']]
		}
	],
	missing: []
};
