import assert from 'node:assert/strict';
import { accessibilityFaults } from './page-faults.ts';
import { AFTERNOON, byName, journey, says, search, visit, type Bakery } from './bakery.ts';

const DAY = '/bake/2026-11-24';

/** Chooses a task of the list beside the ribbons by its words. */
async function chooseTask({ page }: Bakery, ...words: readonly string[]): Promise<void> {
	await page.waitForFunction(
		(words) => {
			const found = [...document.querySelectorAll<HTMLElement>('[data-to-do] li button')].find(
				(button) => words.every((word) => button.textContent?.includes(word))
			);
			found?.click();
			return found !== undefined;
		},
		{},
		words
	);
	await says(page, '[data-detail] h2', words.at(-1) ?? '');
}

journey(
	'a dough is sent to the cold, a portion baked in more loads, and a deck and somebody spared, a dough made in more mixes; each is undone',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/plan`);
		await says(page, '[data-room-sentence]', 'drops hold');

		await chooseTask(bakery, 'Mix', 'Harbour dough');
		await search(page, 'Send the dough to the cold', 'Cold room', 'adds');
		await says(page, '[data-wishes]', 'goes to the cold room');
		await says(page, '[data-room-sentence]', 'drops hold');
		await (await byName(page, 'button', 'Not to the cold room')).click();
		await page.waitForFunction(
			() => !document.querySelector('[data-wishes]')?.textContent?.includes('cold room')
		);

		await chooseTask(bakery, 'Load', 'Harbour loaf');
		const before = await says(page, '[data-loads]', 'load');
		await (await byName(page, 'button', 'More loads')).click();
		const wished = await says(page, '[data-wishes]', 'Harbour loaf', 'loads');
		const [, loads] = /in (\d+) loads/.exec(wished) ?? [];
		assert.ok(loads && !before.includes(`in ${loads} loads`), wished);
		await says(page, '[data-room-sentence]', 'drops hold');
		assert.deepEqual(await accessibilityFaults(page), []);
		await (await byName(page, 'button', 'Undo')).click();
		await page.waitForFunction(
			() => !document.querySelector('[data-wishes]')?.textContent?.includes('loads')
		);

		const deck = await page.waitForSelector('[data-detail] ::-p-text(Not on)');
		const on = (await deck?.evaluate((button) => button.textContent?.trim()))?.slice(7) ?? '';
		assert.notEqual(on, '');
		await deck?.click();
		await says(page, '[data-wishes]', `not on ${on}`);
		await page.waitForFunction(
			(on) => !document.querySelector('[data-detail] [data-by]')?.textContent?.includes(on),
			{},
			on
		);
		await (await byName(page, 'button', 'Undo')).click();
		await page.waitForFunction(
			() => !document.querySelector('[data-wishes]')?.textContent?.includes('not on')
		);

		await chooseTask(bakery, 'Mix', 'Stick dough');
		const mixes = Number(
			/in (\d+) mixes/.exec(await says(page, '[data-mixes]', 'mix'))?.[1] ?? '1'
		);
		await (await byName(page, 'button', 'More mixes')).click();
		await says(page, '[data-mixes]', `in ${mixes + 1} mixes`);
		await says(page, '[data-to-do]', `mix ${mixes + 1} of ${mixes + 1}`);
		await (await byName(page, 'button', 'Fewer mixes')).click();
		await says(page, '[data-mixes]', mixes === 1 ? 'in one mix' : `in ${mixes} mixes`);

		await chooseTask(bakery, 'Mix', 'Stick dough');
		const by = await says(page, '[data-detail] [data-by]', ',');
		const who = by.split(',').at(-1)?.trim() ?? '';
		await (await byName(page, 'button', `Not by ${who}`)).click();
		await says(page, '[data-wishes]', `not by ${who}`);
		await page.waitForFunction(
			(who) => !document.querySelector('[data-detail] [data-by]')?.textContent?.includes(who),
			{},
			who
		);
	},
	AFTERNOON
);
