import { afterEach, test } from 'node:test';
import assert from 'node:assert/strict';
import { resolveFormula } from './formula/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from './formula/oat-loaf.fixture.ts';
import { holdWorkBy, spendWork, TooMuchWork, WorkAllowance } from './work.ts';

afterEach(() => holdWorkBy(() => null));

test('work is counted against the allowance of the request at hand, and given up where that is used up', () => {
	const allowance = new WorkAllowance(10);
	holdWorkBy(() => allowance);
	spendWork(4);
	spendWork(6);
	assert.equal(allowance.spent, 10);
	assert.equal(allowance.isUsedUp, false);
	assert.throws(() => spendWork(1), TooMuchWork);
	assert.ok(allowance.isUsedUp);
	holdWorkBy(() => null);
	spendWork(1e9);
	assert.equal(allowance.spent, 11, 'what nothing holds is not counted');
});

test('a formula counts with its stages and their lines', () => {
	const allowance = new WorkAllowance(1000);
	holdWorkBy(() => allowance);
	assert.ok(resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY).ok);
	// The levain with its four lines, the soaker with its two, and one for each of both.
	assert.equal(allowance.spent, 8);
	const little = new WorkAllowance(5);
	holdWorkBy(() => little);
	assert.throws(() => resolveFormula(OAT_LOAF, OAT_LOAF_PANTRY), TooMuchWork);
});
