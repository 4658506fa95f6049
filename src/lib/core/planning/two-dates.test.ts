import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, person, planned } from './harbour-day.fixture.ts';
import { takenBy, whyHere, type BakeDayInput, type DayPlan } from './index.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing'] as const;
const CREW = [person('Maud', ALL, 12, 31), person('Ilo', ALL, 12, 31)];
const FIRST: BakeDayInput = { ...DAY, people: CREW };

/** Pairs of tasks of two plans that have somebody, a mixer or a deck at once. */
function shared(one: DayPlan, other: DayPlan, input: BakeDayInput): readonly string[] {
	return takenBy(one, input).flatMap((a) =>
		takenBy(other, input)
			// Of baskets and room there are many.
			.filter(() => a.of !== 'vessel' && a.of !== 'place')
			.filter((b) => a.of === b.of && a.id === b.id && a.fromMs < b.toMs && b.fromMs < a.toMs)
			.map((b) => `${a.of} ${a.id}: ${a.name} ${a.fromMs} and ${b.name} ${b.fromMs}`)
	);
}

test('what a plan takes: who attends, its mixer, its decks until they are drawn, and no waits', () => {
	const { plan } = planned(FIRST);
	const taken = takenBy(plan, FIRST);
	assert.ok(taken.every(({ date, name }) => date === DAY.date && name !== ''));
	const mixes = plan.tasks.filter(({ machineId }) => machineId === 'mixer');
	assert.equal(taken.filter(({ of }) => of === 'mixer').length, mixes.length);
	const bakes = plan.tasks.filter(({ step }) => step.kind === 'bake');
	const decks = taken.filter(({ of }) => of === 'deck');
	assert.equal(
		decks.length,
		new Set(bakes.map(({ machineId, startMs }) => `${machineId} ${startMs}`)).size
	);
	for (const { heat, fromMs, toMs } of decks) {
		assert.equal(heat?.celsius, 245);
		assert.ok(toMs - fromMs >= 47 * 60_000, 'loading and baking');
	}
	for (const { of, id } of taken) if (of === 'person') assert.ok(CREW.some((one) => one.id === id));
});

test('a second date is planned around the first: nobody and nothing is in two places', () => {
	const first = planned(FIRST).plan;
	// The same work once more, for a drop three hours later.
	const second: BakeDayInput = {
		...FIRST,
		drops: FIRST.drops.map((drop) => ({
			...drop,
			dueMs: drop.dueMs + 3 * 3_600_000,
			readyByMs: drop.readyByMs + 3 * 3_600_000
		}))
	};
	assert.ok(shared(first, planned(second).plan, FIRST).length > 0, 'alone they would be');
	const beside: BakeDayInput = { ...second, elsewhere: takenBy(first, FIRST) };
	const { plan, violations, placement } = planned(beside, {}, 300);
	assert.deepEqual(violations, []);
	assert.deepEqual(shared(first, plan, FIRST), []);
	assert.deepEqual(plan.unplaced, []);
	const why = whyHere(beside, placement);
	assert.ok(why.ok);
});
