import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { SESSION_COOKIE, signedIn } from '../integration/signed-in.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { wallOf } from './at-the-bench.ts';
import { AFTERNOON, byName, journey, says, SIZES, textOf, visit, type Bakery } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { clockText } from '../../src/lib/wording/time-text.ts';

const { password: PASSWORD, people: PEOPLE } = demoPeople();
const codeOf = (name: string) => PEOPLE.find((one) => one.name === name)?.code ?? '';
const SENTENCE = '[data-room-sentence]';
const DOORS = `/bake/${TOMORROW}/bakery/doors`;
const press = async (page: Page, name: string) => {
	await page.bringToFront();
	await (await byName(page, 'button', name)).click();
};
const isAt = (page: Page, path: string) =>
	page.waitForFunction((path) => location.pathname === path, {}, path);

async function signIn(page: Page, name: string, password: string): Promise<void> {
	await page.bringToFront();
	await page.waitForSelector('[data-sign-in]');
	await page.waitForSelector('html[data-ready=yes]');
	for (const [field, text] of [
		['name', name],
		['password', password]
	] as const) {
		const input = await page.waitForSelector(
			`[data-sign-in] input[name=${field}]:not([type=hidden])`
		);
		await input!.click({ count: 3 });
		await input!.type(text);
	}
	await Promise.all([
		page.waitForResponse((answer) => answer.request().method() === 'POST'),
		press(page, 'Sign in')
	]);
	// What it said of an earlier try is what it says of this one only once it can be tried again.
	await page.waitForFunction(() => !document.querySelector('[data-sign-in] button:disabled'));
}

/** A browser of its own, with nothing in it. */
async function stranger({ page, origin }: Bakery, path: string): Promise<Page> {
	const context = await page.browser().createBrowserContext();
	const other = await context.newPage();
	other.setDefaultTimeout(60_000);
	await other.setViewport(SIZES.desk);
	await other.goto(`${origin}${path}`);
	await other.waitForSelector('html[data-ready=yes]');
	return other;
}

journey(
	'at a desk: the door leads on to where one was going, shows each role its own pages, and says who could',
	async (bakery) => {
		const { page: maud } = bakery;
		const wanted = `/bake/${TOMORROW}/doughs`;
		const page = await stranger(bakery, wanted);
		assert.equal(new URL(page.url()).pathname, '/sign-in');
		assert.deepEqual(await accessibilityFaults(page), []);
		assert.ok(!(await page.content()).includes('Harbour dough'), 'nothing of the bakery is told');
		await signIn(page, 'Wenna Tull', 'not the password');
		await says(page, '[data-sign-in] [role=alert]', 'That does not fit');
		await signIn(page, 'Nobody Here', PASSWORD);
		await says(page, '[data-sign-in] [role=alert]', 'That does not fit');
		await signIn(page, 'Wenna Tull', PASSWORD);
		await isAt(page, wanted);
		await says(page, '[data-signed-in]', 'Wenna Tull');
		// A packer is shown no way to the book, and is told whose it is by its address.
		assert.ok(!(await textOf(page, 'nav[aria-label=Pages]')).includes('House'));
		await page.goto(`${bakery.origin}/bake/${TOMORROW}/formulas`);
		await says(page, '[role=alert]', 'for a head baker, a baker or an oven hand', 'Wenna Tull');
		await page.goto(`${bakery.origin}${DOORS}`);
		await says(page, '[role=alert]', 'for a head baker');
		// What is written carries the name.
		await page.goto(`${bakery.origin}/bake/${TOMORROW}/orders`);
		await page.waitForSelector('html[data-ready=yes]');
		const cell = await page.waitForSelector('table input');
		await cell!.click({ count: 3 });
		await cell!.type('31');
		await page.keyboard.press('Enter');
		await page.waitForSelector('[data-undo-orders], button ::-p-text(Undo)');
		const { actor_id } = await bakery.database.db
			.selectFrom('command')
			.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
			.select(['actor_id', 'bakery_entry.name'])
			.where('command.kind', 'in', ['change-order', 'change-orders'])
			.where('bakery_entry.name', '=', 'Wenna Tull')
			.executeTakeFirstOrThrow();
		assert.ok(actor_id);

		// The head baker sees that session and ends it; the open page is led to the door, and back after it.
		await visit(bakery, DOORS);
		await says(maud, SENTENCE, 'Everybody who works here can sign in');
		assert.deepEqual(await accessibilityFaults(maud), []);
		await maud.waitForSelector('[data-sessions] tr ::-p-text(Wenna Tull)');
		await maud.$$eval('[data-sessions] tr', (rows) =>
			rows
				.find((row) => row.textContent.includes('Wenna Tull'))
				?.querySelector('button')
				?.click()
		);
		await says(maud, '[data-door-entries]', 'Wenna Tull was signed out by Maud Tarrow');
		await page.bringToFront();
		await isAt(page, '/sign-in');

		// Wenna has forgotten the password: a key is made, shown once, and chooses another.
		await maud.bringToFront();
		const person = await maud.waitForSelector('[data-person="Wenna Tull"] button');
		await person!.click();
		const address = await textOf(maud, '[data-made-key] code').catch(async () => {
			await maud.waitForSelector('[data-made-key]');
			return textOf(maud, '[data-made-key] code');
		});
		assert.deepEqual(await accessibilityFaults(maud), []);
		await page.bringToFront();
		await page.goto(address.trim());
		await says(page, SENTENCE, 'Wenna Tull, choose your password');
		await page.waitForSelector('html[data-ready=yes]');
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.type('input[name=wanted]', 'boxes by the back door');
		await press(page, 'Keep it and sign in');
		await isAt(page, '/you');
		await says(page, SENTENCE, 'Wenna Tull, packer');
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.goto(address.trim());
		await says(page, SENTENCE, 'opens nothing any more');
		// Signed out by oneself, and in again with the new one alone.
		await page.goto(`${bakery.origin}/you`);
		await page.waitForSelector('html[data-ready=yes]');
		await press(page, 'Sign out');
		await isAt(page, '/sign-in');
		await signIn(page, 'Wenna Tull', PASSWORD);
		await says(page, '[data-sign-in] [role=alert]', 'That does not fit');
		await signIn(page, 'wenna tull', 'boxes by the back door');
		await page.waitForSelector('[data-signed-in]');
		await page.browserContext().close();
	}
);

