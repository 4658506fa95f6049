import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { lettersIn, putLetters } from './letters.ts';
import { entryOf } from '../integration/entry-content.ts';
import {
	AFTERNOON,
	type Bakery,
	byName,
	journey,
	NIGHT,
	says,
	sendBeside,
	textOf,
	type,
	visit
} from './bakery.ts';

const DAY = '/bake/2026-11-24';
const HARBOUR_1 = 'Harbour dough, mix 1 of 2';
const HARBOUR_2 = 'Harbour dough, mix 2 of 2';
const LOAF_FERRY = 'Harbour loaf, Ferry, pieces';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();
const ctrl = async (page: Page, key: 'KeyZ' | 'KeyY') => {
	await page.keyboard.down('Control');
	await page.keyboard.press(key);
	await page.keyboard.up('Control');
};
const cell = (label: string, state: string) => `input[aria-label="${label}"][data-state=${state}]`;
const valueOf = (page: Page, label: string) =>
	page.$eval(`input[aria-label="${label}"]`, (element) => element.value);
const holds = (page: Page, label: string, value: string, state = 'saved') =>
	page.waitForFunction(
		(selector, wanted) => document.querySelector<HTMLInputElement>(selector)?.value === wanted,
		{},
		cell(label, state),
		value
	);

journey(
	'in the order grid Ctrl+Z takes back whole numbers, and Ctrl+Y puts them again',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const before = await valueOf(page, LOAF_FERRY);
		await type(page, LOAF_FERRY, '31');
		await ctrl(page, 'KeyZ');
		await holds(page, LOAF_FERRY, before);
		await ctrl(page, 'KeyY');
		await holds(page, LOAF_FERRY, '31');
		// Typing that was not given on yet is the field's own.
		await (await byName(page, 'textbox', LOAF_FERRY)).focus();
		await page.keyboard.type('5');
		await ctrl(page, 'KeyZ');
		await holds(page, LOAF_FERRY, '31');
		await page.reload();
		await holds(page, LOAF_FERRY, '31');
	}
);

/** Another baker puts the ferry's loaves at a number, over a version of the line. */
const orderBeside = (bakery: Bakery, pieces: number, expectedVersion: number) =>
	sendBeside(bakery, {
		kind: 'change-order',
		date: '2026-11-24' as BakeDate,
		dropId: demoId('drop', 'Ferry'),
		productId: demoId('product', 'Harbour loaf'),
		pieces,
		expectedVersion
	});

journey('a step back does not go over what somebody else saved since', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, `${DAY}/orders`);
	await type(page, LOAF_FERRY, '31');
	await page.waitForSelector(cell(LOAF_FERRY, 'saved'));
	await orderBeside(bakery, 44, 1);
	await holds(page, LOAF_FERRY, '44');
	await ctrl(page, 'KeyZ');
	await says(page, '[data-order-messages]', 'changed since');
	assert.equal(await valueOf(page, LOAF_FERRY), '44');
});

journey(
	"other people's orders arrive on an open page, and typing stays as it is",
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const sentence = await textOf(page, '[data-room-sentence]');
		const roll = 'Deck roll, School, pieces';
		await (await byName(page, 'textbox', roll)).focus();
		await page.keyboard.type('7');
		await orderBeside(bakery, 61, 0);
		await holds(page, LOAF_FERRY, '61');
		assert.equal(await valueOf(page, roll), '7');
		assert.notEqual(await textOf(page, '[data-room-sentence]'), sentence);
	}
);

journey('in the formula sheet Ctrl+Z right after Enter takes the number back', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, `${DAY}/formulas/${demoId('formula', 'Harbour dough')}`);
	const salt = 'Salt, late, final dough';
	const before = await valueOf(page, salt);
	await type(page, salt, '2.5');
	await says(page, 'main', 'Changed, not saved yet');
	await ctrl(page, 'KeyZ');
	await page.waitForFunction(() => !document.body.textContent?.includes('Changed, not saved yet'));
	assert.equal(await valueOf(page, salt), before);
	await ctrl(page, 'KeyY');
	await says(page, 'main', 'Changed, not saved yet');
	assert.equal(await valueOf(page, salt), '2.50');
});

