import { after, test } from 'node:test';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import assert from 'node:assert/strict';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import './sure-clicks.ts';
import { browserOptions } from '../../scripts/parts/browser.mjs';
import { startApplication } from '../../scripts/parts/application.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import type {
	AnswerOf,
	CommandContent,
	CommandKind,
	CommandOutcome
} from '../../src/lib/contracts/commands.ts';
import { bakeryTime } from '../../src/lib/core/time/bakery-clock.ts';
import { loadClock, setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { SESSION_COOKIE, signedIn } from '../integration/signed-in.ts';
import { TOMORROW, testDatabase, type TestDatabase } from '../integration/test-database.ts';

/** A wait is one call to the browser, which is given up after so long whatever the wait says: longer than any does. */
const LONGEST_WAIT_MS = 600_000;

/** The built application on a database of its own, and a browser that looks at it. */
export interface Bakery {
	readonly origin: string;
	/** The session that its browser has: the head baker's. Empty where there is no bakery yet. */
	readonly cookie: string;
	readonly page: Page;
	/** Opens another page of the same browser, with what it kept. */
	readonly reopen: () => Promise<Page>;
	readonly database: TestDatabase;
	/** Stops the application; it can be started again on the same data. */
	readonly stop: () => Promise<void>;
	readonly start: () => Promise<void>;
	readonly close: () => Promise<void>;
	/** The end of what the application said. */
	readonly said: () => string;
	/** What the browser complained about. */
	readonly complaints: readonly string[];
}

export const SIZES = { desk: { width: 1280, height: 800 }, tablet: { width: 1024, height: 768 } };
/** A phone in the hand. */
export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true };

/** Monday 23 November 2026 on the bakery's wall: after the orders came in, and late at night. */
export const AFTERNOON = '2026-11-23T14:05';
export const NIGHT = '2026-11-23T22:40';

let browser: Promise<Browser> | null = null;
let profile = '';
after(async () => {
	await (await browser)?.close();
	if (profile !== '') rmSync(profile, { recursive: true, force: true });
});

/** One browser for all journeys of a file; each has a storage of its own in it. */
function openBrowser(): Promise<Browser> {
	const chromium = process.env.JOVET_CHROMIUM;
	if (!chromium) throw new Error('JOVET_CHROMIUM is not set; run the tests with "npm test"');
	profile = mkdtempSync(path.join(os.tmpdir(), 'jovet-browser-'));
	return puppeteer.launch({
		...browserOptions(chromium, profile),
		protocolTimeout: LONGEST_WAIT_MS
	});
}

/**
 * Opens the demo's bakery at a moment on its wall. `from` nothing lets the application itself load the demo
 * at its first start, as the README's command does; `own` leaves the database without a bakery.
 */
export async function openBakery(
	at = AFTERNOON,
	from: 'template' | 'nothing' | 'own' = 'template'
): Promise<Bakery> {
	const database = await testDatabase(from === 'template' ? 'demo' : 'empty');
	if (from === 'template') await setClock(database.db, demoClock(at, Date.now()));
	const port = await freePort(0);
	const run = () =>
		startApplication({
			port,
			databaseUrl: database.url,
			env: from === 'own' ? {} : { JOVET_DEMO: 'saltmarrow', JOVET_DEMO_AT: at },
			quiet: true
		});
	let application = await run();
	browser ??= openBrowser();
	const context = await (await browser).createBrowserContext();
	const token = from === 'own' ? null : await signedIn(database.db);
	if (token !== null)
		await context.setCookie({
			name: SESSION_COOKIE,
			value: token,
			domain: '127.0.0.1',
			path: '/',
			httpOnly: true
		});
	const complaints: string[] = [];
	/** Once the application was stopped, what could not be fetched is no fault. */
	let away = false;
	const openPage = async () => {
		const page = await context.newPage();
		await page.setViewport(SIZES.desk);
		page.setDefaultTimeout(60_000);
		// What the content security policy refuses is no error of the page unless it is said.
		await page.evaluateOnNewDocument(() =>
			document.addEventListener('securitypolicyviolation', (event) =>
				console.error(`refused: ${event.violatedDirective} in ${event.sourceFile}`)
			)
		);
		page.on('pageerror', (error) => {
			if (!away || !/Failed to fetch|Unable to preload/.test(String(error)))
				complaints.push(String(error));
		});
		page.on('console', (message) => {
			// A refused or unreachable command is told to the baker; the browser logs it as well.
			const text = message.text();
			if (message.type() !== 'error' || /Failed to load resource/.test(text)) return;
			if (!away || !/Failed to fetch|Unable to preload/.test(text)) complaints.push(text);
		});
		return page;
	};
	const page = await openPage();
	return {
		origin: application.origin,
		cookie: token === null ? '' : `${SESSION_COOKIE}=${token}`,
		page,
		reopen: openPage,
		database,
		complaints,
		said: () => application.said(),
		stop: async () => {
			away = true;
			await application.stop();
		},
		start: async () => {
			application = await run();
		},
		close: async () => {
			await context.close();
			await application.stop();
			await database.drop();
		}
	};
}

