import assert from 'node:assert/strict';
import { test } from 'node:test';
import { id, type PlaceId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import { DAY, planned, PORTION_STEPS, PROOF } from './harbour-day.fixture.ts';
import { takenBy, type BakeDayInput, type DayPlan, type Step } from './index.ts';

const PLACE = id<PlaceId>('in the oven');
const [OVEN] = DAY.bakery.ovens;
const [LEG] = PROOF.legs;
const STANDING = { ...LEG!, named: { id: PLACE, name: 'In the oven' }, place: 'proofer' as const };

/** The day with pieces that stand in the oven first, for so many minutes; to the end of their proof where none is told. */
function day(minutes: number | null, ovenId: string | null = OVEN!.id): BakeDayInput {
	const legs =
		minutes === null
			? [{ ...STANDING, minutes: null }]
			: [
					{ ...STANDING, minutes },
					{ ...LEG!, minutes: null }
				];
	const proof: Step = { ...PROOF, legs };
	return {
		...DAY,
		// A heavy oven that is hot within the hour.
		bakery: {
			...DAY.bakery,
			ovens: [{ ...OVEN!, preheatMinutes: 60 }],
			places: [{ id: PLACE, name: 'In the oven', trays: 12, ovenId, celsius: 28 }]
		},
		// Two loads, so that all of it can wait until the oven is hot.
		doughs: DAY.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({
				...mix,
				portions: mix.portions.map((portion) => ({ ...portion, pieces: 12 }))
			}))
		})),
		products: DAY.products.map((product) => ({
			...product,
			piecesPerTray: 6,
			steps: PORTION_STEPS.map((step) => (step === PROOF ? proof : step))
		}))
	};
}

/** When the last dough is out of the oven, and when the first load goes in. */
function around({ tasks }: DayPlan): { readonly outMs: number; readonly loadMs: number } {
	const proofs = tasks.filter(({ step }) => step.kind === 'wait' && step.activity === 'proof');
	const loads = tasks.filter(({ step }) => step.kind === 'bake');
	assert.ok(proofs.length > 0 && loads.length > 0);
	return {
		outMs: Math.max(...proofs.map(({ movesMs, endMs }) => movesMs[0] ?? endMs)),
		loadMs: Math.min(...loads.map(({ startMs }) => startMs))
	};
}

test('an oven is heated for its first load when all that stood in it is out', () => {
	const { plan, violations, placement } = planned(day(30), {}, 400);
	assert.deepEqual(violations, []);
	assert.deepEqual([placement.relaxed, plan.unplaced, plan.cautions], [[], [], []]);
	const { outMs, loadMs } = around(plan);
	assert.ok(loadMs - outMs >= 60 * MINUTE_MS, `${(loadMs - outMs) / MINUTE_MS} min`);
	const on = plan.ovens.filter(({ kind }) => kind === 'switch-on').map(({ atMs }) => atMs);
	assert.ok(Math.min(...on) >= outMs, 'it is switched on with nothing in it');
	// A cabinet of its own lets the second portion stand while the first is baked.
	const cabinet = around(planned(day(30, null), {}, 400).plan);
	assert.ok(cabinet.loadMs - cabinet.outMs < 60 * MINUTE_MS);
});

test('what would go from standing in its only oven into its heat is told, and with a second oven goes there', () => {
	const told = planned(day(null)).plan.unplanned;
	assert.deepEqual(told[0], {
		name: 'Harbour round',
		reason: { kind: 'proves-where-it-bakes', oven: OVEN!.name }
	});
	const one = day(null);
	const second = {
		...OVEN!,
		id: 'second',
		decks: OVEN!.decks.map((deck) => ({ ...deck, id: `second ${deck.id}` }))
	};
	const two: BakeDayInput = {
		...one,
		bakery: { ...one.bakery, ovens: [...one.bakery.ovens, second] },
		products: one.products.map((product) => ({
			...product,
			deckIds: [...product.deckIds, ...second.decks.map(({ id: deck }) => deck)]
		}))
	};
	const { plan, violations } = planned(two, {}, 300);
	assert.deepEqual(violations, []);
	assert.deepEqual(plan.unplanned, []);
	const bakes = plan.tasks.filter(({ step }) => step.kind === 'bake');
	assert.ok(bakes.length > 0);
	for (const { machineId } of bakes) assert.match(machineId ?? '', /^second /);
});

test('for another date an oven in which dough stands takes no bread, and a hot one takes no dough', () => {
	const input = day(30);
	const { plan } = planned(input, {}, 400);
	const taken = takenBy(plan, input).filter(
		({ of, heat }) => of === 'deck' && heat?.celsius === 28
	);
	const decks = new Set(taken.map(({ id: deck }) => deck));
	assert.deepEqual(decks, new Set(OVEN!.decks.map(({ id: deck }) => deck)));
	const { outMs } = around(plan);
	assert.equal(Math.max(...taken.map(({ toMs }) => toMs)), outMs);
	// A bake of another date in the evening before: hot, and two hours cooling from 245 to 28 degrees.
	const stoodMs = Math.min(...taken.map(({ fromMs }) => fromMs));
	const hot: BakeDayInput = {
		...input,
		elsewhere: [
			{
				of: 'deck',
				id: OVEN!.decks[0]!.id,
				date: DAY.date,
				name: 'Evening loaf',
				fromMs: stoodMs - 90 * MINUTE_MS,
				toMs: stoodMs - 40 * MINUTE_MS,
				amount: 1,
				heat: { celsius: 245, endCelsius: 245 }
			}
		]
	};
	const beside = planned(hot, {}, 400);
	assert.deepEqual(beside.violations, []);
	const coolMs =
		stoodMs - 40 * MINUTE_MS + ((245 - 28) / 10) * OVEN!.coolMinutesPerTenKelvin * MINUTE_MS;
	const proofs = beside.plan.tasks.filter(
		({ step }) => step.kind === 'wait' && step.activity === 'proof'
	);
	for (const { startMs, movesMs } of proofs)
		assert.ok(
			startMs >= coolMs || (movesMs[0] ?? 0) <= stoodMs - 150 * MINUTE_MS,
			'only while it is cool'
		);
});
