import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import {
	accessibilityFaults,
	byName,
	choose,
	openBakery,
	says,
	SIZES,
	textOf,
	type,
	visit,
	withPicture,
	type Bakery
} from './bakery.ts';

let bakery: Bakery;
before(async () => {
	bakery = await openBakery('2026-11-23T20:40');
});
after(() => bakery.close());

const step = (name: string, task: (page: Page) => Promise<void>): void =>
	void test(name, () => withPicture(bakery, name, () => task(bakery.page)));
const sentence = '[data-room-sentence]';
const rye = '[data-mix="Lantern rye"]';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();

step(
	'on a hot night the room says which mixes need ice and which cannot be reached with it',
	async (page) => {
		await visit(bakery, '/bake/2026-11-24/water');
		for (const [input, celsius] of [
			['Room', '31'],
			['Flour', '29'],
			['Cold tap', '19']
		] as const) {
			await type(page, input, celsius);
			await page.waitForFunction(
				(name) =>
					[...document.querySelectorAll('label')]
						.find((one) => one.textContent === name)
						?.parentElement?.textContent?.includes('measured') ?? false,
				{},
				input
			);
		}
		await page.click('input[name=school][value=heat-balance]');
		await says(page, `${rye} [data-schools] li:nth-child(3)`, 'Heat balance', 'this bakery’s');
		await says(page, sentence, 'cannot be reached', 'need ice');
		// The sentence and the mixes tell one and the same story.
		const missed = await page.$$eval(
			'[data-mix]',
			(all) => all.filter((one) => one.textContent?.includes('Out of reach')).length
		);
		assert.ok(missed >= 1);
		await says(page, sentence, `${missed} of 6 mixes`);
		// The rye is mixed warm: it can be had.
		assert.ok(!(await textOf(page, rye)).includes('Out of reach'));
	}
);

step('each way out is named with what it takes and what it costs', async (page) => {
	const ways = await page.$$eval('[data-ways-out]', (all) =>
		all.map((one) => (one.textContent ?? '').replace(/\s+/g, ' '))
	);
	assert.ok(ways.length > 0);
	for (const text of ways) {
		assert.match(text, /of ice, as flakes/);
		assert.match(text, /Bread flour [\d.]+ °C colder/);
		assert.match(text, /Let it come out at [\d.]+ °C/);
	}
	assert.ok(ways.some((text) => /its bulk is ripe after/.test(text)));
});

step('the three schools stand side by side and say why they differ', async (page) => {
	await says(page, '[data-schools]', 'Factor rule', 'Base temperature', 'Heat balance', 'base ');
	await says(page, '[data-schools]', 'weighs all parts alike');
	const name = await page.$eval(
		`${rye} [data-schools] button:last-of-type`,
		(one) => one.getAttribute('aria-label') ?? ''
	);
	assert.match(name, /open the arithmetic/);
	await page.click(`${rye} [data-schools] li:nth-child(3) button`);
	await says(page, '[role=dialog]', 'Heat balance for Lantern rye', 'heat of friction', '÷');
	await page.keyboard.press('Escape');
	await page.waitForFunction(() => !document.querySelector('[role=dialog][data-state=open]'));
});

step(
	'measured doughs teach the friction, a wild one is left out, and any can be ignored',
	async (page) => {
		const friction = `${rye} [data-friction]`;
		await says(page, friction, 'from the book: nothing measured yet');
		const water = await textOf(page, `${rye} [data-water-temperature]`);
		for (const dough of ['29.2', '29.0', '29.3', '29.1']) {
			await type(page, 'Lantern rye, water went in at', '20', 'Tab');
			await type(page, 'Lantern rye, dough came out at', dough);
			await says(page, `${rye} [data-measured]`, `Measured ${dough}`);
		}
		await says(page, friction, 'learned from 4 mixes');
		assert.notEqual(await textOf(page, `${rye} [data-water-temperature]`), water);
		await type(page, 'Lantern rye, water went in at', '20', 'Tab');
		await type(page, 'Lantern rye, dough came out at', '38');
		await says(page, friction, 'learned from 4 mixes', 'was left out', 'too far from the others');
		await page.click(`${friction} [aria-expanded=false]`);
		await page.waitForSelector('[data-chart=drawn] svg');
		const first = await page.$(`${friction} li button`);
		assert.ok(first);
		await first.click();
		await says(page, friction, 'ignored', 'Count it');
		await press(page, 'Learn anew from the book');
		await says(page, friction, 'nothing measured yet');
	}
);

step('what cannot be a dough temperature is told, and a surface is marked', async (page) => {
	const form = `${rye} [data-measure]`;
	await page.click(`${form} button`);
	await says(page, form, 'Type the temperature the dough came out with');
	await type(page, 'Lantern rye, dough came out at', '99');
	await says(page, form, 'Above 60 °C is more than this takes');
	await choose(page, 'Lantern rye, measured with', 'a surface thermometer');
	await says(page, form, 'A surface is not the core');
	await type(page, 'Lantern rye, dough came out at', '28.4');
	await says(page, `${rye} [data-measured]`, 'Measured 28.4', 'on the surface');
});

step(
	'a measured dough tells when it is ripe, and what the cold would do to its morning',
	async (page) => {
		const harbour = '[data-mix="Harbour dough, mix 1 of 2"]';
		await type(page, 'Harbour dough, mix 1 of 2, dough came out at', '25');
		await says(
			page,
			`${harbour} [data-dough-card]`,
			'ripe at',
			'0 % of the way',
			'sent to the cold now'
		);
		const ripe = () => textOf(page, `${harbour} [data-dough-card] .ripe`);
		const before = await ripe();
		await type(page, 'Harbour dough, mix 1 of 2, dough came out at', '29');
		await page.waitForFunction(
			(one, was) => document.querySelector(one)?.textContent !== was,
			{},
			`${harbour} [data-dough-card] .ripe`,
			before
		);
		// The warmer dough is ripe earlier the same night; in the cold it lasts into the morning.
		assert.ok(minutesOf(await ripe()) < minutesOf(before), `${await ripe()} is before ${before}`);
		const cold = await textOf(page, `${harbour} [data-dough-card] li:first-child b`);
		assert.match(cold, /ripe Tue 24 Nov \d\d:\d\d/);
	}
);

/** Minutes since noon of a time of this night, with or without its day in front. */
function minutesOf(text: string): number {
	const [, hours = '0', minutes = '0'] = /(\d\d):(\d\d)$/.exec(text) ?? [];
	return ((Number(hours) + 12) % 24) * 60 + Number(minutes);
}

step('the room passes the accessibility check and fits both screens', async (page) => {
	for (const [appearance, size] of [
		['paper', SIZES.desk],
		['ember', SIZES.tablet]
	] as const) {
		await page.setViewport(size);
		await page
			.browserContext()
			.setCookie({ name: 'appearance', value: appearance, domain: '127.0.0.1', path: '/' });
		await visit(bakery, '/bake/2026-11-24/water');
		await says(page, 'main', 'Water by the');
		assert.deepEqual(await accessibilityFaults(page), []);
		assert.ok(
			await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
			`fits ${size.width}`
		);
	}
});
