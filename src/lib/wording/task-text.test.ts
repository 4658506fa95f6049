import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { BakeDayInput } from '../core/planning/index.ts';
import { DAY, hands, planned } from '../core/planning/harbour-day.fixture.ts';
import { toDoList } from './task-text.ts';

const [ROUND] = DAY.products;
const withProduct = (change: Partial<BakeDayInput['products'][number]>): BakeDayInput => ({
	...DAY,
	products: [{ ...ROUND!, ...change }]
});

test('pieces are told what they are put into, once, where they are shaped last', () => {
	const [divide, ...after] = ROUND!.steps;
	const day = withProduct({
		steps: [divide!, hands('shape', 5), ...after],
		vessel: { id: 'baskets', name: 'Round basket', owned: 60, holds: 1, until: 'loaded' }
	});
	const { plan } = planned(day);
	const told = toDoList(plan, day).filter(({ detail }) => detail.includes('round basket'));
	assert.deepEqual(
		told.map(({ what, detail }) => [what.split(' ')[0], /into (\d+) ×/.exec(detail)?.[1]]),
		[
			['Shape', '24'],
			['Shape', '38']
		]
	);
});

test('water for a steam tray is boiled a quarter of an hour before each load, with its caution', () => {
	const steps = ROUND!.steps.map((step) =>
		step.kind === 'bake' ? { ...step, programme: { ...step.programme, steamByTray: true } } : step
	);
	const day = withProduct({ steps });
	const { plan } = planned(day);
	const list = toDoList(plan, day);
	const loads = list.filter(({ what }) => what.startsWith('Load '));
	const kettles = list.filter(({ what }) => what.startsWith('Kettle on'));
	assert.equal(kettles.length, loads.length);
	assert.deepEqual(
		kettles.map(({ atMs }) => atMs + 15 * 60_000).sort((a, b) => a - b),
		loads.map(({ atMs }) => atMs).sort((a, b) => a - b)
	);
	for (const { caution, station } of kettles) {
		assert.match(caution, /scalds/);
		assert.equal(station, 'oven');
	}
	const plain = toDoList(planned(DAY).plan, DAY);
	assert.ok(!plain.some(({ what }) => what.startsWith('Kettle on')));
});

test('a dough that is mixed fast on a mixer of one speed says so, and one laminated tells its sheets', () => {
	const fast = hands('mix', 20, {
		machine: 'mixer',
		endsAtCelsius: 27,
		detail: { kind: 'mixing', stretches: [{ speed: 'fast', minutes: 6 }] }
	});
	const day: BakeDayInput = {
		...withProduct({ steps: [hands('sheet', 10), ...ROUND!.steps.slice(1)] }),
		bakery: {
			...DAY.bakery,
			mixers: DAY.bakery.mixers.map((mixer) => ({ ...mixer, speeds: 1 })),
			sheeters: [{ id: 'sheeter', name: 'Sheeter', sheetGrams: 4000 }]
		},
		doughs: DAY.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({ ...mix, steps: [fast, ...mix.steps.slice(1)] }))
		}))
	};
	const { plan } = planned(day);
	const details = toDoList(plan, day).map(({ what, detail }) => `${what}: ${detail}`);
	assert.equal(details.filter((line) => line.includes('this mixer has one speed')).length, 2);
	// 24 and 38 pieces of 900 g are 21.6 and 34.2 kg.
	assert.deepEqual(details.flatMap((line) => /in (\d+) sheets/.exec(line)?.[1] ?? []).sort(), [
		'6',
		'9'
	]);
});
