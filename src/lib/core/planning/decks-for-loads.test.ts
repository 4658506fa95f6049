import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, planned } from './harbour-day.fixture.ts';
import type { BakeDayInput } from './index.ts';

const [OVEN] = DAY.bakery.ovens;
const [FIRST, SECOND] = OVEN!.decks.map(({ id }) => id);

const oneChamber: BakeDayInput = {
	...DAY,
	bakery: { ...DAY.bakery, ovens: [{ ...OVEN!, sharesHeat: true }] }
};

/** The decks that the loads of a day are on, by their tasks. */
function decksOf(plan: ReturnType<typeof planned>['plan']): readonly (readonly string[])[] {
	return plan.tasks.flatMap(({ step, machineId, placedAs, batch }) =>
		step.kind === 'bake' && machineId !== null && placedAs !== null && batch.kind === 'load'
			? [[batch.productId, machineId, placedAs]]
			: []
	);
}

test('in one chamber a product goes on the deck that takes it, and never on the one beside it', () => {
	for (const deck of [FIRST!, SECOND!]) {
		const day: BakeDayInput = {
			...oneChamber,
			products: oneChamber.products.map((product) => ({ ...product, deckIds: [deck] })),
			// One load of each mix: one deck alone takes no more of them in time.
			doughs: oneChamber.doughs.map((dough) => ({
				...dough,
				mixes: dough.mixes.map((mix) => ({
					...mix,
					portions: mix.portions.map((portion) => ({ ...portion, pieces: 12 }))
				}))
			}))
		};
		const { plan, violations } = planned(day, {}, 300);
		assert.deepEqual(violations, []);
		assert.deepEqual(new Set(decksOf(plan).map(([, on]) => on)), new Set([deck]));
	}
});

test('a load that is not to go on a deck goes on another, in one chamber and where each has its own heat', () => {
	for (const day of [DAY, oneChamber]) {
		const before = planned(day, {}, 300);
		const [, deckId, task] = decksOf(before.plan)[0]!;
		const { plan, violations } = planned(
			day,
			{ wishes: [{ kind: 'not-deck', task: task!, deckId: deckId! }] },
			300
		);
		assert.deepEqual(violations, []);
		const now = decksOf(plan).find(([, , placedAs]) => placedAs === task);
		assert.equal(now?.[1], deckId === FIRST ? SECOND : FIRST);
	}
});
