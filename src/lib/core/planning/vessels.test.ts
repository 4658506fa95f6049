import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, planned } from './harbour-day.fixture.ts';
import { takenBy, vesselsShort, type BakeDayInput } from './index.ts';
import { leftOf } from './left-of.ts';
import { Grid } from './grid.ts';

const basket = (owned: number, change = {}) =>
	({
		id: 'b',
		name: 'Round basket',
		owned,
		holds: 1,
		until: 'loaded' as const,
		...change
	}) as const;

function withVessel(vessel: ReturnType<typeof basket>) {
	const input: BakeDayInput = {
		...DAY,
		products: DAY.products.map((product) => ({ ...product, vessel }))
	};
	return { input, ...planned(input) };
}

test('a plan keeps to the baskets there are, where that can be', () => {
	for (const owned of [62, 40]) {
		const { plan, input, violations, placement } = withVessel(basket(owned));
		assert.deepEqual(violations, []);
		assert.deepEqual(placement.relaxed, []);
		assert.deepEqual(vesselsShort(plan, input), []);
	}
});

test('where they are too few they are told to be short, with how many are wanted when', () => {
	const { plan, input } = withVessel(basket(10));
	const [short] = vesselsShort(plan, input);
	assert.ok(short);
	assert.equal(short.owned, 10);
	assert.ok(short.wanted > 10 && short.wanted <= 62, `${short.wanted}`);
	// What holds six at once is wanted less often.
	const six = withVessel(basket(2, { holds: 6 }));
	const [fewer] = vesselsShort(six.plan, six.input);
	assert.ok(fewer && fewer.wanted < short.wanted);
});

test('what they bake in is wanted until they are baked', () => {
	const { plan, input } = withVessel(basket(10, { until: 'baked' }));
	const loaded = withVessel(basket(10));
	const [baked] = vesselsShort(plan, input);
	const [short] = vesselsShort(loaded.plan, loaded.input);
	assert.ok(baked && short && baked.wanted > 0);
});

test('a mix goes on the mixers it fits, a load on the decks that take it, and a piece that fits none is told', () => {
	const [mixer] = DAY.bakery.mixers;
	const [oven] = DAY.bakery.ovens;
	const small: BakeDayInput = {
		...DAY,
		bakery: {
			...DAY.bakery,
			mixers: [mixer!, { ...mixer!, id: 'mixer 2', name: 'Small mixer' }],
			ovens: [
				{
					...oven!,
					decks: [...oven!.decks, { id: 'deck 3', name: 'Deck 3', hotSpots: '', reheatMinutes: 0 }]
				}
			]
		},
		doughs: DAY.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({
				...mix,
				mixerIds: ['mixer 2'],
				portions: mix.portions.map((portion) => ({ ...portion, pieces: 12 }))
			}))
		})),
		products: DAY.products.map((product) => ({ ...product, deckIds: ['deck 3'] }))
	};
	const { plan } = planned(small);
	const machines = (kind: 'mix' | 'load') =>
		new Set(
			plan.tasks
				.filter((task) => task.batch.kind === kind && task.machineId !== null)
				.map((task) => task.machineId)
		);
	assert.deepEqual([...machines('mix')], ['mixer 2']);
	assert.deepEqual([...machines('load')], ['deck 3']);
	const nowhere: BakeDayInput = {
		...DAY,
		products: DAY.products.map((product) => ({ ...product, deckIds: [], piecesPerDeck: 0 }))
	};
	const { unplanned } = planned(nowhere).plan;
	assert.deepEqual(unplanned[0], { name: 'Harbour round', reason: { kind: 'no-deck' } });
});

const DAY_MS = 24 * 3_600_000;

test('baskets that another date has are not there: this one keeps to the others, or is told how many are wanted', () => {
	const { plan, input } = withVessel(basket(62));
	const taken = takenBy(plan, input).filter(({ of }) => of === 'vessel');
	// What goes into the oven at once stands in none.
	const stood = taken.reduce((sum, { amount }) => sum + amount, 0);
	assert.ok(stood > 40 && stood <= 62, `${stood}`);
	assert.ok(taken.every(({ id, fromMs, toMs }) => id === 'b' && fromMs < toMs));
	const [first] = taken.toSorted((a, b) => a.fromMs - b.fromMs);
	const last = Math.max(...taken.map(({ toMs }) => toMs));
	const beside = (amount: number): BakeDayInput => ({
		...input,
		elsewhere: [{ ...first!, fromMs: first!.fromMs - DAY_MS, toMs: last + DAY_MS, amount }]
	});
	const fits = planned(beside(22));
	assert.deepEqual(fits.violations, []);
	assert.deepEqual(fits.placement.relaxed, []);
	assert.deepEqual(vesselsShort(fits.plan, beside(22)), []);
	const few = planned(beside(61));
	const [short] = vesselsShort(few.plan, beside(61));
	assert.ok(short && short.owned === 62 && short.wanted > 62, JSON.stringify(short));
	// What another date does by itself is no matter of this one.
	const night = { ...first!, fromMs: last + 1, toMs: last + 2, amount: 90 };
	assert.deepEqual(vesselsShort(plan, { ...input, elsewhere: [night] }), []);
});

test('what is left of something is counted by the units of the night', () => {
	const grid = new Grid(0);
	const of = { of: 'vessel' as const, id: 'b', total: 40 };
	const one = (fromMs: number, toMs: number, amount: number) => ({
		...of,
		date: DAY.date,
		name: '',
		fromMs: fromMs * 60_000,
		toMs: toMs * 60_000,
		amount,
		heat: null
	});
	assert.deepEqual(leftOf(of, [], grid, 20), [{ from: 0, to: 20, amount: 40 }]);
	assert.deepEqual(leftOf(of, [one(-30, 12, 30), one(8, 41, 15)], grid, 20), [
		{ from: 0, to: 1, amount: 10 },
		{ from: 1, to: 3, amount: 0 },
		{ from: 3, to: 9, amount: 25 },
		{ from: 9, to: 20, amount: 40 }
	]);
	assert.deepEqual(leftOf({ ...of, id: 'c' }, [one(0, 60, 30)], grid, 20), [
		{ from: 0, to: 20, amount: 40 }
	]);
});
