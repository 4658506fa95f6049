import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, hands, planned } from '../core/planning/harbour-day.fixture.ts';
import type { DayTask } from '../core/planning/index.ts';
import { methodText } from './method-text.ts';

const { plan } = planned(DAY);
const METHOD = { shape: 'round, seam down', score: 'one cut along', scoreMm: 6 };
const find = (wanted: (task: DayTask) => boolean) => {
	const found = plan.tasks.find(wanted);
	assert.ok(found, 'the night has such a task');
	return found;
};
const divide = find(({ step }) => step.kind === 'hands-on' && step.activity === 'divide');
const bake = find(({ step }) => step.kind === 'bake');
const mix = find(({ step }) => step.kind === 'hands-on' && step.activity === 'mix');
const wait = find(({ step, batch }) => step.kind === 'wait' && batch.kind === 'portion');
const scoring: DayTask = { ...bake, id: 'scoring', step: hands('score', 3) };

test('whoever gives the bread its shape is told the shape', () => {
	assert.equal(methodText(divide, METHOD, plan.tasks), 'round, seam down');
	const pan: DayTask = { ...divide, step: hands('pan', 5) };
	assert.equal(methodText(pan, METHOD, plan.tasks), 'round, seam down');
});

test('the cut is told where it is made: at a scoring of its own, or else as it is loaded', () => {
	assert.equal(methodText(scoring, METHOD, plan.tasks), 'scored: one cut along, 6 mm deep');
	assert.equal(methodText(bake, METHOD, plan.tasks), 'scored: one cut along, 6 mm deep');
	const withScoring = [...plan.tasks, scoring];
	assert.equal(methodText(bake, METHOD, withScoring), '', 'it is scored by then');
	const { batch } = bake;
	assert.ok(batch.kind === 'portion' || batch.kind === 'load', 'a portion is baked');
	const another = { ...scoring, batch: { ...batch, ordinal: batch.ordinal + 1 } };
	assert.notEqual(
		methodText(bake, METHOD, [...plan.tasks, another]),
		'',
		'the scoring of another mix is no scoring of this one'
	);
});

test('a depth or a cut alone is told; what nobody wrote down is not', () => {
	assert.equal(methodText(scoring, { ...METHOD, scoreMm: null }, []), 'scored: one cut along');
	assert.equal(methodText(scoring, { ...METHOD, score: '' }, []), 'scored: 6 mm deep');
	assert.equal(
		methodText(scoring, { ...METHOD, scoreMm: 4.5 }, []),
		'scored: one cut along, 4.5 mm deep'
	);
	assert.equal(methodText(scoring, { ...METHOD, score: '', scoreMm: null }, []), '');
});

test('a mix, a wait and what is packed go by no such method', () => {
	const pack: DayTask = { ...divide, step: hands('pack', 5) };
	for (const task of [mix, wait, pack])
		assert.equal(methodText(task, METHOD, plan.tasks), '', task.id);
});
