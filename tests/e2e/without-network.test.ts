import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { inHand, press, statesSeen, wallOf } from './at-the-bench.ts';
import { AFTERNOON, byName, journey, says, sendBeside, textOf, type Bakery } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { clearLetters, lettersIn, putLetters } from './letters.ts';
import { renewableFront } from './renewable-front.ts';
import { isKeptHere, pairedTablet } from './tablet.ts';

const DAY = `/bake/${TOMORROW}`;
const BENCH = `${DAY}/bench`;
const HOUR_MS = 3_600_000;
/** The page is closed and the server comes back: the next page of the browser shows the work begun, and nothing waits any more. */
async function nextPageSends(bakery: Bakery, what: string): Promise<Page> {
	await bakery.page.close();
	await bakery.start();
	const next = await bakery.reopen();
	await next.goto(`${bakery.origin}${BENCH}`);
	await next.waitForSelector(`[data-work="${what}"][data-work-state=begun]`);
	await next.waitForFunction(() => !document.querySelector('[data-outbox]'));
	return next;
}
journey(
	'a tablet whose network is cut for an hour goes on: opened anew, handed on, weighed at, and all of it arrives once',
	async (bakery) => {
		const { page: desk, database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first, second, third] = workList(plan, input);
		assert.ok(first && second && third && first.batch?.kind === 'preparation');
		const beganMs = first.atMs + 60_000;
		await setClock(database.db, demoClock(wallOf(beganMs), Date.now()));
		const tablet = await pairedTablet(bakery, 'Shelf tablet');
		const { page } = tablet;
		await tablet.takeUp('Ilo Venn');
		await tablet.takeUp('Perrin Oake');
		const weighing = `${DAY}/doughs/weigh/preparation/${first.batch.preparationId}/${first.batch.ordinal}`;
		await isKeptHere(page, weighing);
		await isKeptHere(page, '/hands');
		await page.goto(`${bakery.origin}/hands`);
		await says(page, '[data-night-kept=kept]', 'Kept here for when the network is away');
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.goto(`${bakery.origin}${BENCH}`);
		await inHand(page, first.what, 'open');

		await tablet.cut();
		await press(page, 'Begin');
		await inHand(page, first.what, 'begun');
		await says(page, '[data-outbox]', 'One entry waits', first.what);
		// The tab is closed and opened again, an hour later: the night stands there, with what was tapped, and says how old it is.
		await tablet.later(HOUR_MS);
		await page.goto(`${bakery.origin}${BENCH}`);
		await says(page, '[data-not-live]', `as it was at`, '1 h ago');
		await inHand(page, first.what, 'begun');
		await says(page, '[data-outbox]', 'One entry waits', first.what);
		assert.deepEqual(await accessibilityFaults(page), []);
		// Hands change by a tap; of whoever was not here tonight the code cannot be compared.
		await tablet.takeUp('Ilo Venn');
		await says(page, '[data-signed-in]', 'Ilo Venn');
		await inHand(page, first.what, 'begun');
		await (await byName(page, 'link', 'Weigh it up')).click();
		await says(page, '[data-room-sentence]', 'things to weigh');
		const wanted = await textOf(page, '[data-wanted]');
		const line = await page.$eval('[data-line][aria-current]', (one) =>
			one.getAttribute('data-line')
		);
		await press(page, `${wanted} is in`);
		await says(page, `[data-line="${line}"]`, 'in');
		await says(page, '[data-outbox]', '2 entries wait');
		// A weigh-up is of the day; the way back to the night is one tap.
		await (await byName(page, 'link', 'Night')).click();
		for (const [room, sentence] of [
			['Water', 'mixes needs ice'],
			['Fermentation', ''],
			['Ovens', ''],
			['Bench', 'late']
		] as const) {
			await (await byName(page, 'link', room)).click();
			await page.waitForFunction(
				(path) => location.pathname.endsWith(path) && document.documentElement.dataset.ready,
				{},
				room.toLowerCase()
			);
			await says(page, '[data-room-sentence]', sentence);
			await says(page, '[data-signed-in]', 'Ilo Venn');
		}
		await page.click(`[data-work="${first.what}"]`);
		await inHand(page, first.what, 'begun');
		await press(page, 'Done');
		await page.waitForSelector(`[data-work="${first.what}"][data-work-state=done]`);
		await page.click(`[data-work="${second.what}"]`);
		await inHand(page, second.what, 'open');
		await press(page, 'Begin');
		await inHand(page, second.what, 'begun');
		await says(page, '[data-outbox]', '4 entries wait');

		// Meanwhile, half an hour earlier at the desk, the second was begun there too.
		await setClock(database.db, demoClock(wallOf(beganMs + HOUR_MS / 2), Date.now()));
		await sendBeside(bakery, {
			kind: 'tap-work',
			date: TOMORROW,
			work: second.key,
			taskId: second.taskId,
			act: 'begun',
			untilMs: null,
			because: '',
			celsius: null,
			personId: null
		});
		const taps = () =>
			database.db
				.selectFrom('work_entry')
				.innerJoin('command', 'command.id', 'work_entry.command_id')
				.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
				.select([
					'work_entry.work',
					'work_entry.act',
					'bakery_entry.name',
					'work_entry.occurred_at'
				])
				.orderBy('work_entry.occurred_at')
				.execute();
		assert.equal((await taps()).length, 1, 'nothing of the tablet is there yet');

		await setClock(database.db, demoClock(wallOf(beganMs + HOUR_MS + 4 * 60_000), Date.now()));
		const seen = await statesSeen(page, first.what);
		await tablet.mend();
		await page.waitForFunction(() => !document.querySelector('[data-not-live]'));
		// What somebody did first at the desk is told, with what was tapped here; the rest is in.
		await says(page, '[data-outbox]', second.what, 'Maud Tarrow tapped it already: begun');
		await page.waitForFunction(
			() => !document.querySelector('[data-outbox]')?.textContent?.includes('wait')
		);
		assert.deepEqual(await seen(), ['done'], 'what was tapped is never seen to go and come');
		const stored = await taps();
		assert.deepEqual(
			stored.map(({ work, act, name }) => [work, act, name]),
			[
				[first.key, 'begun', 'Perrin Oake'],
				[second.key, 'begun', 'Maud Tarrow'],
				[first.key, 'ended', 'Ilo Venn']
			]
		);
		const minutes = stored.map(({ occurred_at }) => (occurred_at.getTime() - beganMs) / 60_000);
		assert.ok(minutes[0]! >= 0 && minutes[0]! < 4, `begun ${minutes[0]} min after`);
		assert.ok(minutes[2]! >= 60 && minutes[2]! < 64, `done ${minutes[2]} min after`);
		const weighed = await database.db
			.selectFrom('weighing')
			.innerJoin('command', 'command.id', 'weighing.command_id')
			.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
			.select('bakery_entry.name')
			.execute();
		assert.deepEqual(weighed, [{ name: 'Ilo Venn' }]);
		await press(page, 'Seen');
		await page.waitForFunction(() => !document.querySelector('[data-outbox]'));
		// The server knows by now whose hands the tablet is in.
		const session = await database.db
			.selectFrom('door_session')
			.innerJoin('bakery_entry', 'bakery_entry.id', 'door_session.person_id')
			.select('bakery_entry.name')
			.where('door_session.name', '=', 'Shelf tablet')
			.executeTakeFirst();
		assert.equal(session?.name, 'Ilo Venn');
		await desk.bringToFront();
		await desk.goto(`${bakery.origin}${DAY}/log`);
		await says(desk, `[data-logged-work="${first.what}"]`, 'Ilo Venn');
		await tablet.close();
	},
	AFTERNOON
);

