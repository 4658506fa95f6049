import { test } from 'node:test';
import assert from 'node:assert/strict';
import { changeAt, PLAIN_PROGRAMME } from '../baking/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { BakeDayInput, DayPlan, Step } from './index.ts';
import { DAY, planned } from './harbour-day.fixture.ts';

/** The day with a bake that is turned down from 245 degC to so much at its 20th minute. */
function turnedDownTo(celsius: number): BakeDayInput {
	const steps = (list: readonly Step[]) =>
		list.map((step): Step =>
			step.kind === 'bake'
				? {
						...step,
						programme: { ...PLAIN_PROGRAMME, changes: [{ ...changeAt(20), celsius }] }
					}
				: step
		);
	return {
		...DAY,
		products: DAY.products.map((product) => ({ ...product, steps: steps(product.steps) }))
	};
}

/** Minutes between two loads of a deck, the least of all. */
function leastGap({ tasks }: DayPlan): number {
	const loads = tasks
		.filter(({ step }) => step.kind === 'bake')
		.sort((a, b) => a.startMs - b.startMs);
	const gaps = loads.flatMap((load, at) => {
		const next = loads.slice(at + 1).find(({ machineId }) => machineId === load.machineId);
		return next ? [(next.startMs - load.endMs) / MINUTE_MS] : [];
	});
	assert.ok(gaps.length > 0);
	return Math.min(...gaps);
}

test('a deck that a bake leaves colder is hot again before its next load', () => {
	// Three minutes for ten degrees: 90 degrees up take 27 minutes, beyond the recovery of 10.
	const falling = planned(turnedDownTo(155));
	assert.deepEqual(falling.violations, []);
	assert.ok(leastGap(falling.plan) >= 27, `${leastGap(falling.plan)} min`);
	const plain = planned(DAY);
	assert.ok(leastGap(plain.plan) < 27);
});

test('a deck is set up again when a load that left it colder is drawn, and told so', () => {
	const { plan } = planned(turnedDownTo(205));
	const first = plan.tasks.find(({ step }) => step.kind === 'bake');
	assert.ok(first);
	const own = plan.ovens.filter(({ deckIds }) => deckIds.includes(first.machineId ?? ''));
	const loads = plan.tasks.filter(({ machineId }) => machineId === first.machineId);
	assert.deepEqual(
		own.map(({ kind, celsius }) => [kind, celsius]),
		[['switch-on', 245], ...loads.slice(1).map(() => ['set', 245]), ['switch-off', null]]
	);
	assert.equal(own[1]?.atMs, first.endMs);
});
