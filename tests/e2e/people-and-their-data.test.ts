import assert from 'node:assert/strict';
import type { BakeDate } from '../../src/lib/core/time/index.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { entryOf } from '../integration/entry-content.ts';
import { SESSION_COOKIE, signedIn } from '../integration/signed-in.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { byName, journey, says, search, sendBeside, textOf, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const BAKERY = `/bake/${TOMORROW}/bakery`;
const SELA = 'Sela Wick';

journey(
	'who changed what is read by person; somebody takes the file of what is kept, leaves, and is taken out of it all',
	async (bakery) => {
		const { page, database, origin } = bakery;
		// Sela changes an order at a desk of her own, and takes the file of what is kept of her.
		const context = await page.browser().createBrowserContext();
		await context.setCookie({
			name: SESSION_COOKIE,
			value: await signedIn(database.db, demoId('person', SELA)),
			domain: '127.0.0.1',
			path: '/',
			httpOnly: true
		});
		const hers = await context.newPage();
		hers.setDefaultTimeout(60_000);
		await hers.goto(`${origin}/you`);
		const address = await hers.$eval('a[download]', (link) => link.href);
		const file = await hers.evaluate(async (at) => {
			const answer = await fetch(at);
			return {
				named: answer.headers.get('content-disposition') ?? '',
				told: JSON.stringify(await answer.json())
			};
		}, address);
		assert.match(file.named, /^attachment; filename="what-is-kept\.json"$/);
		assert.ok(file.told.includes(SELA), 'it tells of her');

		// The head baker reads who changed what.
		await sendBeside(bakery, {
			kind: 'set-base',
			formulaId: demoId('formula', 'Harbour dough'),
			celsius: 58
		});
		await visit(bakery, `${BAKERY}/changes`);
		await says(page, '[data-change=set-base]', 'Maud Tarrow', 'Harbour dough', 'celsius 58');
		assert.deepEqual(await accessibilityFaults(page), []);
		await search(page, 'Of what', 'of orders');
		await page.waitForFunction(() => location.search.includes('of=orders'));
		await page.waitForSelector('[data-change=set-base]', { hidden: true });

		// Who still works here is not taken out; who left is, after a second word.
		await visit(bakery, `${BAKERY}/doors`);
		const row = `[data-kept-of="${SELA}"]`;
		assert.ok(!(await textOf(page, row)).includes('Take the name out'));
		await sendBeside(bakery, {
			...(await entryOf(database.db, 'person', SELA)),
			appliesFrom: '2026-11-01' as BakeDate,
			retired: true
		});
		await visit(bakery, `${BAKERY}/doors`);
		await says(page, row, 'who left');
		await page.click(`${row} button`);
		await (await byName(page, 'button', 'Keep it')).click();
		await page.click(`${row} button`);
		await (await byName(page, 'button', `Take ${SELA} out for good`)).click();
		await says(page, '[data-kept-of="Somebody who left 1"]', 'Somebody who left 1');
		assert.equal(await page.$(row), null);
		await says(page, '[data-door-entries]', 'Somebody who left 1', 'by Maud Tarrow');
		await hers.reload();
		await hers.waitForSelector('[data-sign-in]');
		await visit(bakery, `${BAKERY}/changes`);
		await says(page, '[data-change=forget-person]', 'took out what names somebody');
		assert.ok(!(await page.content()).includes(SELA), 'nothing on the page has her name');
		await search(page, 'Whose', 'Somebody who left 1');
		await page.waitForFunction(() => location.search.includes('by='));
		await says(page, '[data-room-sentence]', 'Nothing of that was changed');
	}
);
