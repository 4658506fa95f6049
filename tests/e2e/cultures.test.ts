import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import {
	AFTERNOON,
	byName,
	journey,
	says,
	search,
	sendBeside,
	SIZES,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const sentence = '[data-room-sentence]';
const CULTURES = '/bake/2026-11-24/fermentation/cultures';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();
const open = async (page: Page, name: string) => {
	await page.click(`[data-row="${name}"]`);
	await says(page, '[data-culture] h2', name);
};
/** It is as late on the bakery's wall. */
const itIs = (bakery: Bakery, wall: string) =>
	setClock(bakery.database.db, demoClock(wall, Date.now()));

journey(
	'a culture is kept from day to day: short is told early, one tap feeds it, and nothing is lost when the server goes',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/fermentation');
		await (await byName(page, 'link', 'Cultures')).click();
		await says(page, sentence, 'There is enough of every culture for the week');
		await open(page, 'Wheat culture');
		await says(page, '[data-mass]', '2.45 kg');
		await says(page, '[data-ahead]', 'Wheat levain', 'at the latest; no plan yet', 'kept back');
		await says(page, '[data-caution]', 'can burst a closed jar');
		// Somebody gave most of it away: tonight's levain has too little, and what mends it is told.
		await press(page, 'Taken out');
		await type(page, 'Taken out', '2350', 'Tab');
		await press(page, 'Write it down');
		await says(page, '[data-mass]', '100 g');
		await says(page, '[data-told=short]', 'short for Wheat levain', 'Fed twice from now on');
		await says(page, sentence, 'Wheat culture: short');
		await says(page, '[data-feed]', 'The first of 2 feeds in a row, now');
		await says(page, '[data-ahead]', 'too little');
		await visit(bakery, '/bake/2026-11-24/fermentation');
		await says(page, '[role=alert]', 'Short Wheat culture: 1.66 kg short for Wheat levain');
		await visit(bakery, '/bake/2026-11-24/orders');
		await says(page, '[role=alert]', 'Wheat culture: 1.66 kg short for Wheat levain');
		await visit(bakery, CULTURES);
		await press(page, 'Take back: taken out: 2.35 kg');
		await says(page, '[data-mass]', '2.45 kg');
		await page.waitForFunction(() => document.querySelector('[data-told=short]') === null);
		// What is seen corrects the clock.
		await press(page, 'Look at it');
		await page.click('[data-seen="volume:collapsing"]');
		await says(page, '[data-verdict]', 'late');
		await press(page, 'Write it down');
		await says(page, '[data-log]', 'volume collapsing');

		// One tap feeds it; without a server it waits in the browser.
		await bakery.stop();
		await press(page, 'Fed now, as told');
		await says(page, '[data-culture]', 'kept in this browser');
		await bakery.start();
		await says(page, '[data-log]', 'fed: 33 g of it, 83 g flour, 83 g water');
		await says(page, '[data-mass]', '199 g');
		await says(page, '[data-told=short]', 'short for Wheat levain');
		await visit(bakery, '/bake/2026-11-24/doughs/stock');
		await says(page, '[data-stock-of="Wholemeal wheat"]', '59.99 kg');
		await visit(bakery, CULTURES);
		await open(page, 'Wheat culture');
		// It is fed by the clock from now on, and before it is taken where it is past its best by then.
		await press(page, 'How it is kept');
		await press(page, 'Add a feed time');
		await type(page, 'Water', '4', 'Tab');
		await says(page, '[data-hydration]', '80 %', 'its ingredient says 100 %');
		await type(page, 'Water', '5', 'Tab');
		await press(page, 'Save how it is kept');
		await says(page, '[data-ahead]', 'feed');
		await itIs(bakery, '2026-11-24T11:00');
		await visit(bakery, CULTURES);
		await open(page, 'Wheat culture');
		await says(page, '[data-told=feed-now]', 'Its feed is due now');
		for (const size of [SIZES.desk, SIZES.tablet]) {
			await page.setViewport(size);
			assert.deepEqual(await accessibilityFaults(page), []);
		}
	},
	AFTERNOON
);

journey(
	'a new culture is set up and started, step by step, until it is trusted with bread',
	async (bakery) => {
		const { page } = bakery;
		await sendBeside(bakery, {
			kind: 'save-ingredient',
			ingredientId: randomUUID(),
			expectedVersion: 0,
			name: 'Spelt culture',
			ingredientKind: 'culture',
			composition: { flour: 0.5, water: 0.5, fat: 0, sugar: 0, wholegrainOfFlour: 1 },
			yeastFreshEquivalent: 0,
			allergens: ['gluten'],
			heatCapacity: 3,
			density: null,
			pricePerKilogram: null,
			weighedOn: null
		});
		await visit(bakery, CULTURES);
		await open(page, 'Spelt culture');
		await says(page, '[data-culture]', 'Say how it is kept');
		await press(page, 'Save how it is kept');
		await says(page, '[data-culture] [role=alert]', 'Choose the flour it is fed');
		await search(page, 'Add a flour', 'Wholemeal wheat', 'adds');
		await press(page, 'Save how it is kept');
		await says(page, '[data-begin]', 'Fruit water', 'Flour and water');
		await press(page, 'Begun now: Flour and water');
		await says(page, '[data-start]', 'Day 1', 'so far 0 of 2', 'Stir it through');
		const next = async (wall: string, ...words: string[]) => {
			await itIs(bakery, wall);
			await visit(bakery, CULTURES);
			await open(page, 'Spelt culture');
			await says(page, '[data-start]', ...words);
		};
		await next('2026-11-24T14:10', 'Day 2', 'now', 'of other bacteria');
		await press(page, 'Done now');
		for (const day of ['25', '26', '27', '28', '29', '30']) {
			await next(`2026-11-${day}T14:30`, 'now', 'Keep 50 g of it');
			await press(page, 'Done now');
			await says(page, '[data-log]', 'fed: 50 g of it, 50 g flour, 50 g water');
			if (day < '29') continue;
			await itIs(bakery, `2026-11-${day}T22:00`);
			await visit(bakery, CULTURES);
			await open(page, 'Spelt culture');
			await press(page, 'Look at it');
			await page.click('[data-seen="volume:doubled"]');
			await press(page, 'Write it down');
			await says(page, '[data-log]', 'volume doubled');
		}
		await next('2026-12-01T09:00', 'so far 2 of 2');
		await press(page, 'Trust it with bread');
		await says(page, '[data-mass]', '150 g');
		await says(page, '[data-log]', 'trusted with bread');
	},
	AFTERNOON
);

journey(
	'a pre-ferment whose mixes lie too far apart is made in two batches, and in one again',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-12-05/doughs');
		await says(page, '[data-batches=Poolish]', 'Far apart', '4 h 09 apart', 'usable for 2 h 43');
		await press(page, 'Make it in 2 batches: Poolish');
		await says(page, '[data-batches=Poolish]', 'In 2 batches, each for what is due together');
		assert.ok(await byName(page, 'link', 'Weigh up Poolish, 2'));
		assert.deepEqual(await accessibilityFaults(page), []);
		await press(page, 'In one batch for all: Poolish');
		await says(page, '[data-batches=Poolish]', 'Far apart');
	},
	AFTERNOON
);
