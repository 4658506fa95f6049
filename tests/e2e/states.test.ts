import assert from 'node:assert/strict';
import { sql } from 'kysely';
import { openDatabase } from '../../src/lib/server/db/client.ts';
import { server } from '../integration/test-database.ts';
import { byName, journey, PHONE, says, search, textOf, type, visit, walk } from './bakery.ts';
import { accessibilityFaults, handFaults, standsEachLook } from './page-faults.ts';

const sentence = '[data-room-sentence]';
const ROOMS = [
	'orders',
	'orders/standing',
	'formulas/bring-in',
	'doughs',
	'doughs/stock',
	'plan',
	'water',
	'fermentation',
	'bench',
	'ovens',
	'run-sheet',
	'log',
	'trace',
	'morning',
	'learned',
	'bakery',
	'bakery/doors',
	'bakery/changes'
];

journey('a date without orders says so in every room and offers the way on', async (bakery) => {
	const { page } = bakery;
	// A Sunday: no drop goes.
	const empty = '/bake/2027-06-06';
	for (const [room, words] of [
		['doughs', 'no dough to make'],
		['water', 'no mix to find water for'],
		['fermentation', 'no dough to follow'],
		['plan', 'nothing to plan'],
		['ovens', 'no accepted plan'],
		['run-sheet', 'no accepted plan'],
		['bench', 'no accepted plan'],
		['log', 'no accepted plan'],
		['trace', 'Which batch'],
		['morning', 'taught']
	] as const) {
		await walk(bakery, `${empty}/${room}`);
		await says(page, sentence, words);
	}
	await visit(bakery, `${empty}/orders`);
	await says(page, sentence, 'No drop goes on this weekday');
	await (await byName(page, 'link', 'Look at the drops')).click();
	await page.waitForSelector('ul[aria-label=Drops]');
	await page
		.locator('::-p-xpath(//ul[@aria-label="Drops"]//a[contains(., "Shop and cafés")])')
		.click();
	await page.waitForSelector('form[data-entry="Shop and cafés"]');
	await (await byName(page, 'button', 'Sun')).click();
	await (await byName(page, 'button', 'Save')).click();
	await says(page, 'ul[aria-label=Drops]', 'every day');
	await visit(bakery, `${empty}/orders`);
	await says(page, sentence, 'Nothing is ordered for Sunday');
	await (await byName(page, 'button', 'Copy the orders of Sat 5 Dec')).click();
	await says(page, sentence, 'pieces for one drop');
});

journey(
	'a nonsense date, a page that is not there and a nonsense command are answered, not dropped',
	async (bakery) => {
		const { page, origin } = bakery;
		for (const address of [
			'/bake/2026-02-30/orders',
			'/bake/tomorrow/plan',
			'/bake/%F0%9F%A5%96/water'
		]) {
			const answer = await page.goto(`${origin}${address}`);
			assert.equal(answer?.status(), 404, address);
			await says(page, '[role=alert]', 'is not a date of the calendar');
			assert.ok(await page.$('a[href="/"]'));
		}
		assert.equal((await page.goto(`${origin}/ovens`))?.status(), 404);
		await says(page, '[role=alert]', 'There is no page at /ovens');
		const post = (body: string, headers: Record<string, string> = {}) =>
			fetch(`${origin}/commands`, {
				method: 'POST',
				body,
				headers: { 'content-type': 'application/json', cookie: bakery.cookie, ...headers }
			});
		assert.equal((await post('{')).status, 400);
		assert.equal((await post('{"kind":"accept-plan","fingerprint":"\\u0000"}')).status, 400);
		assert.equal((await post('[]')).status, 400);
		assert.equal((await post(`"${'x'.repeat(450_000)}"`)).status, 413);
		assert.equal((await post('{}', { origin: 'http://elsewhere.test' })).status, 403);
	}
);

