import { test } from 'node:test';
import assert from 'node:assert/strict';
import { changeAt, PLAIN_PROGRAMME } from '../baking/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { deckOutlook, type BakeDayInput, type Step } from './index.ts';
import { DAY, planned } from './harbour-day.fixture.ts';

const falling = (step: Step): Step =>
	step.kind === 'bake'
		? {
				...step,
				programme: {
					...PLAIN_PROGRAMME,
					changes: [{ ...changeAt(15), celsius: 220 }],
					turnAtMinutes: 25
				}
			}
		: step;
const FALLING: BakeDayInput = {
	...DAY,
	products: DAY.products.map((product) => ({ ...product, steps: product.steps.map(falling) }))
};
const { plan } = planned(FALLING);
const first = plan.tasks.find(({ step }) => step.kind === 'bake');
assert.ok(first?.machineId, 'something is baked');
const deck = first.machineId;
const bakesMs = first.endMs - 42 * MINUTE_MS;
const at = (ms: number) => deckOutlook(plan, deck, ms);

test('before it is switched on a deck is off, and its first load is ahead', () => {
	const { celsius, load, ahead, settings } = at(plan.ovens[0]!.atMs - 1);
	assert.deepEqual([celsius, load], [null, null]);
	assert.equal(ahead[0]?.startMs, first.startMs);
	assert.equal(settings[0]?.kind, 'switch-on');
});

test('a load is in from its loading to its drawing, with what is done to it by the clock', () => {
	const { load, celsius } = at(first.startMs);
	assert.equal(celsius, 245);
	assert.equal(load?.bakesMs, bakesMs);
	assert.deepEqual(
		load.marks.map(({ atMs, mark }) => [mark.kind, (atMs - bakesMs) / MINUTE_MS]),
		[
			['change', 15],
			['turn', 25],
			['out', 42]
		]
	);
	assert.equal(at(first.endMs - 1).load?.startMs, first.startMs);
	assert.equal(at(first.endMs).load, null);
});

test('the setting follows the bake down, and goes up again for the next load', () => {
	assert.equal(at(bakesMs + 15 * MINUTE_MS - 1).celsius, 245);
	assert.equal(at(bakesMs + 15 * MINUTE_MS).celsius, 220);
	const { ahead } = at(first.endMs);
	assert.ok(ahead.length > 0, 'another load follows');
	assert.equal(at(first.endMs).celsius, 245);
	const last = Math.max(...plan.ovens.map(({ atMs }) => atMs));
	assert.deepEqual([at(last).celsius, at(last).ahead], [null, []]);
});

test('every load of the plan is seen on its deck once', () => {
	const decks = FALLING.bakery.ovens.flatMap((oven) => oven.decks);
	const seen = decks.flatMap(({ id }) =>
		deckOutlook(plan, id, 0).ahead.flatMap(({ tasks }) => tasks.map((task) => task.id))
	);
	const loads = plan.tasks.filter(({ step }) => step.kind === 'bake').map((task) => task.id);
	assert.deepEqual(seen.sort(), loads.sort());
});
