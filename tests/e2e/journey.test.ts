import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { FERRY, LOAF as LOAF_ID, TOMORROW } from '../integration/test-database.ts';
import {
	AFTERNOON,
	byName,
	journey,
	leaveSlip,
	says,
	sendBeside,
	search,
	SIZES,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { open } from './hot-night.ts';

const DAY = '/bake/2026-11-24';
const sentence = '[data-room-sentence]';
const LOAF = 'Harbour loaf, Ferry, pieces';

/** What is ordered for the day, as the database has it: pieces, and dough in them. */
async function orderedIn({ database }: Bakery): Promise<{ pieces: number; kilograms: number }> {
	const { cells, products } = await readOrders(database.db, TOMORROW);
	let [pieces, grams] = [0, 0];
	for (const cell of cells) {
		const weight = products.find((product) => product.id === cell.productId)?.scaledGrams ?? 0;
		pieces += cell.pieces;
		grams += cell.pieces * weight;
	}
	return { pieces, kilograms: grams / 1000 };
}
const told = ({ pieces, kilograms }: { pieces: number; kilograms: number }) =>
	[`${pieces} pieces`, `${kilograms.toFixed(2)} kg`] as const;
const valueOf = (page: Page, label: string) =>
	page.$eval(`input[aria-label="${label}"]`, (element) => element.value);
async function acceptPlan(bakery: Bakery): Promise<void> {
	await visit(bakery, `${DAY}/plan`);
	await says(bakery.page, sentence, 'All 3 drops hold');
	await (await byName(bakery.page, 'button', 'Accept this plan')).click();
	await bakery.page.waitForSelector('[data-accepted]');
	await says(bakery.page, 'main', 'Version 1, accepted by Maud Tarrow');
}

journey(
	'the door leads to the orders of tomorrow, with the bakery clock in the frame',
	async (bakery) => {
		await visit(bakery, '/');
		assert.equal(new URL(bakery.page.url()).pathname, `${DAY}/orders`);
		await says(bakery.page, '[data-bakery-clock]', '14:0');
		await says(bakery.page, sentence, 'for 3 drops', ...told(await orderedIn(bakery)));
	},
	AFTERNOON,
	'nothing'
);

journey(
	'1 orders: a number is changed, saved, and the totals follow as pieces and as dough',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const before = await orderedIn(bakery);
		const loaves = Number(await valueOf(page, LOAF));
		await type(page, LOAF, String(loaves + 3));
		const after = { pieces: before.pieces + 3, kilograms: before.kilograms + 3 * 0.9 };
		await says(page, sentence, ...told(after));
		await says(page, '[data-total-pieces]', String(after.pieces));
		await page.waitForSelector(`input[aria-label="${LOAF}"][data-state=saved]`);
		await page.reload();
		await says(page, sentence, ...told(after));
		const roll = 'Deck roll, School, pieces';
		const rolls = await valueOf(page, roll);
		const undoOnce = page.waitForResponse((answer) => answer.url().endsWith('/commands'));
		await type(page, roll, '72');
		await undoOnce;
		await (await byName(page, 'button', `Undo: Deck roll, 72 back to ${rolls}`)).click();
		await says(page, sentence, ...told(after));
		await page.waitForSelector(`input[aria-label="${roll}"][data-state=saved]`);
	}
);

journey(
	'1 orders: a negative number stays where it was typed, with what is wrong and the saved number',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const before = await orderedIn(bakery);
		const loaves = await valueOf(page, LOAF);
		const wrong = [
			'Harbour loaf, Ferry',
			'Below 0 pieces is not possible',
			`Saved is ${loaves}`
		] as const;
		await type(page, LOAF, '-4');
		await says(page, '[data-order-messages]', ...wrong);
		await says(page, sentence, ...told(before));
		await page.reload();
		await says(page, '[data-order-messages]', ...wrong);
		await (await byName(page, 'button', `Keep ${loaves}`)).click();
		await page.waitForFunction(
			() => document.querySelector('[data-order-messages]')?.textContent?.trim() === ''
		);
	}
);

