import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	asLearned,
	bookMinutesOf,
	ovenAsLearned,
	timingOf,
	type BakeDayInput,
	type LearnedInPlan
} from './index.ts';
import { BULK, DAY, hands, planned, PORTION_STEPS, PROOF } from './harbour-day.fixture.ts';

const MINUTE = 60_000;
const of = { recipeId: 'round', name: 'Round', used: 3 };
const learned: readonly LearnedInPlan[] = [
	{ kind: 'hands', activity: 'divide', share: 1.5, ...of },
	{ kind: 'bake', share: 0.9, ...of },
	{ kind: 'clock', share: 1.2, ...of },
	{ kind: 'recovery', ovenId: 'oven', name: 'Oven', minutes: 4.2, used: 5 }
];

test('what was learned is in the minutes of its own recipe, and of no other', () => {
	const [divide, proof, bake] = asLearned(PORTION_STEPS, 'round', learned);
	assert.ok(divide?.kind === 'hands-on' && proof?.kind === 'wait' && bake?.kind === 'bake');
	assert.deepEqual([divide.fixedMinutes, divide.secondsPerPiece], [3, 15]);
	assert.deepEqual(
		[proof.clock?.underMinutes, proof.clock?.ripeMinutes, proof.clock?.overMinutes],
		[90, 126, 180]
	);
	assert.equal(bake.bakeMinutes, 38);
	assert.equal(asLearned(PORTION_STEPS, 'another', learned), PORTION_STEPS);
});

test('only the wait that it ferments in goes by its learned clock', () => {
	const [, bulk, second] = asLearned([hands('mix', 5), BULK, PROOF], 'round', learned);
	assert.ok(bulk?.kind === 'wait' && second?.kind === 'wait');
	assert.equal(bulk.clock?.ripeMinutes, 252);
	assert.deepEqual(second, PROOF);
});

test('a bake learned shorter never ends before the last change of its programme', () => {
	const [, , bake] = PORTION_STEPS;
	assert.ok(bake?.kind === 'bake');
	const change = {
		atMinutes: 41,
		celsius: 200,
		topPercent: null,
		bottomPercent: null,
		fan: null,
		ventOpen: null,
		lid: null,
		steamSeconds: 0
	};
	const turned = { ...bake, programme: { ...bake.programme, changes: [change] } };
	const [shorter] = asLearned([turned], 'round', learned);
	assert.ok(shorter?.kind === 'bake');
	assert.equal(shorter.bakeMinutes, 42);
});

test('an oven whose stone was short gets more time between loads', () => {
	const [oven] = DAY.bakery.ovens;
	assert.ok(oven);
	const named = { ...oven, id: 'oven' };
	assert.equal(ovenAsLearned(named, learned).recoveryMinutes, oven.recoveryMinutes + 4);
	assert.equal(ovenAsLearned(oven, []), oven);
});

test('a plan made with what was learned is another, and tells the minutes of the book all the same', () => {
	const other = {
		...DAY,
		learned,
		products: DAY.products.map((product) => ({
			...product,
			steps: asLearned(product.steps, product.id, learned)
		}))
	};
	assert.notEqual(timingOf(other), timingOf(DAY));
	const minutesOf = (day: typeof DAY) =>
		planned(day).plan.tasks.flatMap((task) => {
			const minutes = bookMinutesOf(task, day);
			const isDivide = task.step.kind === 'hands-on' && task.step.activity === 'divide';
			return isDivide && minutes !== null ? [minutes] : [];
		});
	const before = minutesOf(DAY);
	const after = minutesOf(other);
	assert.ok(before.length > 0 && before.length === after.length);
	for (const [at, minutes] of before.entries())
		assert.ok(Math.abs(minutes - (after[at] ?? NaN)) <= 1, `${minutes} ${after[at]}`);
});

