import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import assert from 'node:assert/strict';
import axe from 'axe-core';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import { startApplication } from '../../scripts/parts/application.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { testDatabase, type TestDatabase } from '../integration/test-database.ts';

/** The built application on a database of its own, and a browser that looks at it. */
export interface Bakery {
	readonly origin: string;
	readonly page: Page;
	readonly database: TestDatabase;
	/** Stops the application and starts it again on the same data. */
	readonly restart: () => Promise<void>;
	readonly close: () => Promise<void>;
	/** What the browser complained about. */
	readonly complaints: readonly string[];
}

export const SIZES = { desk: { width: 1280, height: 800 }, tablet: { width: 1024, height: 768 } };

/** Opens the bakery at a fixed moment: Monday 23 November 2026, 14:05 on its wall. */
export async function openBakery(at = '2026-11-23T14:05'): Promise<Bakery> {
	const chromium = process.env.JOVET_CHROMIUM;
	if (!chromium) throw new Error('JOVET_CHROMIUM is not set; run the tests with "npm test"');
	const database = await testDatabase('empty');
	const port = await freePort(0);
	const start = () =>
		startApplication({
			port,
			databaseUrl: database.url,
			env: { JOVET_DEMO: 'saltmarrow', JOVET_DEMO_AT: at },
			quiet: true
		});
	let application = await start();
	const profile = mkdtempSync(path.join(os.tmpdir(), 'jovet-browser-'));
	const browser: Browser = await puppeteer.launch({
		executablePath: chromium,
		userDataDir: profile,
		args: [
			...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync'
		]
	});
	const page = await browser.newPage();
	await page.setViewport(SIZES.desk);
	page.setDefaultTimeout(60_000);
	const complaints: string[] = [];
	page.on('pageerror', (error) => complaints.push(String(error)));
	page.on('console', (message) => {
		// A refused or unreachable command is told to the baker; the browser logs it as well.
		if (message.type() === 'error' && !/Failed to load resource/.test(message.text()))
			complaints.push(message.text());
	});
	return {
		origin: application.origin,
		page,
		database,
		complaints,
		restart: async () => {
			await application.stop();
			application = await start();
		},
		close: async () => {
			await browser.close();
			await application.stop();
			await database.drop();
			rmSync(profile, { recursive: true, force: true });
		}
	};
}

/** Goes to an address and waits until the page answers to hands. */
export async function visit(bakery: Bakery, address: string): Promise<void> {
	await bakery.page.goto(`${bakery.origin}${address}`);
	await bakery.page.waitForSelector('html[data-ready=yes]');
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
			(one, all) => {
				const text = (document.querySelector(one)?.textContent ?? '').replace(/\s+/g, ' ');
				return all.every((word) => text.includes(word));
			},
			{},
			selector,
			words
		);
	} catch {
		const text = await page.$eval(selector, (one) => one.textContent).catch(() => 'nothing there');
		assert.fail(`${selector} says "${text}", not ${words.join(', ')}`);
	}
	return textOf(page, selector);
}

export async function textOf(page: Page, selector: string): Promise<string> {
	return page.$eval(selector, (one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim());
}

/** Opens an entry of the list beside the book by its name. */
export async function openInList(page: Page, name: string): Promise<void> {
	await page.waitForSelector('nav[aria-label="The book"]');
	const href = await page.$$eval(
		'nav[aria-label="The book"] a',
		(all, wanted) =>
			all.find((one) => one.querySelector('b')?.textContent === wanted)?.getAttribute('href') ?? '',
		name
	);
	assert.notEqual(href, '', `"${name}" is in the list`);
	await page.click(`nav[aria-label="The book"] a[href="${href}"]`);
	await page.waitForSelector(`nav[aria-label="The book"] a[href="${href}"][aria-current=page]`);
}

/** Chooses an option of a select by what it says; waits until it is there. */
export async function choose(page: Page, label: string, text: string): Promise<void> {
	const selector = `select[aria-label="${label}"]`;
	await page.waitForFunction(
		(one, wanted) =>
			[...document.querySelectorAll(`${one} option`)].some((option) =>
				option.textContent?.includes(wanted)
			),
		{},
		selector,
		text
	);
	const value = await page.$$eval(
		`${selector} option`,
		(all, wanted) =>
			all.find((one) => one.textContent?.includes(wanted))?.getAttribute('value') ?? '',
		text
	);
	await page.select(selector, value);
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

/** Serious accessibility faults of the page as it stands, by axe-core. */
export async function accessibilityFaults(page: Page): Promise<string[]> {
	await page.evaluate(axe.source);
	return page.evaluate(async () => {
		const { axe: check } = window as unknown as {
			axe: {
				run: () => Promise<{
					violations: {
						id: string;
						impact: string;
						nodes: { target: string[]; failureSummary: string }[];
					}[];
				}>;
			};
		};
		const { violations } = await check.run();
		return violations
			.filter((one) => one.impact === 'serious' || one.impact === 'critical')
			.flatMap((one) =>
				one.nodes.map((node) => `${one.id}: ${node.target.join(' ')} ${node.failureSummary}`)
			);
	});
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
		writeFileSync(`${file}.html`, html);
		throw error;
	}
}