journey(
	'a formula that cannot be made is named with its reason, and the others are not held up',
	async (bakery) => {
		const { page, database } = bakery;
		await sql`insert into formula_revision (id, formula_id, number, name, cause, occurred_at, dough_loss_share,
			target_dough_celsius, friction_kj_per_kg, most_dough_g, steps, made_by)
		select gen_random_uuid(), formula_id, 2, r.name, 'edited', now(), dough_loss_share, target_dough_celsius,
			friction_kj_per_kg, most_dough_g, steps, made_by
		from formula_revision r join formula on formula.id = formula_id where formula.name = 'Stick dough'`.execute(
			database.db
		);
		await visit(bakery, '/bake/2026-11-24/doughs');
		await says(page, 'main', 'Not made', 'Stick dough', 'has no lines');
		await says(page, sentence, '3 formulas');
		await visit(bakery, '/bake/2026-11-24/plan');
		await says(page, 'main', 'Not made', 'does not hold yet');
	}
);

journey(
	'every room passes the accessibility check in both appearances and on a tablet',
	async (bakery) => {
		const { page } = bakery;
		// What was chosen is there from the first byte on.
		for (const appearance of ['ember', 'paper']) {
			await page
				.browserContext()
				.setCookie({ name: 'appearance', value: appearance, domain: '127.0.0.1', path: '/' });
			const answer = await page.goto(`${bakery.origin}/bake/2026-11-24/orders`);
			assert.match((await answer?.text()) ?? '', new RegExp(`data-appearance="${appearance}"`));
		}
		for (const room of ROOMS) {
			await walk(bakery, `/bake/2026-11-24/${room}`);
			if (room === 'plan') await page.waitForSelector('[data-to-do]');
			await standsEachLook(page, room);
		}
	}
);

journey(
	'on a phone every page fits the screen, and all that a finger is to hit is large enough',
	async (bakery) => {
		const { page } = bakery;
		await page.setViewport(PHONE);
		await visit(bakery, '/bake/2026-11-24/formulas');
		const book = await page.$$eval('nav[aria-label="The book"] a', (all) =>
			all.map((element) => element.getAttribute('href') ?? '')
		);
		const shelves = ['formulas', 'preparations', 'products', 'ingredients'].map(
			(shelf) => book.find((href) => href.includes(`/${shelf}`)) ?? shelf
		);
		for (const address of [...ROOMS.map((room) => `/bake/2026-11-24/${room}`), ...shelves]) {
			await walk(bakery, address);
			if (address.endsWith('/plan')) await page.waitForSelector('[data-to-do]');
			assert.deepEqual(await handFaults(page), [], address);
			const header = await page.$eval(
				'header',
				(element) => element.getBoundingClientRect().height
			);
			assert.ok(header < PHONE.height / 8, `the header takes ${header} px`);
		}
	}
);

journey('the orders can be filled with the keyboard alone', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, '/bake/2026-11-25/orders');
	const field = await byName(page, 'textbox', 'Harbour loaf, Ferry, pieces');
	await field.focus();
	const saved = page.waitForResponse((answer) => answer.url().endsWith('/commands'));
	await page.keyboard.type('28');
	await page.keyboard.press('ArrowRight');
	await saved;
	await page.keyboard.type('19');
	await page.keyboard.press('Enter');
	const focused = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
	assert.equal(focused, 'Harbour small, Shop and cafés, pieces');
	await says(page, sentence, '468 pieces');
});