journey(
	'2 doughs: each stage is weighed, and a number opens the arithmetic behind it',
	async (bakery) => {
		const { page } = bakery;
		await sendBeside(bakery, {
			kind: 'change-order',
			date: TOMORROW,
			dropId: FERRY,
			productId: LOAF_ID,
			pieces: 30,
			expectedVersion: 0
		});
		await visit(bakery, `${DAY}/doughs`);
		await says(page, '[data-ingredient="Bread flour"]', 'kg', 'Harbour dough', 'in 2 mixes');
		await page.click('[data-ingredient="Bread flour"] button');
		await says(
			page,
			'[data-orders-behind="Bread flour"]',
			'Ferry: 30 Harbour loaf',
			'School: 144 School bun'
		);
		await page.click('[data-ingredient="Bread flour"] button');
		await says(page, sentence, '4 formulas in 6 mixes', '5 pre-ferments and preparations');
		await says(page, '[data-dough="Harbour dough"] [data-mixes]', '2 ×', '26.77 kg');
		const row = await page.$eval(
			'[data-dough="Harbour dough"] tbody',
			(element) => element.textContent ?? ''
		);
		for (const line of ['Wheat levain', 'Seed soaker', 'Bread flour', 'held back', 'late'])
			assert.ok(row.includes(line), line);
		const figure = await page.$('[data-dough="Harbour dough"] tbody button');
		await figure?.click();
		const shown = await says(page, '[role=dialog]', 'Wheat levain', '× 32 %', 'bench scale');
		// 26 769.2 g of dough is 13 311.4 g of flour at 201.1 %, 4 259.6 g of levain.
		assert.ok(shown.includes('= 4259.6 g'), shown);
		const said = (
			await page.$$eval('[data-sentence]', (all) => all.map((element) => element.textContent ?? ''))
		).map((sentence) => sentence.replace(/[\u2009\s]+/g, ' '));
		assert.ok(
			said.some((sentence) => /× 32 % = /.test(sentence)),
			said.join(' | ')
		);
		await leaveSlip(page);
	}
);

journey(
	'2 doughs: each build and each mix prints as a weigh-up card on its own A4 page',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/doughs`);
		const file = path.join(process.env.JOVET_TEST_FAILURES ?? os.tmpdir(), 'weigh-up.pdf');
		await page.pdf({ path: file, preferCSSPageSize: true, printBackground: true });
		const pdf = readFileSync(file, 'latin1');
		assert.equal(pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length, 11, 'five builds and six mixes');
		const cards = await textOf(page, '[data-weigh-up-cards]');
		for (const words of [
			'Harbour dough, mix 2 of 2',
			'Wheat levain',
			'Allergens: gluten',
			'egg, gluten, milk',
			'mixed at'
		])
			assert.ok(cards.includes(words), words);
	}
);

journey(
	'3 water: typed temperatures move the water of each mix, and a warm tap brings ice',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/water`);
		await says(page, sentence, 'None of 6 mixes needs ice', 'every target can be reached');
		await open(page, 'School bun dough');
		// A tap that runs as the dough wants it needs no blend.
		const wanted = Number(await textOf(page, '[data-water-temperature]'));
		await type(page, 'Cold tap', (wanted - 0.6).toFixed(1));
		await says(page, '[data-plain-tap]', 'The plain cold tap does', 'with water at');
		await type(page, 'Cold tap', '12');
		await page.waitForFunction(() => !document.querySelector('[data-plain-tap]'));
		await open(page, 'Harbour dough, mix 1 of 2');
		await page.click('input[name=school][value=factor-rule]');
		await says(page, '[data-schools] li:first-child', 'this bakery’s');
		const first = '[data-mix="Harbour dough, mix 1 of 2"]';
		const before = Number(await textOf(page, `${first} [data-water-temperature]`));
		await type(page, 'Room', '24');
		await page.waitForFunction(
			(selector, was) => Number(document.querySelector(selector)?.textContent) < was,
			{},
			`${first} [data-water-temperature]`,
			before
		);
		assert.ok(
			Math.abs(before - 1 - Number(await textOf(page, `${first} [data-water-temperature]`))) < 0.11
		);
		await type(page, 'Room', '26');
		await type(page, 'Flour', '24.5');
		await says(page, `${first} [data-water-sentence]`, '24.5');
		await type(page, 'Wheat levain', '27');
		await type(page, 'Cold tap', '17');
		await says(page, `${first}`, 'ice', 'tap at 17.0');
		await says(page, sentence, 'ice');
		const said = await textOf(page, first);
		const [, target, flour, room, levain, friction, water] =
			/4 × ([\d.]+) − \(([\d.]+) \+ ([\d.]+) \+ ([\d.]+) \+ ([\d.]+)\) = ([−\d.]+)/.exec(said) ??
			[];
		assert.deepEqual([target, flour, room, levain], ['25.0', '24.5', '26.0', '27.0']);
		assert.ok(
			Math.abs(100 - 24.5 - 26 - 27 - Number(friction) - Number(water?.replace('−', '-'))) < 0.11,
			said
		);
		await type(page, 'Room', 'warm');
		await says(page, 'body', '"warm" is not a number');
		await page.keyboard.press('Escape');
	}
);

