import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import {
	AFTERNOON,
	byName,
	journey,
	PHONE,
	says,
	search,
	textOf,
	type,
	visit,
	walk,
	type Bakery
} from './bakery.ts';
import { accessibilityFaults, handFaults, standsEachLook } from './page-faults.ts';
import { TONIGHT } from './hot-night.ts';

const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();

/** Follows the way that the step which is next leads. */
async function follow(page: Page, step: string): Promise<void> {
	await page.waitForSelector(`[data-first-steps=${step}]`);
	await page.waitForSelector(`[data-go=${step}]`, { visible: true });
	await page.click(`[data-go=${step}]`);
}

/** Adds an entry on the page of its kind, filled in by `fill`. */
async function add(page: Page, what: string, name: string, fill: () => Promise<void>) {
	await page.waitForSelector('[data-entry=new]');
	await type(page, 'Name', name, 'Tab');
	await fill();
	await press(page, `Add the ${what}`);
	await page.waitForSelector(`[data-entry="${name}"]`);
}

async function beginBakery(bakery: Bakery): Promise<void> {
	const { page, database } = bakery;
	await visit(bakery, '/');
	await says(page, '[data-room-sentence]', 'There is no bakery here yet');
	await press(page, 'Begin the bakery');
	await says(page, '[role=alert]', 'Give the bakery a name');
	await type(page, 'What the bakery is called', 'Quay Oven', 'Tab');
	await type(page, 'Your own name', 'Wren Ashby', 'Tab');
	await search(page, 'Time zone', 'lisbon');
	await press(page, 'Begin the bakery');
	// Whoever begins it is signed in, and chooses with what to come in again.
	await says(page, '[data-room-sentence]', 'Wren Ashby, choose a password');
	await page.type('[data-you] input[name=wanted]', 'short');
	await press(page, 'Keep it');
	await says(page, '[data-you] [role=alert]', 'too short: at least 10');
	await page.type('[data-you] input[name=wanted]', 'an oven by the quay');
	await press(page, 'Keep it');
	await says(page, '[data-room-note]', 'Your new password is kept');
	await (await byName(page, 'link', 'Go on to the bakery')).click();
	await page.waitForSelector('[data-first-steps]');
	// From here on it is a Monday afternoon, whatever day it is.
	await setClock(database.db, demoClock(AFTERNOON, Date.now()));
	await visit(bakery, '/');
}

