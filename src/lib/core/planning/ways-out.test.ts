import { test } from 'node:test';
import assert from 'node:assert/strict';
import { inOneGo } from '../schedule/index.ts';
import { laterThanOrdered } from './agreed.ts';
import { DAY, FERRY_MS, person, planned, SHOP_MS } from './harbour-day.fixture.ts';
import type { BakeDayInput } from './input.ts';
import type { Conditions, Placement } from './placement.ts';
import { judgePlacement } from './plan.ts';
import { waysOut, type WaysOut } from './ways-out.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing'] as const;
const HOUR_MS = 3_600_000;

const asked = (input: BakeDayInput, conditions: Partial<Conditions> = {}): WaysOut =>
	inOneGo(
		waysOut(input, { nowMs: null, wishes: [], done: [], ...conditions }, null, {
			seed: 1,
			moves: 150
		})
	);

/** The ways out of the one clash of a night: one for each of what clashes. */
function clash(told: WaysOut) {
	assert.ok(told.kind === 'clash', told.kind);
	const [first, ...others] = told.clashes;
	assert.deepEqual(others, []);
	assert.deepEqual(
		told.ways.flatMap(({ givenUp }) => givenUp),
		first
	);
	return told.ways.map(({ givenUp: [held], found: placement }) => {
		assert.ok(held);
		return { held, placement };
	});
}

/** What is told to free a night has to be a plan that holds, by the checker and to the letter. */
function holds(input: BakeDayInput, placement: Placement | null) {
	assert.ok(placement, 'a plan was found');
	const { plan, violations } = judgePlacement(input, placement);
	assert.deepEqual(violations, []);
	assert.deepEqual(plan.cautions, []);
	assert.deepEqual(plan.unplaced, []);
	for (const { name, readyMs, readyByMs } of plan.drops)
		assert.equal(readyMs !== null && readyMs <= readyByMs, true, `${name} is in time`);
	return plan;
}

test('a night that has a plan is told so, with the plan', () => {
	const told = asked(DAY);
	assert.equal(told.kind, 'holds');
	if (told.kind === 'holds') holds(DAY, told.found);
});

test('twelve hours before the ferry only its own time is in the way, and it waits as long as it has to, with the usual to spare', () => {
	const nowMs = FERRY_MS - 12 * HOUR_MS;
	const [way, ...others] = clash(asked(DAY, { nowMs }));
	assert.deepEqual(others, []);
	assert.deepEqual(way?.held, { kind: 'drop', dropId: 'ferry' });
	const plan = holds(DAY, way?.placement ?? null);
	const ferry = plan.drops.find(({ name }) => name === 'Ferry');
	assert.ok(ferry?.readyMs);
	const minutes = laterThanOrdered(ferry, DAY);
	assert.equal(ferry.readyByMs, FERRY_MS + minutes * 60_000);
	const spare = (ferry.readyByMs - ferry.readyMs) / 60_000;
	assert.ok(minutes > 15 && spare >= 15 && spare < 20, `${minutes}, ${spare} to spare`);
	for (const task of plan.tasks) assert.ok(task.startMs >= nowMs, task.id);
});

test('hours that are too short are in the way, and are asked to be longer by no more than is worked', () => {
	const input = {
		...DAY,
		people: [person('Maud', ALL, 14, 26), person('Ilo', ['mixing', 'shaping'], 14, 31)]
	};
	const ways = clash(asked(input));
	assert.equal(
		ways.some(({ held }) => held.kind === 'hours' && held.personId === 'maud'),
		true
	);
	for (const { held, placement } of ways) {
		const plan = holds(input, placement);
		const wishes = placement?.wishes ?? [];
		assert.notEqual(wishes.length, 0);
		for (const wish of wishes) {
			assert.ok(wish.kind === 'there-too' && held.kind === 'hours');
			assert.equal(wish.personId, held.personId);
			assert.ok(wish.toMs - wish.fromMs <= 3 * HOUR_MS);
			const worked = plan.tasks
				.flatMap(({ attended }) => attended)
				.filter(({ personIds }) => personIds.includes(held.personId));
			// Somebody works right at the end of what is asked for.
			assert.ok(
				worked.some(
					({ fromMs, toMs }) =>
						Math.abs(fromMs - wish.fromMs) < 300_000 || Math.abs(toMs - wish.toMs) < 300_000
				),
				'what is asked for is needed'
			);
		}
	}
});