journey(
	'4 plan: the night is planned with its hands and ovens, says why, and goes around what is held',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/plan`);
		await says(page, sentence, 'All 3 drops hold', 'to spare');
		await page.waitForFunction(
			() => !document.querySelector('[data-room-note]')?.textContent?.includes('Still looking')
		);
		const rows = await page.$$eval('svg [data-row]', (all) =>
			all.map((element) => element.getAttribute('data-row'))
		);
		assert.equal(rows.length, 8);
		assert.ok(rows.includes('Lantern rye tin'), 'the rye has its ribbon');
		assert.ok((await page.$$('svg [data-segment]')).length > 40, 'ribbons are drawn');
		for (const name of ['Maud Tarrow', 'Spiral mixer', 'Yard oven, Upper'])
			assert.ok(await page.$(`svg [data-house="${name}"]`), name);
		const list = await textOf(page, '[data-to-do]');
		for (const words of [
			'Mon 23 Nov',
			'Tue 24 Nov',
			'Mix Wheat levain',
			'Ilo Venn',
			'Fold Harbour dough, mix 1 of 2, fold 3 of 3',
			'Switch on',
			'Load Lantern rye tin',
			'Draw Harbour loaf',
			'Pack School bun'
		])
			assert.ok(list.includes(words), words);
		// The chance of each drop follows when the plan has been looked into.
		await says(page, '[data-drop=Ferry]', '05:10 Ferry', 'of such nights');
		const mixing = await page.waitForSelector(
			'::-p-xpath(//ol//button[contains(., "Mix Lantern rye")])'
		);
		await mixing?.click();
		await says(page, '[data-detail]', 'Spiral mixer', 'Why here', 'Not');
		await (await byName(page, 'button', 'Hold it here')).click();
		await says(page, '[data-wishes]', 'Mix Lantern rye at');
		await (await byName(page, 'button', '10 minutes sooner')).click();
		await page.waitForFunction(
			() => !document.querySelector('[data-room-note]')?.textContent?.includes('Still looking')
		);
		await (await byName(page, 'button', 'Undo')).click();
		await (await byName(page, 'button', 'Undo')).click();
		await page.waitForFunction(() => !document.querySelector('[data-wishes]'));
		// What was wished is there again after a reload.
		await (await byName(page, 'button', 'Hold it here')).click();
		await says(page, '[data-wishes]', 'Mix Lantern rye at');
		await page.reload();
		await says(page, '[data-wishes]', 'Mix Lantern rye at');
	}
);

journey(
	'4 plan: an oven is lost, the plan goes around it, and what moves is told before it is accepted',
	async (bakery) => {
		const { page } = bakery;
		await acceptPlan(bakery);
		await (await byName(page, 'button', 'What if')).click();
		await search(page, 'An oven or a deck is down', 'Yard oven, Upper', 'adds');
		await says(page, '[data-wishes]', 'Yard oven, Upper is down');
		await says(page, '[data-difference]', 'Against version 1');
		await says(page, '[data-room-note]', 'Proposed against version 1');
		await page.waitForFunction(
			() => !document.querySelector('[data-room-note]')?.textContent?.includes('Still looking')
		);
		const onDeck = await page.$$('[data-house="Yard oven, Upper"] rect');
		assert.equal(onDeck.length, 0, 'nothing goes into the deck that is down');
		// What only might be is looked at, and cannot be accepted.
		await search(page, 'The rooms are warmer or colder', '4 degrees warmer');
		await says(page, sentence, 'If the rooms are 4 degrees warmer');
		const accept = await byName(page, 'button', 'Accept this plan');
		assert.equal(await accept.evaluate((button) => button.hasAttribute('disabled')), true);
		await (await byName(page, 'button', 'Keep version 1')).click();
		await page.waitForSelector('[data-accepted]');
		await page.waitForFunction(() => !document.querySelector('[data-wishes]'));
	}
);

journey('4 plan: accepting keeps a version, and it is there after a restart', async (bakery) => {
	const { page } = bakery;
	const ordered = await orderedIn(bakery);
	await sendBeside(bakery, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius: 26,
		instrument: 'typed',
		correctsId: null
	});
	await acceptPlan(bakery);
	await bakery.stop();
	await bakery.start();
	await visit(bakery, `${DAY}/plan`);
	await says(page, 'main', 'Version 1, accepted by Maud Tarrow');
	await visit(bakery, `${DAY}/orders`);
	await says(page, sentence, ...told(ordered));
	await visit(bakery, `${DAY}/water`);
	await page.waitForFunction(
		() => (document.querySelector('[data-input=Room] input') as HTMLInputElement).value === '26.0'
	);
});

journey(
	'5 run sheet: the same plan on paper, large enough for busy hands, with the water of each mix',
	async (bakery) => {
		const { page } = bakery;
		await acceptPlan(bakery);
		await visit(bakery, `${DAY}/run-sheet`);
		await says(page, sentence, 'things to do for 3 drops');
		const sheet = await textOf(page, '[data-run-sheet]');
		for (const words of [
			'Run sheet · Tuesday',
			'24 November 2026',
			'05:10 Ferry',
			'Mix Wheat levain',
			'Draw Harbour loaf',
			'Maud Tarrow',
			'Water at ',
			'cold tap',
			'The site'
		])
			assert.ok(sheet.includes(words), words);
		await page.emulateMediaType('print');
		const file = path.join(process.env.JOVET_TEST_FAILURES ?? os.tmpdir(), 'run-sheet.pdf');
		await page.pdf({ path: file, preferCSSPageSize: true, printBackground: true });
		const pdf = readFileSync(file, 'latin1');
		const pages = pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
		assert.ok(pages >= 2 && pages <= 5, `${pages} pages`);
		const small = await page.evaluate(() => {
			const sizes = [...document.querySelectorAll('[data-run-sheet] .todo b')].map((element) =>
				Number.parseFloat(getComputedStyle(element).fontSize)
			);
			return Math.min(...sizes);
		});
		assert.ok(small >= 14.6, `11 pt and up, not ${small} px`);
		const [, width = '0', height = '0'] = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf) ?? [];
		assert.ok(Math.abs(Number(width) - 595) < 2 && Math.abs(Number(height) - 842) < 2, 'A4');
		await page.setViewport(SIZES.desk);
	}
);

journey(
	'an order changed afterwards marks the plan and the sheet as out of date',
	async (bakery) => {
		const { page } = bakery;
		await acceptPlan(bakery);
		await visit(bakery, `${DAY}/orders`);
		await type(page, 'School bun, School, pieces', '150');
		await page.waitForSelector('input[aria-label="School bun, School, pieces"][data-state=saved]');
		await (await byName(page, 'link', 'Run sheet')).click();
		await says(page, 'main', 'Out of date');
		await (await byName(page, 'link', 'Plan')).click();
		await says(page, 'main', 'changed since version 1');
	}
);