/** A baker's task from start to end, in a bakery of its own; what it needs to find there it makes itself. */
export function journey(
	name: string,
	task: (bakery: Bakery) => Promise<void>,
	...opened: Parameters<typeof openBakery>
): void {
	void test(name, async () => {
		const bakery = await openBakery(...opened);
		try {
			await withPicture(bakery, name, () => task(bakery));
		} finally {
			await bakery.close();
		}
	});
}

/** Sends a command as another baker's browser would, before or beside what the page does; some time ago, if told so. */
export async function sendBeside<K extends CommandKind>(
	{ origin, cookie, database }: Bakery,
	draft: { readonly kind: K } & CommandContent<K>,
	agoMs = 0
): Promise<AnswerOf<K>> {
	const clock = await loadClock(database.db);
	const occurredAtMs = Math.round(bakeryTime(clock, { epochMs: Date.now() }).epochMs) - agoMs;
	const answer = await fetch(`${origin}/commands`, {
		method: 'POST',
		headers: { 'content-type': 'application/json', origin, cookie },
		body: JSON.stringify({ ...draft, id: randomUUID(), occurredAtMs })
	});
	const outcome = (await answer.json()) as CommandOutcome<K>;
	if (outcome.outcome !== 'done') assert.fail(JSON.stringify(outcome));
	return outcome.answer;
}

/** Goes to an address and waits until the page answers to hands. */
export async function visit(bakery: Bakery, address: string): Promise<void> {
	await bakery.page.goto(`${bakery.origin}${address}`);
	await bakery.page.waitForSelector('html[data-ready=yes]');
}

/** Goes on to an address as a tap on a link does: the application stays loaded, and only what the page shows is fetched. */
export async function walk(bakery: Bakery, address: string): Promise<void> {
	const { page, origin } = bakery;
	if (!page.url().startsWith(origin)) return visit(bakery, address);
	await page.waitForSelector('html[data-ready=yes]');
	await page.evaluate(
		(href) =>
			new Promise((there) => {
				navigation?.addEventListener(
					'currententrychange',
					// What comes of it is drawn with the next frame but one at the latest.
					() => requestAnimationFrame(() => requestAnimationFrame(there)),
					{ once: true }
				);
				const link = document.createElement('a');
				link.href = href;
				document.body.append(link);
				link.click();
				link.remove();
			}),
		address
	);
}