journey(
	'a tablet is paired by its code, goes from hand to hand, and each tap carries its name; the desk ends it',
	async (bakery) => {
		const { page: maud, database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first, second] = workList(plan, input);
		assert.ok(first && second);
		await setClock(database.db, demoClock(wallOf(first.atMs + 60_000), Date.now()));
		await visit(bakery, DOORS);
		await maud.type('form[aria-label="Pair a screen"] input[name=name]', 'Shelf tablet');
		await press(maud, 'Make its code');
		await maud.waitForSelector('[data-pairing-code]');
		const code = await textOf(maud, '[data-pairing-code]');
		const picture = await maud.$eval('[data-made-code] img', (img) => img.naturalWidth);
		assert.ok(picture > 100, 'the code to scan is drawn');

		const tablet = await stranger(bakery, '/pair');
		await tablet.setViewport(SIZES.tablet);
		assert.deepEqual(await accessibilityFaults(tablet), []);
		await tablet.type('[data-pair] input', 'AAAA2222');
		await press(tablet, 'Pair this browser');
		await says(tablet, '[data-pair] [role=alert]', 'opens nothing any more');
		await tablet.$eval('[data-pair] input', (input) => (input.value = ''));
		await tablet.type('[data-pair] input', code.toLowerCase());
		await press(tablet, 'Pair this browser');
		await tablet.waitForSelector('[data-hand]');
		// In nobody's hands it shows, and takes no tap.
		await says(tablet, SENTENCE, `Now: ${first.what}`);
		await says(tablet, '[data-signed-in]', 'Whose hands?');
		assert.equal(await tablet.$('::-p-aria([name="Begin"][role="button"])'), null);
		assert.deepEqual(await accessibilityFaults(tablet), []);

		const takeUp = async (name: string) => {
			await tablet.bringToFront();
			await (await tablet.waitForSelector('[data-signed-in]'))!.click();
			await tablet.waitForSelector('[data-hands]');
			await (await tablet.waitForSelector(`[data-hands] button ::-p-text(${name})`))!.click();
		};
		await takeUp('Ilo Venn');
		assert.deepEqual(await accessibilityFaults(tablet), []);
		const type = async (code: string) => {
			for (const digit of code) await (await byName(tablet, 'button', digit)).click();
			await press(tablet, 'Take it up');
		};
		await type('1029');
		await says(tablet, '[data-hands] [role=alert]', 'That does not fit');
		await type(codeOf('Ilo Venn'));
		await says(tablet, '[data-signed-in]', 'Ilo Venn');
		await tablet.waitForSelector('[data-hand]');
		const begin = await byName(tablet, 'button', 'Begin');
		await tablet.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, begin);
		await begin.click();
		await tablet.waitForSelector(`[data-hand="${first.what}"][data-hand-state=begun]`);
		// Hands change: Perrin by code, then Ilo again by one tap.
		await takeUp('Perrin Oake');
		await type(codeOf('Perrin Oake'));
		await says(tablet, '[data-signed-in]', 'Perrin Oake');
		await tablet.waitForSelector('[data-hand]');
		const done = await byName(tablet, 'button', 'Done');
		await tablet.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, done);
		await done.click();
		await tablet.waitForSelector(`[data-hand="${second.what}"]`);
		await takeUp('Ilo Venn');
		await says(tablet, '[data-signed-in]', 'Ilo Venn');
		await visit(bakery, `/bake/${TOMORROW}/log`);
		await says(maud, `[data-logged-work="${first.what}"]`, 'Perrin Oake');
		const taps = await database.db
			.selectFrom('work_entry')
			.innerJoin('command', 'command.id', 'work_entry.command_id')
			.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
			.select(['work_entry.act', 'bakery_entry.name'])
			.where('work_entry.work', '=', first.key)
			.orderBy('work_entry.occurred_at')
			.execute();
		assert.deepEqual(taps, [
			{ act: 'begun', name: 'Ilo Venn' },
			{ act: 'ended', name: 'Perrin Oake' }
		]);
		// What keeps the house is not done by a code.
		await tablet.goto(`${bakery.origin}${DOORS}`);
		await says(
			tablet,
			'[role=alert]',
			'for a head baker',
			'with a password at a desk more is open'
		);

		// The desk ends it: the tablet is led to the door.
		await visit(bakery, DOORS);
		const end = await maud.waitForSelector('[data-session="Shelf tablet"] button');
		await end!.click();
		await says(maud, '[data-door-entries]', 'was signed out by Maud Tarrow: Shelf tablet');
		await tablet.bringToFront();
		await isAt(tablet, '/sign-in');
		await tablet.goto(`${bakery.origin}/bake/${TOMORROW}/bench`);
		await isAt(tablet, '/sign-in');
		await tablet.browserContext().close();
	},
	AFTERNOON
);

