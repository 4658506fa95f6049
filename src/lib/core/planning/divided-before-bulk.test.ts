import assert from 'node:assert/strict';
import { test } from 'node:test';
import { bulkOfPieces } from './divided-before-bulk.ts';
import { BULK, hands, planned, DAY, PROOF } from './harbour-day.fixture.ts';
import type { BakeDayInput } from './index.ts';

const BENCH = { named: null, ambientCelsius: 22 };
const DIVIDED = [
	hands('divide', 0, { secondsPerPiece: 10 }),
	{ ...BULK, foldsAtMinutes: [30, 60] }
];

test('pieces ferment from the mixer on: at first on the bench, as long as dividing takes', () => {
	const steps = [...DIVIDED, hands('shape', 10), PROOF];
	const found = bulkOfPieces([{ product: 'Sticks', steps, pieces: 72 }], 25, BENCH);
	assert.ok(found);
	assert.equal(found.product, 'Sticks');
	assert.deepEqual(
		found.step.legs.map(({ minutes, ambientCelsius }) => [minutes, ambientCelsius]),
		[
			[12, 22],
			[null, 21]
		]
	);
	assert.deepEqual(found.step.foldsAtMinutes, [42, 72], 'rounded again every half hour');
	assert.deepEqual(
		found.after.map((step) => (step.kind === 'bake' ? 'bake' : step.activity)),
		['shape', 'proof']
	);
});

test('of several the one that is ready first is followed; what only proofs has no bulk', () => {
	const slow = { ...BULK, clock: { ...BULK.clock!, ripeMinutes: 240 } };
	const portions = [
		{ product: 'Slow', steps: [hands('divide', 5), slow], pieces: 10 },
		{ product: 'Soon', steps: [BULK], pieces: 10 },
		{ product: 'Buns', steps: [hands('divide', 5), PROOF], pieces: 10 }
	];
	const found = bulkOfPieces(portions, 25, BENCH);
	assert.equal(found?.product, 'Soon');
	assert.deepEqual(found.step.legs, BULK.legs, 'nothing comes before its bulk');
	assert.equal(bulkOfPieces(portions.slice(2), 25, BENCH), null);
	assert.equal(bulkOfPieces([], 25, BENCH), null);
});

test('a dough that is divided before its bulk is planned as pieces: divided out of the mixer, rounded within the wait', () => {
	const [product] = DAY.products;
	const day: BakeDayInput = {
		...DAY,
		products: [{ ...product!, steps: [...DIVIDED, ...product!.steps.slice(1)] }],
		doughs: DAY.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({ ...mix, steps: mix.steps.slice(0, 1) }))
		}))
	};
	const { plan, violations } = planned(day, {}, 300);
	assert.deepEqual(violations, []);
	assert.deepEqual([plan.cautions, plan.unplaced, plan.unplanned], [[], [], []]);
	const bulks = plan.tasks.filter(({ step }) => step.kind === 'wait' && step.activity === 'bulk');
	assert.equal(bulks.length, 2);
	for (const { batch, foldsMs, startMs } of bulks) {
		assert.equal(batch.kind, 'portion');
		assert.equal(foldsMs.length, 2);
		const divided = plan.tasks.find(
			(task) =>
				task.step.kind === 'hands-on' && task.step.activity === 'divide' && task.endMs === startMs
		);
		assert.ok(divided, 'the bulk begins as the dividing ends');
	}
});
