import assert from 'node:assert/strict';
import { TargetType, type CDPSession, type Page } from 'puppeteer-core';
import { makePairingCode } from '../../src/lib/server/auth/tablets.ts';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';
import { byName, SIZES, type Bakery } from './bakery.ts';

/** A tablet on a shelf: a browser of its own, paired, whose network can be cut. */
export interface Tablet {
	readonly page: Page;
	/** Puts it into somebody's hands; by the code where it is asked for. */
	readonly takeUp: (name: string) => Promise<void>;
	readonly cut: () => Promise<void>;
	readonly mend: () => Promise<void>;
	/** Lets its clock show so much more than it is. */
	readonly later: (ms: number) => Promise<void>;
	readonly close: () => Promise<void>;
}

const NETWORK = { latency: 0, downloadThroughput: -1, uploadThroughput: -1 };

/** Pairs a tablet by a code that was made for it. */
export async function pairedTablet(bakery: Bakery, name: string): Promise<Tablet> {
	const { page: desk, origin, database } = bakery;
	const wanted = { name, kind: 'tablet', opensAt: '' } as const;
	const code = await makePairingCode(database.db, wanted, null, Date.now());
	const context = await desk.browser().createBrowserContext();
	const page = await context.newPage();
	page.setDefaultTimeout(60_000);
	await page.setViewport(SIZES.tablet);
	await page.evaluateOnNewDocument(() => {
		const real = Date.now.bind(Date);
		Date.now = () => real() + Number(localStorage.getItem('test.later-ms') ?? 0);
	});
	await page.goto(`${origin}/pair/${code}`);
	await page.waitForSelector('html[data-ready=yes]');
	await (await byName(page, 'button', 'Pair this browser')).click();
	await page.waitForSelector('[data-hand]');

	/** The network of the service worker is another than that of its pages. */
	let worker: CDPSession | null = null;
	const setOffline = async (offline: boolean) => {
		const target = context.targets().find((one) => one.type() === TargetType.SERVICE_WORKER);
		assert.ok(target, 'there is a service worker');
		worker ??= await target.createCDPSession();
		await worker.send('Network.enable');
		await worker.send('Network.emulateNetworkConditions', { ...NETWORK, offline });
		await page.setOfflineMode(offline);
	};
	return {
		page,
		takeUp: async (person) => {
			await page.bringToFront();
			await (await page.waitForSelector('[data-signed-in]'))!.click();
			await (await page.waitForSelector(`[data-hands] button ::-p-text(${person})`))!.click();
			// Without a code the page goes on at once: what it shows is asked in one breath, in whichever page is there.
			const next = await page.waitForFunction(
				(person) => {
					if (document.querySelector(`[data-hands] form[aria-label="Code of ${person}"]`))
						return 'code';
					const by = document.querySelector('[data-signed-in]')?.textContent ?? '';
					return by.includes(person) && 'signed in';
				},
				{},
				person
			);
			if ((await next.jsonValue()) !== 'code') return;
			const code = demoPeople().people.find((one) => one.name === person)?.code ?? '';
			for (const digit of code) await (await byName(page, 'button', digit)).click();
			await (await byName(page, 'button', 'Take it up')).click();
			await page.waitForSelector(`[data-signed-in] ::-p-text(${person})`);
		},
		cut: () => setOffline(true),
		mend: () => setOffline(false),
		later: (ms) => page.evaluate((ms) => localStorage.setItem('test.later-ms', String(ms)), ms),
		close: () => context.close()
	};
}

/** Waits until a page's data is kept in this browser. */
export async function isKeptHere(page: Page, path: string): Promise<void> {
	await page.waitForFunction(
		async (path) => (await caches.match(`${location.origin}${path}/__data.json`)) !== undefined,
		{ polling: 200 },
		path
	);
}
