import assert from 'node:assert/strict';
import { accessibilityFaults } from './page-faults.ts';
import { AFTERNOON, byName, journey, printed, says, search, visit } from './bakery.ts';

const DAY = '/bake/2026-11-24';

journey(
	'a night that flour which is late makes impossible says what would free it, and one move does',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/plan`);
		await says(page, '[data-room-sentence]', 'drops hold');
		await (await byName(page, 'button', 'What if')).click();
		await search(page, 'The flour is late', 'Flour comes at 17:00', 'adds');
		await says(page, '[data-wishes]', 'Nothing is mixed before 17:00');
		await says(page, '[data-room-sentence]', 'does not hold yet', 'late');
		await says(page, '[data-frees]', 'No plan was found that keeps', 'Ferry packed by 04:55');
		const offered = await says(page, '[data-frees]', 'Ferry waits', 'Then every drop holds');
		const [, waits] = /Ferry waits ([^,;]+), packed by/.exec(offered) ?? [];
		assert.ok(waits, offered);

		await page.click('[data-frees] li button');
		await says(page, '[data-room-sentence]', 'drops hold');
		assert.equal(await page.$('[data-frees]'), null, 'it is free');
		await says(page, '[data-wishes]', `Ferry waits ${waits}`);
		await says(page, '[data-drop="Ferry"]', `${waits} later than ordered (05:10)`);
		await (await byName(page, 'button', 'Undo')).click();
		await says(page, '[data-room-sentence]', 'does not hold yet');
		await (await byName(page, 'button', 'Redo')).click();
		await says(page, '[data-room-sentence]', 'drops hold');

		// What was agreed is on the paper that the drop is packed by.
		await (await byName(page, 'button', 'Accept this plan')).click();
		await page.waitForSelector('[data-accepted]');
		await visit(bakery, `${DAY}/run-sheet/packing`);
		await says(page, '[data-drop="Ferry"]', `${waits} later than ordered (05:10), to be agreed`);
		const paper = await printed(page, 'Print on A4');
		assert.ok(paper.includes('later than ordered'), paper.slice(0, 400));
	},
	AFTERNOON
);

journey(
	'a drop that would order twice as much is looked at, and cannot be accepted',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/plan`);
		await says(page, '[data-room-sentence]', 'drops hold');
		const pieces = () =>
			page.$$eval('[data-row="Ferry stick"]', (rows) =>
				rows.reduce((all, row) => all + Number(/(\d+) ×/.exec(row.textContent ?? '')?.[1] ?? 0), 0)
			);
		const asOrdered = await pieces();
		assert.ok(asOrdered > 0, 'the ferry gets its sticks');
		await (await byName(page, 'button', 'What if')).click();
		await search(page, 'More or less ordered', 'Ferry orders twice as much');
		await says(page, '[data-room-sentence]', 'If Ferry orders twice as much:');
		const accept = 'button.action[disabled]';
		await page.waitForSelector(accept);
		await page.waitForFunction(() => !document.body.innerText.includes('Still looking'));
		assert.ok((await pieces()) > asOrdered, 'more sticks are planned');
		await search(page, 'More or less ordered', 'Orders as they are');
		await says(page, '[data-room-sentence]', 'drops hold');
		await page.waitForFunction((accept) => !document.querySelector(accept), {}, accept);
		assert.equal(await pieces(), asOrdered);
	},
	AFTERNOON
);

journey(
	'on a machine that is set to dark the plan reads as in ember, with nothing chosen',
	async (bakery) => {
		const { page } = bakery;
		await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
		await visit(bakery, `${DAY}/plan`);
		await says(page, '[data-room-sentence]', 'drops hold');
		await (await byName(page, 'button', 'What if')).click();
		await page.waitForFunction(() => !document.body.innerText.includes('Still looking'));
		assert.equal(
			await page.$eval('html', (html) => html.getAttribute('data-appearance')),
			'system'
		);
		assert.deepEqual(await accessibilityFaults(page), []);
	},
	AFTERNOON
);