journey(
	'products without orders are folded away, and one is ordered by its name',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-25/orders');
		const rows = () => page.$$eval('.orders tbody tr', (all) => all.length);
		const before = await rows();
		const folded = Number(
			await page.$eval('[data-folded]', (all) => all.getAttribute('data-folded'))
		);
		assert.ok(before > 0 && folded > 0, `${before} rows, ${folded} folded`);
		await says(page, '[data-folded]', `${folded} products have no orders here`);
		await search(page, 'Order another product', 'Storm rye', 'adds');
		await page.waitForFunction(() =>
			/^Storm rye block, /.test(document.activeElement?.getAttribute('aria-label') ?? '')
		);
		assert.equal(await rows(), before + 1);
		await page.keyboard.type('6');
		await page.keyboard.press('Enter');
		await says(page, '[data-total-of="Storm rye block"]', '6');
		await (await byName(page, 'button', 'Show all of them')).click();
		await page.waitForFunction(
			() => document.querySelector('[data-folded]')?.getAttribute('data-folded') === '0'
		);
		assert.equal(await rows(), before + folded);
		await (await byName(page, 'button', 'Fold away the products without orders')).click();
		await page.waitForFunction(
			(wanted) => document.querySelectorAll('.orders tbody tr').length === wanted,
			{},
			before + 1
		);
	}
);

journey(
	'with the database stopped nothing typed is lost, and it is saved once it is back',
	async (bakery) => {
		const { page, database } = bakery;
		await visit(bakery, '/bake/2026-11-26/orders');
		const before = await textOf(page, sentence);
		const name = database.url.split('/').at(-1) ?? '';
		// No new connection is let in and the application's own are ended: to it the database is gone.
		const admin = openDatabase(`${server}/postgres`, () => undefined);
		const gate = (open: boolean) =>
			sql.raw(`alter database ${name} with allow_connections ${open}`).execute(admin);
		await gate(false);
		await sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = ${name}`.execute(
			admin
		);
		await type(page, 'Ferry stick, Ferry, pieces', '60');
		await says(page, '[data-order-messages]', 'Ferry stick, Ferry', 'Not saved yet', 'stays here');
		const answer = await page.goto(`${bakery.origin}/bake/2026-11-26/plan`);
		assert.equal(answer?.status(), 503);
		await says(page, '[role=alert]', 'The database does not answer');
		await gate(true);
		await admin.destroy();
		// It sends itself, and what was said of it goes.
		await visit(bakery, '/bake/2026-11-26/orders');
		await page.waitForFunction(() => {
			const field = document.querySelector<HTMLInputElement>(
				'input[aria-label="Ferry stick, Ferry, pieces"]'
			);
			return field?.value === '60' && field.dataset.state === 'saved';
		});
		await page.waitForFunction(
			() => !document.querySelector('[data-order-messages]')?.textContent?.trim()
		);
		await page.reload();
		assert.notEqual(await textOf(page, sentence), before);
		await says(page, 'main', '60');
	}
);

journey('a book without a formula says how to begin, and one tap begins it', async (bakery) => {
	const { page, database } = bakery;
	await sql`truncate formula cascade`.execute(database.db);
	await visit(bakery, '/bake/2026-11-26/formulas');
	await visit(bakery, '/bake/2026-11-26/learned');
	await says(page, sentence, 'Nothing is learned yet');
	await (await byName(page, 'link', 'Begin the first formula')).click();
	await says(page, sentence, 'There is no formula in the book yet');
	await says(page, 'main', 'Begin with a plain one', 'that are there');
	assert.deepEqual(await accessibilityFaults(page), []);
	await type(page, 'New formula', 'Jetty dough');
	await says(page, sentence, 'Jetty dough');
});

journey(
	'a device whose clock is wrong is told by how much, and one that is right is told nothing',
	async (bakery) => {
		const { page } = bakery;
		const asked = page.waitForResponse((answer) => answer.url().endsWith('/health'));
		await visit(bakery, '/bake/2026-11-24/bench');
		await asked;
		// What comes of it is drawn with the next frame but one at the latest.
		await page.evaluate(
			() =>
				new Promise((resolve) =>
					requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(resolve)))
				)
		);
		assert.equal(await page.$('[data-clock-trouble]'), null);
		await page.evaluateOnNewDocument(() => {
			const real = Date.now.bind(Date);
			Date.now = () => real() + 43 * 60_000;
		});
		await visit(bakery, '/bake/2026-11-24/bench');
		await says(page, '[data-clock-trouble=device]', '43 min ahead of Jovet’s', 'Set it right');
	}
);