journey(
	'an earlier revision is made the newest again, and undoing it leaves all as it was',
	async (bakery) => {
		const { page } = bakery;
		const address = `${DAY}/formulas/${demoId('formula', 'Harbour dough')}`;
		const salt = 'Salt, late, final dough';
		await visit(bakery, address);
		const first = await valueOf(page, salt);
		await type(page, salt, '2.5');
		await press(page, 'Save as revision 2');
		await says(page, '[data-room-sentence]', 'salt');
		await byName(page, 'button', 'Save as revision 3');
		await press(page, 'Put revision 1 on the sheet');
		await says(page, '[data-formula-message]', 'Revision 1 is on the sheet');
		assert.equal(await valueOf(page, salt), first);
		await press(page, 'Undo');
		assert.equal(await valueOf(page, salt), '2.50');
		await press(page, 'Redo');
		await press(page, 'Save as revision 3');
		await byName(page, 'button', 'Save as revision 4');
		assert.equal(await valueOf(page, salt), first);
		await page.reload();
		await byName(page, 'button', 'Save as revision 4');
		assert.equal(await valueOf(page, salt), first);
	}
);

journey(
	'a draft that was put on the sheet and undone is not set aside by the next save',
	async (bakery) => {
		const { page } = bakery;
		const formulaId = demoId('formula', 'Harbour dough');
		const address = `${DAY}/formulas/${formulaId}`;
		const salt = 'Salt, late, final dough';
		await visit(bakery, address);
		// A second tab saves first, so that this one's save stays beside it as a draft.
		const beside = await page.browserContext().newPage();
		await beside.goto(bakery.origin + address);
		await beside.waitForSelector('html[data-ready=yes]');
		await type(beside, salt, '2.3');
		await press(beside, 'Save as revision 2');
		await byName(beside, 'button', 'Save as revision 3');
		await beside.close();
		await page.bringToFront();
		await type(page, salt, '2.6');
		await press(page, 'Save as revision 2');
		await says(page, '[data-draft]', 'A draft stands beside this formula');
		await press(page, 'Put the draft on the sheet');
		await says(page, '[data-formula-message]', 'is on the sheet');
		await press(page, 'Undo');
		await type(page, salt, '2.4');
		await press(page, 'Save as revision 3');
		await byName(page, 'button', 'Save as revision 4');
		await says(page, '[data-draft]', 'A draft stands beside this formula');
		// Saved with the draft on the sheet, it is.
		await press(page, 'Put the draft on the sheet');
		await press(page, 'Save as revision 4');
		await byName(page, 'button', 'Save as revision 5');
		await page.waitForFunction(() => !document.querySelector('[data-draft]'));
		assert.equal(await valueOf(page, salt), '2.60');
	}
);

