import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, person } from './harbour-day.fixture.ts';
import { timingOf, type BakeDayInput } from './index.ts';

const same = (changed: BakeDayInput) => timingOf(changed) === timingOf(DAY);
const [dough] = DAY.doughs;
const [build] = DAY.builds;
const [product] = DAY.products;
assert.ok(dough && build && product);
const [mix] = dough.mixes;
assert.ok(mix);
const withMix = (change: object): BakeDayInput => ({
	...DAY,
	doughs: [{ ...dough, mixes: [{ ...mix, ...change }, ...dough.mixes.slice(1)] }]
});

test('names, weights, revisions and fields that timing never heard of leave a plan current', () => {
	assert.ok(same({ ...DAY, drops: DAY.drops.map((drop) => ({ ...drop, name: 'Other' })) }));
	assert.ok(same({ ...DAY, doughs: [{ ...dough, name: 'Other' }] }));
	assert.ok(same(withMix({ revisionId: 'another', grams: 1, count: 9 })));
	assert.ok(
		same({ ...DAY, builds: [{ ...build, name: 'Other', grams: 1, revisionId: 'another' }] })
	);
	const later = { ...product, name: 'Other', scaledGrams: 1, shelfLifeDays: 3 };
	assert.ok(same({ ...DAY, products: [later] }));
	assert.ok(same(structuredClone(DAY)));
});

test('whatever a plan follows from makes it out of date', () => {
	const changes: readonly BakeDayInput[] = [
		{ ...DAY, drops: DAY.drops.map((drop) => ({ ...drop, readyByMs: drop.readyByMs - 60_000 })) },
		{
			...DAY,
			bakery: {
				...DAY.bakery,
				ovens: DAY.bakery.ovens.map((oven) => ({ ...oven, recoveryMinutes: 11 }))
			}
		},
		{ ...DAY, bakery: { ...DAY.bakery, ovens: [] } },
		{ ...DAY, people: [person('Maud', ['mixing'], 14, 22)] },
		{ ...DAY, orders: DAY.orders.slice(1) },
		withMix({ leaves: [{ kind: 'dark', name: 'dark' }] }),
		{ ...DAY, bakery: { ...DAY.bakery, mixers: [] } },
		{ ...DAY, builds: [] },
		{ ...DAY, builds: [{ ...build, takenByDoughs: [] }] },
		{ ...DAY, builds: [{ ...build, begun: { mixedAtMs: 1, endedAtMs: null } }] },
		{ ...DAY, builds: [{ ...build, steps: build.steps.slice(1) }] },
		withMix({ leadMinutes: 10 }),
		withMix({ mixerIds: [] }),
		withMix({ begun: { mixedAtMs: 1, endedAtMs: null } }),
		withMix({ steps: mix.steps.slice(1) }),
		withMix({
			portions: mix.portions.map((portion) => ({ ...portion, pieces: portion.pieces + 1 }))
		}),
		withMix({ portions: mix.portions.map((portion) => ({ ...portion, dropIds: [] })) }),
		{ ...DAY, products: [{ ...product, piecesPerDeck: 13 }] },
		{ ...DAY, products: [{ ...product, deckIds: ['deck 2'] }] },
		{ ...DAY, products: [{ ...product, steps: product.steps.slice(1) }] },
		{
			...DAY,
			products: [
				{
					...product,
					steps: product.steps.map((step) =>
						step.kind === 'bake' ? { ...step, bakeMinutes: 43 } : step
					)
				}
			]
		}
	];
	for (const [at, changed] of changes.entries()) assert.ok(!same(changed), `change ${at}`);
	assert.equal(new Set(changes.map(timingOf)).size, changes.length);
});