journey(
	'a newer version reaches a tablet on its way to another page, and what waits there is sent by it',
	async (bakery) => {
		const { database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first] = workList(plan, input);
		assert.ok(first);
		await setClock(database.db, demoClock(wallOf(first.atMs + 60_000), Date.now()));
		const front = await renewableFront(bakery.origin);
		const tablet = await pairedTablet({ ...bakery, origin: front.origin }, 'Shelf tablet');
		const { page } = tablet;
		await tablet.takeUp('Ilo Venn');
		await isKeptHere(page, BENCH);
		const stores = () =>
			page.evaluate(async () =>
				(await caches.keys()).filter((name) => name.startsWith('jovet-night-'))
			);
		const [before] = await stores();
		await bakery.stop();
		await press(page, 'Begin');
		await says(page, '[data-outbox]', 'One entry waits');
		// Something that only another version can read is kept, and told.
		const [letter] = await lettersIn(page);
		assert.ok(letter);
		const strange = { ...letter, id: randomUUID(), place: 'first' as unknown as number };
		await putLetters(page, [strange]);

		front.renew();
		await bakery.start();
		await page.waitForFunction(async () => {
			const registration = await navigator.serviceWorker.getRegistration();
			await registration?.update();
			return registration?.waiting !== null;
		});
		await (await byName(page, 'link', 'Ovens')).click();
		await page.waitForFunction(() => location.pathname.endsWith('/ovens'));
		await page.waitForSelector('html[data-ready=yes]');
		await page.waitForFunction(
			async (before) =>
				!(await caches.keys()).includes(before ?? '') &&
				(await navigator.serviceWorker.getRegistration())?.waiting === null,
			{},
			before
		);
		await says(page, '[data-storage-trouble=unread]', 'another version of Jovet wrote');
		await page.waitForFunction(() => !document.querySelector('[data-outbox]'));
		assert.deepEqual(
			(await lettersIn(page)).map(({ id }) => id),
			[strange.id]
		);
		const taps = await database.db.selectFrom('work_entry').select(['work', 'act']).execute();
		assert.deepEqual(taps, [{ work: first.key, act: 'begun' }]);
		await isKeptHere(page, BENCH);
		await tablet.close();
		await front.close();
	},
	AFTERNOON
);

