import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import {
	accessibilityFaults,
	byName,
	openBakery,
	openInList,
	says,
	SIZES,
	textOf,
	type,
	visit,
	withPicture,
	type Bakery
} from './bakery.ts';
import { formulaJourney } from './formula-journey.ts';
import { growBook } from './large-book.ts';

let bakery: Bakery;
before(async () => {
	bakery = await openBakery();
	await growBook(bakery.database.db, 300);
});
after(() => bakery.close());

const step = (name: string, task: () => Promise<void>): void =>
	void test(name, () => withPicture(bakery, name, task));

step('in a book of 300 formulas the same work is done the same way', () =>
	formulaJourney(bakery, 'Aurora loaf')
);

step(
	'a formula is found by typing part of its name, and one of sixty lines is edited',
	async () => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/formulas');
		await page.type('input[aria-label="Search the list"]', 'sixty lines');
		await page.waitForFunction(
			() => document.querySelectorAll('nav[aria-label="The book"] a b').length === 1
		);
		const shown = await page.$$eval('nav[aria-label="The book"] a b', (all) =>
			all.map((one) => one.textContent ?? '')
		);
		assert.equal(shown.length, 1);
		await openInList(page, shown[0] ?? '');
		await says(page, '[data-room-sentence]', 'Zenith dough', '60.0 % water');
		await type(page, 'Ingredient 30, final dough', '4', 'Tab');
		await says(page, 'main', 'Changed, not saved yet');
		assert.equal(await textOf(page, '[data-sheet-total]'), String(100 + 60 + 57 * 1.5 + 4));
		await (await byName(page, 'button', 'Undo')).click();
		for (const size of [SIZES.desk, SIZES.tablet]) {
			await page.setViewport(size);
			assert.ok(
				await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
				`nothing runs off the side at ${size.width}`
			);
		}
		await page.setViewport(SIZES.desk);
		assert.deepEqual(await accessibilityFaults(page), []);
	}
);
