import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, planned } from './harbour-day.fixture.ts';
import { vesselsShort, type BakeDayInput } from './index.ts';

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