test('the minutes of a bake are those from loaded to drawn, and a mixer teaches no hands', () => {
	for (const task of planned(DAY).plan.tasks) {
		const minutes = bookMinutesOf(task, DAY);
		if (task.step.kind === 'bake') {
			const load = task.attended.find(({ what }) => what === 'load');
			const draw = task.attended.find(({ what }) => what === 'draw');
			const wanted = load && draw ? (draw.fromMs - load.toMs) / MINUTE : null;
			assert.equal(minutes, wanted);
		}
		if (task.step.kind === 'wait') assert.equal(minutes, null);
		if (task.step.kind === 'hands-on' && task.step.activity === 'mix') assert.equal(minutes, null);
	}
});

/** The day with a second oven like its first, and what was learned of each. */
function twoOvens(learned: readonly LearnedInPlan[]): BakeDayInput {
	const [oven] = DAY.bakery.ovens;
	assert.ok(oven);
	const second = {
		...oven,
		id: 'yard',
		name: 'Yard oven',
		decks: oven.decks.map((deck) => ({ ...deck, id: `yard ${deck.id}` }))
	};
	return {
		...DAY,
		learned,
		bakery: { ...DAY.bakery, ovens: [oven, second] },
		products: DAY.products.map((product) => ({
			...product,
			deckIds: [...product.deckIds, ...second.decks.map(({ id }) => id)]
		}))
	};
}
const inYard: LearnedInPlan = {
	kind: 'bake-in',
	ovenId: 'yard',
	ovenName: 'Yard oven',
	...of,
	share: 1.25
};

test('a bake that one oven takes longer for is planned and told by its own minutes there, and by the others elsewhere', () => {
	const day = twoOvens([inYard]);
	assert.notEqual(timingOf(day), timingOf(twoOvens([])));
	const baked = (input: BakeDayInput) => {
		const { plan, violations } = planned(input, {}, 400);
		assert.deepEqual(violations, []);
		return plan.tasks.flatMap((task) =>
			task.step.kind === 'bake'
				? [{ task, minutes: task.step.bakeMinutes, yard: task.machineId?.startsWith('yard') }]
				: []
		);
	};
	// With the first oven kept for other bread, all of it goes to the yard.
	const only = {
		...day,
		products: day.products.map((product) => ({
			...product,
			deckIds: product.deckIds.filter((id) => id.startsWith('yard'))
		}))
	};
	const there = baked(only);
	assert.ok(there.length > 0 && there.every(({ yard }) => yard));
	for (const { task, minutes } of there) {
		assert.equal(minutes, 53, '42 minutes, a quarter longer');
		const [load, draw] = task.attended;
		assert.ok(load && draw && draw.fromMs - load.toMs >= 53 * MINUTE, 'it is drawn no sooner');
		const book = bookMinutesOf(task, only) ?? NaN;
		assert.ok(Math.abs(book - (draw.fromMs - load.toMs) / MINUTE / 1.25) < 1e-9);
	}
	for (const { minutes, yard } of baked(day)) assert.equal(minutes, yard ? 53 : 42);
});

test('whatever is learned, steps stay steps: as many, of their kinds, and none shorter than nothing', () => {
	const share = fc.double({ min: 0.3, max: 3, noNaN: true });
	fc.assert(
		fc.property(share, share, share, (a, b, c) => {
			const steps = asLearned(PORTION_STEPS, 'round', [
				{ kind: 'hands', activity: 'divide', share: a, ...of },
				{ kind: 'bake', share: b, ...of },
				{ kind: 'clock', share: c, ...of }
			]);
			assert.deepEqual(
				steps.map(({ kind }) => kind),
				PORTION_STEPS.map(({ kind }) => kind)
			);
			for (const step of steps) {
				if (step.kind === 'bake') assert.ok(step.bakeMinutes >= 1);
				if (step.kind === 'wait' && step.clock)
					assert.ok(
						step.clock.underMinutes <= step.clock.ripeMinutes &&
							step.clock.ripeMinutes <= step.clock.overMinutes
					);
			}
		})
	);
});