test('of a wish and the drop it makes late either can be let go', () => {
	const bake = planned(DAY).plan.tasks.find(({ step }) => step.kind === 'bake');
	assert.ok(bake?.placedAs);
	const wish = { kind: 'start' as const, task: bake.placedAs, atMs: FERRY_MS };
	const ways = clash(asked(DAY, { wishes: [wish] }));
	assert.deepEqual(
		ways.map(({ held }) => held.kind),
		['drop', 'wish']
	);
	const [later, letGo] = ways;
	holds(DAY, later?.placement ?? null);
	assert.deepEqual(
		later?.placement?.wishes.map(({ kind }) => kind),
		['start', 'drop-later']
	);
	holds(DAY, letGo?.placement ?? null);
	assert.deepEqual(letGo?.placement?.wishes, []);
});

test('a drop that was asked to wait already is asked for all of it', () => {
	const nowMs = FERRY_MS - 12 * HOUR_MS;
	const wishes = [{ kind: 'drop-later' as const, dropId: 'ferry', minutes: 5 }];
	const [way] = clash(asked(DAY, { nowMs, wishes }));
	assert.equal(way?.placement?.wishes.length, 1);
	const [wish] = way?.placement?.wishes ?? [];
	assert.ok(wish?.kind === 'drop-later' && wish.minutes > 5);
	holds(DAY, way?.placement ?? null);
});

test('where no deck is left nothing that could be given up helps', () => {
	const wishes = ['deck 1', 'deck 2'].map((deckId) => ({ kind: 'deck-down' as const, deckId }));
	assert.deepEqual(asked(DAY, { wishes }), { kind: 'beyond' });
});

test('what is in the way apart from one another is told apart, and given up together', () => {
	const nowMs = FERRY_MS - 9 * HOUR_MS;
	const told = asked(DAY, { nowMs });
	assert.ok(told.kind === 'clash');
	assert.deepEqual(told.clashes, [
		[{ kind: 'drop', dropId: 'ferry' }],
		[{ kind: 'drop', dropId: 'shop' }]
	]);
	const [way, ...others] = told.ways;
	assert.deepEqual(others, []);
	assert.ok(way);
	holds(DAY, way.found);
	assert.deepEqual(
		way.found.wishes.map((wish) => wish.kind === 'drop-later' && wish.dropId),
		['ferry', 'shop']
	);
});

test('a drop that could only be met half a day later is not met by waiting', () => {
	assert.deepEqual(asked(DAY, { nowMs: FERRY_MS - 3 * HOUR_MS }), { kind: 'beyond' });
});

test('who is off can be called in, and works of other nights are no hours of this one', () => {
	const nightBefore = (who: ReturnType<typeof person>, ...hours: readonly [number, number][]) => ({
		...who,
		there: hours.flatMap(([from, to]) => person(who.name, who.skills, from, to).there)
	});
	// Maud works on the nights around this one; Ilo mixes until ten, and nobody follows.
	const input = {
		...DAY,
		people: [
			nightBefore(person('Maud', ALL, 0, 1), [-10, -4], [38, 44]),
			nightBefore(person('Ilo', ['mixing', 'shaping'], 14, 22), [-10, -2], [14, 18], [18.5, 22])
		]
	};
	const ways = clash(asked(input));
	assert.deepEqual(
		ways.map(({ held }) => held),
		[{ kind: 'day-off', personId: 'maud' }]
	);
	const placement = ways[0]?.placement ?? null;
	holds(input, placement);
	const [wish, ...others] = placement?.wishes ?? [];
	assert.deepEqual(others, []);
	assert.ok(wish?.kind === 'there-too' && wish.personId === 'maud');
	assert.equal((wish.fromMs % 300_000) + (wish.toMs % 300_000), 0, 'not by the minute');
	assert.ok(wish.toMs <= SHOP_MS && wish.fromMs >= FERRY_MS - 9 * HOUR_MS);
});
