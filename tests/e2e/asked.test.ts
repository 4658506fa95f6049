import assert from 'node:assert/strict';
import { batchOf, HARBOUR_DOUGH } from '../integration/test-database.ts';
import { byName, journey, says, sendBeside, type, visit } from './bakery.ts';
import { HARBOUR, night, press, sentence, TONIGHT } from './hot-night.ts';
import { coldRoom } from '../integration/entry-content.ts';

const DAY = 86_400_000;

night(
	'a dough forgotten in the cold is asked about and is gone with one tap; one forgotten for a month is closed',
	async (page, bakery) => {
		const { db } = bakery.database;
		const retarderId = '6f9619ff-8b86-4d11-b42d-00c04fc964ff';
		const cold = { compressorWatts: 400, airKilojoulesPerKelvin: 60, wallsWattsPerKelvin: 6 };
		await sendBeside(bakery, coldRoom(retarderId, 'Back cabinet', 4, cold));
		const toTheCold = async (ordinal: number, daysAgo: number) => {
			const mixed = { celsius: 25, waterCelsius: 12, instrument: 'core-probe' } as const;
			await sendBeside(
				bakery,
				{
					kind: 'measure-dough',
					batch: await batchOf(db, HARBOUR_DOUGH, ordinal),
					mixerId: null,
					program: null,
					...mixed
				},
				daysAgo * DAY
			);
			await sendBeside(
				bakery,
				{
					kind: 'move-dough',
					batch: await batchOf(db, HARBOUR_DOUGH, ordinal),
					place: 'cold',
					ambientCelsius: 4,
					timeConstantMinutes: 150,
					retarderId
				},
				daysAgo * DAY - 60_000
			);
		};
		await toTheCold(1, 9);
		await toTheCold(2, 40);
		await visit(bakery, `${TONIGHT}/fermentation`);
		await says(page, `[data-dough="${HARBOUR}"] [data-asked]`, 'Is it still there?', 'for 8 days');
		await says(
			page,
			'section[aria-label="Not heard of"]',
			'Harbour dough, mix 2 of 2',
			'followed no more'
		);
		assert.equal(await page.$('[data-row="Harbour dough, mix 2 of 2"]'), null);
		await says(page, sentence, 'Nothing was heard of Harbour dough, mix 1 of 2 for 8 days');
		await press(page, 'It is gone');
		await says(page, 'section[aria-label="Past their bulk"]', HARBOUR);
		await says(page, sentence, 'No dough is in its bulk any more');
		// Taken back, it is asked about again; measured, it is followed like any other.
		await press(page, 'Take that back');
		await says(page, `[data-dough="${HARBOUR}"] [data-asked]`, 'Is it still there?');
		await press(page, 'Measure it where it stands');
		await type(page, `${HARBOUR}, the dough is at`, '5');
		await page.waitForFunction(() => !document.querySelector('[data-asked]'));
	}
);

journey(
	'a name that reads like another is asked about once, and stands when it is meant',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/formulas');
		await type(page, 'New formula', 'harbour-dough');
		await says(page, 'form [role=alert]', 'reads like "Harbour dough"', 'save once more');
		await (await byName(page, 'button', 'Begin it')).click();
		await says(page, 'nav[aria-label="The book"] a[aria-current=page]', 'harbour-dough');
		await visit(bakery, '/bake/2026-11-24/formulas');
		await type(page, 'New formula', 'harbour-dough');
		await says(page, 'form [role=alert]', 'is taken already');
	}
);

journey(
	'an order beyond the house is told at the orders, and every other dough is still made',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/orders');
		await type(page, 'Harbour loaf, Ferry, pieces', '9999');
		await says(page, '[role=alert]', 'Not made', 'Harbour dough', 'Look at the pieces ordered');
		await visit(bakery, '/bake/2026-11-24/doughs');
		await says(page, 'main', 'Harbour dough', 'Stick dough');
	}
);
