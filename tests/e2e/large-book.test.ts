import assert from 'node:assert/strict';
import { byName, journey, openInList, says, SIZES, textOf, type, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { formulaJourney } from './formula-journey.ts';
import { growBook } from './large-book.ts';

journey('in a book of 300 formulas the same work is done the same way', async (bakery) => {
	await growBook(bakery.database.db, 300);
	await formulaJourney(bakery, 'Aurora loaf');
});

journey(
	'a formula is found by typing part of its name, and one of sixty lines is edited',
	async (bakery) => {
		const { page } = bakery;
		await growBook(bakery.database.db, 300);
		await visit(bakery, '/bake/2026-11-24/formulas');
		await page.type('input[aria-label="Search the list"]', 'sixty lines');
		await page.waitForFunction(
			() => document.querySelectorAll('nav[aria-label="The book"] a b').length === 1
		);
		const shown = await page.$$eval('nav[aria-label="The book"] a b', (all) =>
			all.map((element) => element.textContent ?? '')
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
