import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { LEVAIN, LOAF as LOAF_ID, TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import {
	AFTERNOON,
	byName,
	journey,
	says,
	search,
	sendBeside,
	type,
	visit,
	walk,
	type Bakery
} from './bakery.ts';
import { standsEachLook } from './page-faults.ts';
import { scaleBeside } from './scale-beside.ts';
import { walkSour } from './sour-walk.ts';

const DAY = '/bake/2026-11-24';
const LOAF = 'Harbour loaf, Ferry, pieces';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();
const stands = (page: Page, label: string, value: string) =>
	page.waitForFunction(
		(selector, wanted) => document.querySelector<HTMLInputElement>(selector)?.value === wanted,
		{},
		`input[aria-label="${label}"][data-state=saved]`,
		value
	);

/** A scale beside the screen, and one weight that is too much and mended. */
async function weighOnScale(bakery: Bakery): Promise<void> {
	const { page } = bakery;
	const scale = await scaleBeside(bakery, (what) => assert.fail(what));
	try {
		await visit(bakery, `${DAY}/doughs`);
		await (await byName(page, 'link', 'Weigh up Stick dough, mix 1')).click();
		await search(page, 'Scale beside this screen', 'Mixer scale');
		await says(page, '[data-shown=true]', '0 g');
		const wanted = Number(/^\d+/.exec(await says(page, '[data-wanted]', 'g'))?.[0]);
		assert.ok(wanted > 100);
		scale.put(wanted * 1.2);
		await says(page, '[data-on-scale]', 'too much');
		await page.waitForSelector('[data-shown=true]');
		await press(page, `Take ${Math.round(wanted * 1.2)} g`);
		await says(page, '[data-deviation]', 'Too much', '20 % more than is wanted');
		await press(page, 'Weigh it again');
		scale.put(Math.round(wanted) - Math.round(wanted * 1.2));
		await says(page, '[data-shown=true]', `${Math.round(wanted)} g`);
		await press(page, `Take ${Math.round(wanted)} g`);
		await says(page, '[data-room-sentence]', 'Stick dough', '1 of');
	} finally {
		scale.stop();
		await scale.over;
	}
}

journey(
	'from standing orders to the scale: a late order, what it moves, what is fed already, a shortage, a scale, a sour',
	async (bakery) => {
		const { page } = bakery;
		await acceptBeside(bakery);
		await visit(bakery, `${DAY}/orders`);
		assert.equal(await page.$('[data-since-plan]'), null);
		await stands(page, LOAF, '27');
		await says(page, 'table.orders thead', 'closed since 13:00', 'orders until 15:00');
		// The levain is fed already.
		const levain = await levainOf(bakery);
		await type(page, LOAF, '37');
		await says(
			page,
			'[data-since-plan]',
			'Harbour loaf, Ferry: 27 → 37',
			'after its orders were closed'
		);
		await says(page, '[data-moved-recipe="Harbour dough"]', '49.97 kg', '59.2', '9.2', 'more');
		await says(page, '[data-moved-recipe="Wheat levain"]', 'more');
		await sendBeside(bakery, {
			kind: 'measure-dough',
			batch: levain,
			celsius: 26,
			waterCelsius: null,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		});
		await says(page, '[data-moved-recipe="Wheat levain"]', 'begun');
		// Somebody else takes it back: it arrives here.
		await sendBeside(bakery, {
			kind: 'change-orders',
			date: '2026-11-24' as never,
			lines: [
				{ dropId: demoId('drop', 'Ferry'), productId: LOAF_ID, pieces: null, expectedVersion: 1 }
			]
		});
		await stands(page, LOAF, '27');
		await page.waitForFunction(
			() => document.querySelector('[data-moved-recipe="Harbour dough"]') === null
		);
		for (const room of ['orders/standing', 'orders']) {
			await walk(bakery, `${DAY}/${room}`);
			await standsEachLook(page, room);
		}
		await visit(bakery, `${DAY}/doughs/stock`);
		await says(page, '[data-room-sentence]', 'Bread flour runs out on Fri 27 Nov');
		await weighOnScale(bakery);
		await walkSour(bakery);
		await standsEachLook(page, 'the culture');
	},
	AFTERNOON
);

/** How the levain of the date is named, with the weight its page told. */
async function levainOf({ database }: Bakery) {
	const { input } = await readPlan(database.db, TOMORROW);
	const build = input.builds.find(({ preparationId }) => preparationId === LEVAIN);
	assert.ok(build);
	return {
		kind: 'planned-preparation' as const,
		date: TOMORROW,
		preparationId: build.preparationId,
		ordinal: build.ordinal,
		revisionId: build.revisionId,
		grams: build.grams
	};
}