journey(
	'a storage that is emptied under what waits is told and written again; what an older version left elsewhere is taken over',
	async (bakery) => {
		const { page, database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first, second] = workList(plan, input);
		assert.ok(first && second);
		await setClock(database.db, demoClock(wallOf(second.atMs + 60_000), Date.now()));
		await page.goto(`${bakery.origin}${BENCH}`);
		await page.waitForSelector('html[data-ready=yes]');
		await page.click(`[data-work="${first.what}"]`);
		await inHand(page, first.what, 'open');
		await bakery.stop();
		await press(page, 'Begin');
		await says(page, '[data-outbox]', 'One entry waits');
		const [letter] = await lettersIn(page);
		assert.ok(letter);
		await clearLetters(page);
		assert.deepEqual(await lettersIn(page), []);
		// It is noticed when it is tried to send it.
		await says(page, '[data-storage-trouble=was-emptied]', 'was written down again');
		assert.deepEqual(await lettersIn(page), [letter]);

		const older = {
			...letter,
			id: randomUUID(),
			place: 1,
			what: `${second.what}: begun`,
			draft: { ...letter.draft, work: second.key, taskId: second.taskId }
		};
		await page.evaluate(
			(id, text) => localStorage.setItem(`jovet.outbox.${id}`, text),
			older.id,
			JSON.stringify(older)
		);
		const next = await nextPageSends(bakery, first.what);
		const taps = await database.db.selectFrom('work_entry').select('work').execute();
		assert.deepEqual(taps.map(({ work }) => work).sort(), [first.key, second.key].sort());
		assert.equal(
			await next.evaluate((id) => localStorage.getItem(`jovet.outbox.${id}`), older.id),
			null
		);
	},
	AFTERNOON
);

journey(
	'what was done on a page that could not open the storage is found by the next one, and sent',
	async (bakery) => {
		const { page, database } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		const [first] = workList(plan, input);
		assert.ok(first);
		await setClock(database.db, demoClock(wallOf(first.atMs + 60_000), Date.now()));
		// As where the server went before what opens it was there.
		await page.evaluateOnNewDocument(() => {
			IDBFactory.prototype.open = () => {
				throw new Error('it cannot be opened');
			};
		});
		await page.goto(`${bakery.origin}${BENCH}`);
		await says(page, '[data-storage-trouble=keeps-nothing]', 'leave it open');
		await page.click(`[data-work="${first.what}"]`);
		await inHand(page, first.what, 'open');
		await bakery.stop();
		await press(page, 'Begin');
		await says(page, '[data-outbox]', 'One entry waits');
		const next = await nextPageSends(bakery, first.what);
		const taps = await database.db.selectFrom('work_entry').select('work').execute();
		assert.deepEqual(taps, [{ work: first.key }]);
		assert.equal(await next.evaluate(() => localStorage.length), 0, 'it lies there no more');
	},
	AFTERNOON
);
