import assert from 'node:assert/strict';
import { AFTERNOON, byName, journey, says, SIZES, search, type, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const sentence = '[data-room-sentence]';

journey(
	'what will run out is told with what it stops, whom to ask by when, and a delivery mends it',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/doughs');
		await (await byName(page, 'link', 'Stock')).click();
		await says(page, sentence, 'Bread flour runs out on Fri 27 Nov', '2 more');
		await says(
			page,
			'[data-stock-of="Bread flour"]',
			'230.00 kg',
			'not for Fri 27 Nov',
			'Harbour dough'
		);
		await says(page, '[data-stock-of="Whole egg"]', 'not counted', 'not known');
		await says(
			page,
			'[data-basket="Millrace flour"]',
			'Bread flour 6 × 25.00 kg',
			'Comes Wed 25 Nov, in time; tell them by Tue 24 Nov'
		);
		await (await byName(page, 'button', 'Count or receive Bread flour')).click();
		await (await byName(page, 'button', 'Came')).click();
		await (await byName(page, 'button', 'Write it down')).click();
		await says(page, '[data-stock-entry]', 'Type how much it is');
		await type(page, 'Came', '200', 'Tab');
		await page.keyboard.type('F-2211');
		await (await byName(page, 'button', 'Write it down')).click();
		await says(page, '[data-stock-of="Bread flour"]', '430.00 kg', 'over the week');
		await says(page, sentence, 'Fresh yeast runs out on Sat 28 Nov', 'One more');
		assert.equal(await page.$('[data-basket="Millrace flour"]'), null);

		await (await byName(page, 'button', 'Count or receive Whole egg')).click();
		await search(page, 'Whole egg comes from', 'Upland dairy', 'adds');
		await type(page, 'There is', '1', 'Tab');
		await (await byName(page, 'button', 'Write it down')).click();
		await says(page, '[data-basket="Upland dairy"]', 'Whole egg', 'Fresh yeast 2 × 500 g');
		await (await byName(page, 'button', 'Count everything')).click();
		await says(page, '[data-count-all]', '0 of', 'by the book');
		await type(page, 'Salt', '11.5', 'Tab');
		await type(page, 'Linseed', '7', 'Tab');
		await says(page, '[data-count-all]', '2 of');
		await (await byName(page, 'button', 'Write all of it down')).click();
		await says(page, '[data-stock-of="Salt"]', '11.50 kg');
		await says(page, '[data-stock-of="Linseed"]', '7.00 kg');
		for (const size of [SIZES.desk, SIZES.tablet]) {
			await page.setViewport(size);
			assert.deepEqual(await accessibilityFaults(page), []);
		}
	},
	AFTERNOON
);
