import { test } from 'node:test';
import assert from 'node:assert/strict';
import { EVERY_KIND } from './every-kind.fixture.ts';
import { faultOf, type Fault } from './faults.ts';
import type { Problem } from './problem.ts';

const [press, , , , pack] = EVERY_KIND.tasks;
const [lag] = EVERY_KIND.lags;
const [mode] = press?.modes ?? [];
const [choice] = lag?.windows ?? [];
assert.ok(press && pack && lag && mode && choice?.window);
const { window } = choice;

const withPress = (change: object): Problem => ({
	...EVERY_KIND,
	tasks: [{ ...press, ...change }, ...EVERY_KIND.tasks.slice(1)]
});
const withMode = (change: object) => withPress({ modes: [{ ...mode, ...change }] });
const withWindow = (change: object): Problem => ({
	...EVERY_KIND,
	lags: [{ ...lag, windows: [{ ...choice, window: { ...window, ...change } }] }]
});

test('a problem in order has no fault', () => {
	assert.equal(faultOf(EVERY_KIND), null);
});

const WRONG: readonly (readonly [Fault['kind'], string, Problem])[] = [
	[
		'unknown-name',
		'nobody',
		withMode({ demands: [{ pools: ['nobody'], amount: 1, from: 0, to: 1 }] })
	],
	['unknown-name', 'mill', withMode({ machine: { id: 'mill', size: 1, family: '' } })],
	['unknown-name', 'mill', withMode({ length: null, batch: { machines: ['mill'] } })],
	['unknown-name', 'by hand', withPress({ pin: { start: 1, mode: 'by hand', unit: null } })],
	['unknown-name', 'kiln 9', withPress({ pin: { start: 1, mode: null, unit: 'kiln 9' } })],
	['unknown-name', 'ghost', { ...EVERY_KIND, lags: [{ ...lag, before: 'ghost' }] }],
	[
		'unknown-name',
		'ghost',
		{ ...EVERY_KIND, prices: EVERY_KIND.prices.map((price) => ({ ...price, task: 'ghost' })) }
	],
	[
		'unknown-name',
		'ghost',
		{ ...EVERY_KIND, spans: EVERY_KIND.spans.map((span) => ({ ...span, tasks: ['ghost'] })) }
	],
	['unknown-name', 'rack', withWindow({ holds: [{ pool: 'rack', amount: 1 }] })],
	['twice-named', 'red', { ...EVERY_KIND, tasks: [...EVERY_KIND.tasks, press] }],
	['no-modes', 'red', withPress({ modes: [] })],
	['mode-of-nothing', 'press', withMode({ length: null })],
	['mode-of-nothing', 'demand', withMode({ demands: [{ pools: [], amount: 1, from: 0, to: 1 }] })],
	['not-whole', '0.5', withMode({ length: 0.5 })],
	['not-whole', 'NaN', withWindow({ least: Number.NaN })],
	['not-whole', 'Infinity', { ...EVERY_KIND, horizon: Infinity }],
	['out-of-range', '0', { ...EVERY_KIND, horizon: 0 }],
	['out-of-range', '-1', withMode({ length: -1 })],
	['out-of-range', '1', withWindow({ most: 1 })],
	['out-of-range', '99', withWindow({ wish: 99 })],
	['out-of-range', '7', withWindow({ tier: 7 })],
	// A price outside that is below the one inside would make the wish worth breaking.
	['out-of-range', '1', withWindow({ outside: 1 })],
	['out-of-range', 'red', { ...EVERY_KIND, lags: [{ ...lag, after: 'red' }] }],
	[
		'too-large',
		'6000',
		{ ...EVERY_KIND, tasks: Array.from({ length: 6000 }, (_, at) => ({ ...pack, id: `t${at}` })) }
	]
];

for (const [kind, what, problem] of WRONG)
	test(`a problem with ${what} where it cannot be is refused as ${kind}`, () => {
		const fault = faultOf(problem);
		assert.equal(fault?.kind, kind, JSON.stringify(fault));
		assert.equal(fault.what, what);
	});
