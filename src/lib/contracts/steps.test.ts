import assert from 'node:assert/strict';
import { test } from 'node:test';
import { stepsSchema } from './steps.ts';

const bulkBy = (leavening: unknown, referenceCelsius = 25) => [
	{
		kind: 'wait',
		activity: 'bulk',
		legs: [{ place: 'room', ambientCelsius: 23, timeConstantMinutes: 420, minutes: null }],
		clock: {
			leavening,
			referenceCelsius,
			underMinutes: 60,
			ripeMinutes: 90,
			overMinutes: 120
		},
		foldsAtMinutes: []
	}
];
const problemOf = (steps: unknown) =>
	stepsSchema.safeParse(steps).error?.issues.map(({ message }) => message) ?? [];

test('a clock is of culture, of yeast, of both by a share, or by a curve of its own', () => {
	for (const leavening of [
		'sourdough',
		'bakers-yeast',
		{ kind: 'mixed', yeastShare: 0.4 },
		{ kind: 'own', minimum: 2, optimum: 30, maximum: 40 }
	])
		assert.deepEqual(problemOf(bulkBy(leavening)), [], JSON.stringify(leavening));
	assert.notEqual(problemOf(bulkBy('something')).length, 0);
	assert.notEqual(problemOf(bulkBy({ kind: 'mixed', yeastShare: 1 })).length, 0);
});

test('cardinal temperatures that make no curve are refused by what is wrong with them', () => {
	const flat = { kind: 'own', minimum: 0, optimum: 20, maximum: 40 };
	assert.match(JSON.stringify(stepsSchema.safeParse(bulkBy(flat)).error), /above the middle/);
	const cold = { kind: 'own', minimum: 2, optimum: 30, maximum: 40 };
	assert.match(problemOf(bulkBy(cold, 1.9)).join(), /between|>=2/);
	assert.match(problemOf(bulkBy({ ...cold, minimum: 26 })).join(), /times are at must lie between/);
});