/** The one element whose accessible name is this; waits for it. */
export async function byName(page: Page, role: string, name: string): Promise<ElementHandle> {
	const found = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`);
	assert.ok(found, `${role} "${name}"`);
	return found;
}

/** Waits until the text of an element holds all the words, then gives it. */
export async function says(page: Page, selector: string, ...words: string[]): Promise<string> {
	try {
		await page.waitForFunction(
			(selector, all) => {
				const text = (document.querySelector(selector)?.textContent ?? '').replace(/\s+/g, ' ');
				return all.every((word) => text.includes(word));
			},
			{},
			selector,
			words
		);
	} catch {
		const text = await page
			.$eval(selector, (element) => element.textContent)
			.catch(() => 'nothing there');
		assert.fail(`${selector} says "${text}", not ${words.join(', ')}`);
	}
	return textOf(page, selector);
}

export async function textOf(page: Page, selector: string): Promise<string> {
	return page.$eval(selector, (element) => (element.textContent ?? '').replace(/\s+/g, ' ').trim());
}

/** Opens an entry of the list beside the book by its name. */
export async function openInList(page: Page, name: string): Promise<void> {
	await page.waitForSelector('nav[aria-label="The book"]');
	const href = await page.$$eval(
		'nav[aria-label="The book"] a',
		(all, wanted) =>
			all
				.find((element) => element.querySelector('b')?.textContent === wanted)
				?.getAttribute('href') ?? '',
		name
	);
	assert.notEqual(href, '', `"${name}" is in the list`);
	await page.click(`nav[aria-label="The book"] a[href="${href}"]`);
	await page.waitForSelector(`nav[aria-label="The book"] a[href="${href}"][aria-current=page]`);
}

/** Opens something of a shelf of the book by its name. */
export async function openShelf(bakery: Bakery, shelf: string, name: string): Promise<void> {
	const { page } = bakery;
	await visit(bakery, `/bake/${TOMORROW}/formulas`);
	await (await byName(page, 'link', shelf)).click();
	await page.waitForFunction(
		(wanted) =>
			document.querySelector('nav[aria-label="The book"] [aria-current=true]')?.textContent ===
			wanted,
		{},
		shelf
	);
	await openInList(page, name);
}

/** Chooses an option of a select by what it says; waits until it is there. */
export async function choose(page: Page, label: string, text: string): Promise<void> {
	const selector = `select[aria-label="${label}"]`;
	await page.waitForFunction(
		(selector, wanted) =>
			[...document.querySelectorAll(`${selector} option`)].some((option) =>
				option.textContent?.includes(wanted)
			),
		{},
		selector,
		text
	);
	const value = await page.$$eval(
		`${selector} option`,
		(all, wanted) =>
			all.find((element) => element.textContent?.includes(wanted))?.getAttribute('value') ?? '',
		text
	);
	await page.select(selector, value);
}

/**
 * Searches a box of choices by some of its words and takes the first that has them. A box that adds something does
 * not keep it.
 */
export async function search(
	page: Page,
	label: string,
	words: string,
	adds: 'keeps' | 'adds' = 'keeps'
): Promise<void> {
	// What searches is fetched when the box is entered, and can take its place between finding and clicking it.
	await page.locator(`::-p-aria([name="${label}"][role="combobox"])`).click();
	await page.waitForSelector(`input[aria-label="${label}"][data-scope=combobox]:focus`);
	// What is typed takes the place of what is chosen.
	await page.keyboard.type(words);
	const item = '[data-part="item"][data-highlighted]';
	await page.waitForFunction(
		(item, words) =>
			document.querySelector(item)?.textContent?.toLowerCase().includes(words.toLowerCase()),
		{},
		item,
		words
	);
	const found = await page.$eval(
		`${item} [data-part="item-text"]`,
		(text) => text.textContent?.trim() ?? ''
	);
	await page.keyboard.press('Enter');
	if (adds === 'adds') return;
	await page.waitForFunction(
		(name, found) => {
			const box = document.querySelector<HTMLInputElement>(`input[aria-label="${name}"]`);
			return box?.value === found && box.getAttribute('aria-expanded') === 'false';
		},
		{},
		label,
		found
	);
}

/**
 * Leaves the open slip by its key. The slip hears keys only once it has taken the focus, a frame after it shows.
 */
export async function leaveSlip(page: Page): Promise<void> {
	await page.waitForFunction(() => document.activeElement?.closest('[role=dialog]'));
	await page.keyboard.press('Escape');
	await page.waitForFunction(() => !document.querySelector('[role=dialog][data-state=open]'));
}

/** What the printer would be given after a button: the text that shows on paper. */
export async function printed(page: Page, button: string): Promise<string> {
	await page.evaluate(() => {
		window.print = () => document.documentElement.setAttribute('data-printed', 'yes');
	});
	await (await byName(page, 'button', button)).click();
	await page.waitForSelector('html[data-printed=yes]');
	await page.evaluate(() => document.documentElement.removeAttribute('data-printed'));
	await page.emulateMediaType('print');
	const text = await page.evaluate(() => document.body.innerText.replace(/\s+/g, ' '));
	await page.emulateMediaType('screen');
	return text;
}

/** Puts text into a field as a hand would: choose it all, type, leave with a key. */
export async function type(
	page: Page,
	label: string,
	text: string,
	leaveWith: 'Enter' | 'Tab' = 'Enter'
): Promise<void> {
	const field = await byName(page, 'textbox', label);
	await field.focus();
	await page.keyboard.down('Control');
	await page.keyboard.press('KeyA');
	await page.keyboard.up('Control');
	if (text === '') await page.keyboard.press('Delete');
	else await page.keyboard.type(text);
	await page.keyboard.press(leaveWith);
}

/** Runs a task; when it fails, keeps a picture of what was on the screen outside the repository. */
export async function withPicture(
	bakery: Bakery,
	name: string,
	task: () => Promise<void>
): Promise<void> {
	try {
		await task();
		assert.deepEqual(bakery.complaints, [], 'the browser complained');
	} catch (error) {
		const folder = process.env.JOVET_TEST_FAILURES ?? os.tmpdir();
		const file = path.join(folder, name.replace(/\W+/g, '-'));
		await bakery.page.screenshot({ path: `${file}.png` }).catch(() => undefined);
		const html = await bakery.page.content().catch(() => '');
		writeFileSync(`${file}.log`, [bakery.said(), ...bakery.complaints].join('\n'));
		writeFileSync(`${file}.html`, html);
		throw error;
	}
}