journey(
	'what is measured while the server is away is kept over other mixes and pages, and sends itself',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/water`);
		const open = async (title: string) => {
			await page.click(`[data-row="${title}"]`);
			await page.waitForSelector(`[data-mix="${title}"]`);
		};
		await open(HARBOUR_1);
		await bakery.stop();
		await type(page, `${HARBOUR_1}, dough came out at`, '24.8');
		await says(page, '[data-outbox]', 'One entry waits', `${HARBOUR_1}: it came out at 24.8 °C`);
		await open(HARBOUR_2);
		await type(page, `${HARBOUR_2}, dough came out at`, '25.3');
		await says(page, '[data-outbox]', '2 entries wait', `${HARBOUR_2}: it came out at 25.3 °C`);
		// A way to another room does not lead to a broken page.
		await (await byName(page, 'link', 'Day')).click();
		await says(page, '[data-not-live]', 'this one stays');
		assert.match(page.url(), /\/water$/);
		// What is left of this page is what the browser keeps.
		assert.equal((await lettersIn(page)).length, 2);
		await bakery.start();
		await page.waitForFunction(() => !document.querySelector('[data-outbox], [data-not-live]'));
		await says(page, '[data-measured]', 'Measured 25.3');
		await open(HARBOUR_1);
		await says(page, '[data-measured]', 'Measured 24.8');
		await (await byName(page, 'link', 'Fermentation')).click();
		await says(page, '[data-room-sentence]', '2 doughs ferment');
	},
	NIGHT
);

journey(
	'what waits outlives its page, goes to the server in order, and is told when it is refused',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/water`);
		await page.click(`[data-row="${HARBOUR_1}"]`);
		await page.waitForSelector(`[data-mix="${HARBOUR_1}"]`);
		await bakery.stop();
		await type(page, `${HARBOUR_1}, dough came out at`, '24.8');
		await says(page, '[data-outbox]', 'One entry waits');
		// Beside it, an entry of a mix that is of no recipe of this bakery.
		const [letter] = await lettersIn(page);
		assert.ok(letter);
		const batch = {
			...(letter.draft.batch as object),
			formulaId: randomUUID(),
			revisionId: randomUUID()
		};
		await putLetters(page, [
			{
				...letter,
				id: randomUUID(),
				place: letter.place + 1,
				what: 'A mix of nothing',
				draft: { ...letter.draft, batch }
			}
		]);
		await page.close();
		await bakery.start();
		const next = await bakery.reopen();
		await next.goto(`${bakery.origin}${DAY}/water`);
		await says(next, '[data-outbox]', 'A mix of nothing', 'Not taken');
		const outbox = await textOf(next, '[data-outbox]');
		assert.ok(!outbox.includes('24.8'), outbox);
		await press(next, 'Seen');
		await next.waitForFunction(() => !document.querySelector('[data-outbox]'));
		await next.click(`[data-row="${HARBOUR_1}"]`);
		await says(next, '[data-measured]', 'Measured 24.8');
	},
	NIGHT
);

journey(
	'a server that goes in the moment in which a page is read anew takes nothing of the page with it',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/water`);
		await page.click(`[data-row="${HARBOUR_1}"]`);
		await page.waitForSelector(`[data-mix="${HARBOUR_1}"]`);
		let unanswered = 0;
		await page.setRequestInterception(true);
		page.on('request', (request) => {
			if (!request.url().includes('__data.json') || unanswered === 2)
				return void request.continue();
			unanswered += 1;
			return unanswered === 1
				? void request.abort('connectionrefused')
				: void request.respond({ status: 503, body: 'nobody here' });
		});
		await type(page, `${HARBOUR_1}, dough came out at`, '24.8');
		await says(page, '[data-measured]', 'Measured 24.8');
		assert.equal(unanswered, 2, 'the page was read anew while nobody answered');
	},
	NIGHT
);

journey(
	'a choice made while the server is away sends itself, and what was said of it goes',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/water`);
		await bakery.stop();
		await page.click('input[name=school][value=base-temperature]');
		await says(page, 'main', 'Not saved yet: Jovet does not answer');
		await bakery.start();
		await page.waitForFunction(() => !document.body.textContent?.includes('Jovet does not answer'));
		await says(page, '[data-schools] li:nth-child(2)', 'this bakery’s');
	}
);

journey(
	'a drop that goes on this day from now on arrives while orders are typed, and takes numbers',
	async (bakery) => {
		const { page, database } = bakery;
		await visit(bakery, '/bake/2026-11-24/orders');
		await says(page, 'main', 'Not on this weekday: Noon ferry');
		const noon = await entryOf(database.db, 'drop', 'Noon ferry');
		await sendBeside(bakery, {
			...noon,
			content: { ...noon.content, weekdays: [1, 2, 3, 4, 5, 6, 7] }
		} as typeof noon);
		await says(page, 'table.orders thead', 'Noon ferry');
		await type(page, 'Harbour loaf, Noon ferry, pieces', '5');
		await page.waitForSelector(
			'input[aria-label="Harbour loaf, Noon ferry, pieces"][data-state=saved]'
		);
		await says(page, '[data-room-sentence]', '4 drops');
		assert.deepEqual(bakery.complaints, []);
	},
	AFTERNOON
);