journey(
	'from nothing to a printed run sheet of a bakery of one’s own, led step by step',
	async (bakery) => {
		const { page } = bakery;
		await beginBakery(bakery);
		await says(page, '[data-room-sentence]', '6 steps are left to the first plan');

		await follow(page, 'ovens');
		await add(page, 'oven', 'Deck oven', async () => {
			for (let deck = 1; deck <= 3; deck += 1) await press(page, 'Add a deck');
			await page.waitForSelector('[data-deck="Deck 3"]');
		});
		await visit(bakery, `${TONIGHT}/bakery/mixers?entry=new`);
		await add(page, 'mixer', 'Spiral', async () => {
			await type(page, 'Least dough', '10', 'Tab');
			await type(page, 'Most dough', '30', 'Tab');
		});
		await visit(bakery, `${TONIGHT}/bakery/people`);
		await press(page, 'Monday to Friday');
		await page.waitForSelector('[data-shift="5"]');
		await press(page, 'Save');
		await says(page, 'ul[aria-label=People]', 'works Mon to Fri');
		await (await byName(page, 'link', 'Add a person')).click();
		await add(page, 'person', 'Tamsin Reed', () => press(page, 'Monday to Friday'));

		await visit(bakery, `${TONIGHT}/bakery`);
		await follow(page, 'drops');
		await add(page, 'drop', 'Shop', () => type(page, 'Due', '8', 'Tab'));
		await (await byName(page, 'link', 'Add a drop')).click();
		await add(page, 'drop', 'Café', async () => {
			await type(page, 'Due', '915', 'Tab');
			await type(page, 'The road', '20', 'Tab');
			await says(page, '[data-ready-by]', 'packed by 08:55');
		});

		await visit(bakery, `${TONIGHT}/bakery`);
		await follow(page, 'formula');
		await page.waitForSelector('[data-starter=hearth]');
		await press(page, 'Begin with it: White dough');
		await says(page, '[data-room-sentence]', 'White dough');
		// The next one begins beside it.
		await page.click('nav[aria-label="The book"] details summary');
		await press(page, 'Begin with it: Soft bun dough');
		await says(page, '[data-room-sentence]', 'Soft bun dough');

		await visit(bakery, `${TONIGHT}/bakery`);
		await follow(page, 'orders');
		await type(page, 'White hearth loaf, Shop, pieces', '40');
		await type(page, 'White hearth loaf, Café, pieces', '12');
		await type(page, 'Soft bun, Café, pieces', '144');
		await says(page, '[data-room-sentence]', '196 pieces for 2 drops');

		await visit(bakery, `${TONIGHT}/doughs`);
		await says(page, 'main', 'White dough', 'mix 1 of 2');
		await visit(bakery, `${TONIGHT}/bakery`);
		await follow(page, 'plan');
		await says(page, '[data-room-sentence]', 'drops hold');
		await press(page, 'Accept this plan');
		await page.waitForSelector('[data-accepted]');
		await visit(bakery, `${TONIGHT}/bakery`);
		await page.waitForSelector('[data-first-steps=done]');
		await says(page, '[data-room-sentence]', 'Quay Oven has all that a plan needs');

		await visit(bakery, `${TONIGHT}/run-sheet`);
		await says(
			page,
			'[data-run-sheet]',
			'Quay Oven',
			'08:00 Shop',
			'09:15 Café',
			'08:55 at the latest'
		);
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-print-'));
		try {
			const file = path.join(folder, 'run-sheet.pdf');
			await page.pdf({ path: file, preferCSSPageSize: true });
			const pages = readFileSync(file, 'latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
			assert.ok(pages >= 1 && pages <= 6, `${pages} pages`);
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
		assert.deepEqual(bakery.complaints, []);
	},
	AFTERNOON,
	'own'
);

journey(
	'empty pages say what they will show, and lead to what fills them',
	async (bakery) => {
		const { page } = bakery;
		await beginBakery(bakery);
		for (const [room, words] of [
			['orders', 'orders are for products'],
			['formulas', 'There is no formula in the book yet'],
			['doughs', 'no dough to make'],
			['plan', 'nothing to plan'],
			['water', 'no mix to find water for'],
			['fermentation', 'no dough to follow'],
			['ovens', 'no accepted plan'],
			['run-sheet', 'no accepted plan'],
			['bakery/ovens', 'There is no oven yet'],
			['bakery/drops', 'There is no drop yet'],
			['bakery/closed-days', 'No closed day is entered']
		] as const) {
			await walk(bakery, `${TONIGHT}/${room}`);
			await says(page, '[data-room-sentence]', words);
			assert.ok(await page.$('main a, main form'), `${room} leads on`);
			assert.deepEqual(await accessibilityFaults(page), [], room);
		}
	},
	AFTERNOON,
	'own'
);

journey(
	'an entry is changed, undone, saved for a later date, retired and brought back, and its history tells it',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/bakery/mixers`);
		await (await page.waitForSelector('a[href*="entry="] b::-p-text(Spiral mixer)'))?.click();
		await page.waitForSelector('[data-entry="Spiral mixer"]');
		await type(page, 'Most dough', '3', 'Tab');
		await says(page, '[data-entry-message]', 'its least is above its most');
		assert.equal(await isDisabled(await byName(page, 'button', 'Save')), true);
		await page.keyboard.down('Control');
		await page.keyboard.press('KeyZ');
		await page.keyboard.up('Control');
		await page.waitForFunction(
			() => !document.querySelector('[data-entry-message]')?.textContent?.trim()
		);
		await type(page, 'Most dough', '40', 'Tab');
		// What was typed outlives the page.
		await visit(bakery, `${TONIGHT}/bakery/mixers`);
		await (await page.waitForSelector('a[href*="entry="] b::-p-text(Spiral mixer)'))?.click();
		await page.waitForSelector('[data-entry="Spiral mixer"]');
		await says(page, '[data-entry-message]', 'Changed, not saved yet');
		await press(page, 'Save');
		await says(page, '[data-entry-history] summary', 'Saved 2 times');
		await says(page, '[data-entry-history]', 'Most dough: 32000 g to 40000 g', 'Maud Tarrow');
		await press(page, 'Retire Spiral mixer');
		await says(page, '[data-entry="Spiral mixer"]', 'Retired.');
		await says(page, '[data-room-sentence]', 'Mixers: 2 in use');
		await press(page, 'Bring Spiral mixer back');
		await says(page, '[data-room-sentence]', 'Mixers: 3 in use');
		assert.deepEqual(bakery.complaints, []);
	},
	AFTERNOON
);

journey(
	'a change that an accepted plan does not have is told at once, with the way to the plan',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/plan`);
		await says(page, '[data-room-sentence]', 'drops hold');
		await press(page, 'Accept this plan');
		await page.waitForSelector('[data-accepted]');
		await visit(bakery, `${TONIGHT}/bakery/ovens`);
		await page.waitForSelector('[data-entry="Harbour oven"]');
		await says(page, '[data-deck="Deck 1"] [data-pieces]', 'at once');
		await press(page, 'Add a deck');
		await page.waitForSelector('[data-deck="Deck 3"]');
		await press(page, 'Save');
		await says(page, '[data-plan-changed]', 'was made before this change');
		// By keyboard: the notice moves what stands below it while it comes.
		await page.focus('[data-plan-changed] a');
		await page.keyboard.press('Enter');
		await says(page, '[data-room-note]', 'changed since version 1');
	},
	AFTERNOON
);