journey(
	'what somebody did while the server was away stays theirs: another who signs in sends only their own',
	async (bakery) => {
		const { page, database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first, second] = workList(plan, input);
		assert.ok(first && second);
		const ilo = { id: demoId('person', 'Ilo Venn'), name: 'Ilo Venn' };
		const [ofMaud, ofIlo] = [await signedIn(database.db), await signedIn(database.db, ilo.id)];
		const comesIn = (token: string) =>
			page.browserContext().setCookie({
				name: SESSION_COOKIE,
				value: token,
				domain: '127.0.0.1',
				path: '/',
				httpOnly: true
			});
		const wall = `${new Date(first.atMs).toISOString().slice(0, 10)}T${clockText(first.atMs + 60_000, 'Europe/London')}`;
		await setClock(database.db, demoClock(wall, Date.now()));
		await comesIn(ofMaud);
		await visit(bakery, `/bake/${TOMORROW}/bench`);
		const tap = async (name: string) => {
			const button = await byName(page, 'button', name);
			await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, button);
			await button.click();
		};
		await bakery.stop();
		await tap('Begin');
		await says(page, '[data-outbox]', 'One entry waits');
		// The head baker goes, Ilo comes to the same desk, and the server is back.
		await comesIn(ofIlo);
		await bakery.start();
		await visit(bakery, `/bake/${TOMORROW}/bench`);
		await says(page, '[data-signed-in]', 'Ilo Venn');
		await says(page, '[data-outbox]', 'by Maud Tarrow: it goes as theirs');
		await page.click(`[data-work="${second.what}"]`);
		await page.waitForSelector(`[data-hand="${second.what}"]`);
		await tap('Begin');
		await page.waitForSelector(`[data-hand="${second.what}"][data-hand-state=begun]`);
		const names = () =>
			database.db
				.selectFrom('work_entry')
				.innerJoin('command', 'command.id', 'work_entry.command_id')
				.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
				.select(['work_entry.work', 'bakery_entry.name'])
				.orderBy('work_entry.occurred_at')
				.execute();
		const until = async (many: number) => {
			for (let look = 0; look < 3000; look += 1) {
				const found = await names();
				if (found.length === many) return found;
			}
			return assert.fail(`${many} entries were not stored`);
		};
		assert.deepEqual(await until(1), [{ work: second.key, name: 'Ilo Venn' }]);
		await says(page, '[data-outbox]', 'by Maud Tarrow');
		await comesIn(ofMaud);
		await visit(bakery, `/bake/${TOMORROW}/bench`);
		const stored = await until(2);
		assert.deepEqual(
			stored.find(({ work }) => work === first.key),
			{ work: first.key, name: 'Maud Tarrow' }
		);
		await page.waitForFunction(() => !document.querySelector('[data-outbox]'));
	},
	AFTERNOON
);

journey(
	'a session that is ended elsewhere leads its open page to the door at once, and back after it',
	async (bakery) => {
		const { page, database } = bakery;
		await visit(bakery, `/bake/${TOMORROW}/orders`);
		await database.db.updateTable('door_session').set({ ended_at: new Date() }).execute();
		await isAt(page, '/sign-in');
		await signIn(page, 'Maud Tarrow', PASSWORD);
		await isAt(page, `/bake/${TOMORROW}/orders`);
		await says(page, '[data-signed-in]', 'Maud Tarrow');
	},
	AFTERNOON
);
