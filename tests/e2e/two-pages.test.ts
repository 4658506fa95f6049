import assert from 'node:assert/strict';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { holdAnswer, inHand, press, statesSeen, wallOf } from './at-the-bench.ts';
import { AFTERNOON, journey, says, sendBeside, type Bakery } from './bakery.ts';
import { lettersIn } from './letters.ts';
import { isKeptHere, pairedTablet } from './tablet.ts';

const BENCH = `/bake/${TOMORROW}/bench`;

/** A tablet with the bench open on two pages, without a network; the works of the night in their order. */
async function twoPages(bakery: Bakery) {
	const { database, origin } = bakery;
	const { plan, input } = await acceptBeside(bakery, 'ahead');
	const works = workList(plan, input);
	const [first, second, third] = works;
	assert.ok(first && second && third);
	await setClock(database.db, demoClock(wallOf(first.atMs + 60_000), Date.now()));
	const tablet = await pairedTablet(bakery, 'Shelf tablet');
	await tablet.takeUp('Ilo Venn');
	const { page } = tablet;
	await isKeptHere(page, BENCH);
	await page.goto(`${origin}${BENCH}`);
	const beside = await page.browserContext().newPage();
	beside.setDefaultTimeout(60_000);
	await beside.goto(`${origin}${BENCH}`);
	await inHand(beside, first.what, 'open');
	await page.bringToFront();
	await inHand(page, first.what, 'open');
	await tablet.cut();
	await beside.setOfflineMode(true);
	return { tablet, page, beside, first, second, third };
}

journey(
	'two pages of one tablet: what one of them sent stays as it is on the other until that has read it too',
	async (bakery) => {
		const { tablet, page, beside, first } = await twoPages(bakery);
		await press(page, 'Begin');
		await says(page, '[data-outbox]', 'One entry waits', first.what);
		await beside.bringToFront();
		await inHand(beside, first.what, 'begun');
		await says(beside, '[data-outbox]', 'One entry waits', first.what);
		const seen = await statesSeen(beside, first.what);

		// Only the first has its network back, and sends it: it waits nowhere any more.
		await tablet.mend();
		await beside.waitForFunction(() => !document.querySelector('[data-outbox]'));
		assert.deepEqual(await lettersIn(page), []);
		assert.deepEqual(await seen(), ['begun']);
		// The other reads what was done since, at the desk too.
		await beside.setOfflineMode(false);
		await sendBeside(bakery, {
			kind: 'tap-work',
			date: TOMORROW,
			work: first.key,
			taskId: first.taskId,
			act: 'ended',
			untilMs: null,
			because: '',
			celsius: null,
			personId: null
		});
		await beside.waitForSelector(`[data-work="${first.what}"][data-work-state=done]`);
		assert.deepEqual(await seen(), ['begun', 'done']);
		await tablet.close();
	},
	AFTERNOON
);

journey(
	'two pages of one tablet send what waits: each entry once, none that a hand says not to send meanwhile, and what a page that is gone wrote down',
	async (bakery) => {
		const { tablet, page, beside, first, second, third } = await twoPages(bakery);
		const all = [first, second, third];
		for (const { what } of all) {
			await page.click(`[data-work="${what}"]`);
			await inHand(page, what, 'open');
			await press(page, 'Begin');
			await inHand(page, what, 'begun');
		}
		await says(page, '[data-outbox]', '3 entries wait');
		const sent = async () => {
			const rows = await bakery.database.db
				.selectFrom('work_entry')
				.select('work')
				.orderBy('recorded_at')
				.execute();
			return rows.map(({ work }) => work);
		};

		// The first has its network back: its first entry arrives, but the answer is long on its way.
		const answer = await holdAnswer(page);
		await tablet.mend();
		while ((await sent()).length === 0)
			await page.evaluate(() => new Promise(requestAnimationFrame));
		await (
			await page.waitForSelector(`[data-outbox] li ::-p-text(${third.what})`)
		)?.evaluate((text) => text.closest('li')?.querySelector('button')?.click());
		// A page behind another is not looked through.
		await beside.bringToFront();
		await says(beside, '[data-outbox]', '2 entries wait');
		// The other page, opened anew, sends what is left at once, the first entry too.
		await beside.setOfflineMode(false);
		await beside.reload();
		await beside.waitForSelector(`[data-work="${second.what}"][data-work-state=begun]`);
		await beside.waitForFunction(() => !document.querySelector('[data-outbox]'));
		assert.deepEqual(await sent(), [first.key, second.key]);

		await page.bringToFront();
		await answer();
		// What it would go on to send follows at once; streams that stay open are not waited for.
		await page.waitForNetworkIdle({ idleTime: 500, concurrency: 2 });
		await page.waitForFunction(() => !document.querySelector('[data-outbox]'));
		await page.waitForSelector(`[data-work="${second.what}"][data-work-state=begun]`);
		await page.waitForSelector(`[data-work="${third.what}"][data-work-state=open]`);
		assert.deepEqual(await lettersIn(page), []);
		assert.deepEqual(await sent(), [first.key, second.key]);

		// What is written down by a page that is closed before the network is back is sent by the one that heard of it.
		await tablet.cut();
		await beside.setOfflineMode(true);
		await press(page, 'Begin');
		await says(page, '[data-outbox]', 'One entry waits', third.what);
		await beside.bringToFront();
		await says(beside, '[data-outbox]', 'One entry waits', third.what);
		await page.close();
		await beside.setOfflineMode(false);
		await beside.waitForFunction(() => !document.querySelector('[data-outbox]'));
		assert.deepEqual(await sent(), [first.key, second.key, third.key]);
		await tablet.close();
	},
	AFTERNOON
);