journey(
	'closed days are read from a calendar, looked at first, and added once',
	async (bakery) => {
		const { page } = bakery;
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-calendar-'));
		try {
			const calendar = path.join(folder, 'holidays.ics');
			writeFileSync(
				calendar,
				[
					'BEGIN:VCALENDAR',
					'VERSION:2.0',
					'PRODID:-//Saltmarrow//Days//EN',
					'BEGIN:VEVENT',
					'SUMMARY:Midwinter',
					'DTSTART;VALUE=DATE:20261225',
					'DTEND;VALUE=DATE:20261227',
					'RRULE:FREQ=YEARLY',
					'END:VEVENT',
					'BEGIN:VEVENT',
					'SUMMARY:Regatta',
					'DTSTART;VALUE=DATE:20270612',
					'END:VEVENT',
					'BEGIN:VEVENT',
					'SUMMARY:Market',
					'DTSTART;VALUE=DATE:20261130',
					'RRULE:FREQ=WEEKLY',
					'END:VEVENT',
					'END:VCALENDAR',
					''
				].join('\r\n')
			);
			const nonsense = path.join(folder, 'nonsense.ics');
			writeFileSync(nonsense, 'no calendar at all');
			await visit(bakery, `${TONIGHT}/bakery/closed-days`);
			const upload = async (file: string) => {
				const input = await page.waitForSelector<'input'>('input[type=file]' as 'input');
				await input?.uploadFile(file);
			};
			await upload(nonsense);
			await says(page, '[data-calendar-message]', 'no iCalendar file');
			await upload(calendar);
			await says(page, '[data-calendar-days]', 'Midwinter', 'every year', 'Regatta');
			await says(
				page,
				'section[aria-label="From a calendar"]',
				'Event 3, Market repeats otherwise'
			);
			await page.click('[data-calendar-days] li:nth-child(3) input');
			await press(page, 'Add 2 closed days');
			await says(page, '[data-room-sentence]', 'Closed days: 2 in use');
			await visit(bakery, '/bake/2027-12-25/orders');
			await says(page, '[role=alert]', 'Closed', 'Midwinter');
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
	},
	AFTERNOON
);

journey(
	'the pages of the bakery pass the accessibility check, by day and night, at the desk, on the tablet and the phone',
	async (bakery) => {
		const { page } = bakery;
		const pages = [
			'',
			'/people',
			'/mixers',
			'/ovens',
			'/places',
			'/drops',
			'/customers',
			'/closed-days?entry=new',
			'/scales',
			'/dividers',
			'/sheeters',
			'/vessels',
			'/benches',
			'/water',
			'/devices'
		];
		for (const one of pages) {
			await walk(bakery, `${TONIGHT}/bakery${one}`);
			assert.match(await textOf(page, '[data-room-sentence]'), /./, one);
			await standsEachLook(page, one);
		}
		await page.setViewport(PHONE);
		for (const one of pages) {
			await walk(bakery, `${TONIGHT}/bakery${one}`);
			await standsEachLook(page, one, [{ appearance: 'paper', size: PHONE }]);
			assert.deepEqual(await handFaults(page), [], one);
		}
	},
	AFTERNOON
);

function isDisabled(button: ElementHandle): Promise<boolean> {
	return button.evaluate((element) => (element as HTMLButtonElement).disabled);
}
