import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import {
	byName,
	journey,
	leaveSlip,
	openInList,
	says,
	search,
	SIZES,
	textOf,
	type,
	visit
} from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { formulaJourney } from './formula-journey.ts';

const sentence = '[data-room-sentence]';
const HARBOUR = `/bake/2026-11-24/formulas/${demoId('formula', 'Harbour dough')}`;

const valueOf = (page: Page, label: string) =>
	page.$eval(`input[aria-label="${label}"]`, (element) => element.value);
const isValue = (page: Page, label: string, value: string) =>
	page.waitForFunction(
		(selector, wanted) =>
			document.querySelector<HTMLInputElement>(`input[aria-label="${selector}"]`)?.value === wanted,
		{},
		label,
		value
	);

journey(
	'a formula stands with its stages side by side and the total at the edge',
	async (bakery) => {
		await visit(bakery, '/bake/2026-11-24/orders');
		await (await byName(bakery.page, 'link', 'House')).click();
		await says(bakery.page, sentence, 'Bollard dough');
		await openInList(bakery.page, 'Harbour dough');
		await says(
			bakery.page,
			sentence,
			'Harbour dough',
			'87.0 % water',
			'16.0 % pre-fermented flour',
			'2.1 % salt'
		);
		const sheet = await textOf(bakery.page, '[data-sheet]');
		for (const words of ['Wheat levain', 'Seed soaker', 'Final dough', 'Total'])
			assert.ok(sheet.includes(words), words);
		assert.equal(await textOf(bakery.page, '[data-sheet-total]'), '201.1');
	}
);

journey(
	'raising the pre-fermented flour from 16 to 22 leaves the total untouched',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, HARBOUR);
		await type(page, 'Wheat levain, its flour, of the total flour', '22');
		await says(page, sentence, '87.0 % water', '22.0 % pre-fermented flour');
		assert.equal(await textOf(page, '[data-sheet-total]'), '201.1');
		await isValue(page, 'Bread flour, Wheat levain', '16.5');
		await type(page, 'Wheat levain, its flour, of the total flour', '95');
		const dial = 'Wheat levain, its flour, of the total flour';
		await says(page, `[data-refused="${dial}"]`, 'would be less than nothing');
		await page.waitForSelector(`input[aria-label="${dial}"][aria-invalid=true]`);
		await isValue(page, dial, '95');
		await page.focus(`input[aria-label="${dial}"]`);
		await page.keyboard.press('Escape');
		await isValue(page, 'Wheat levain, its flour, of the total flour', '22.0');
	}
);

journey('any number can be typed in any measure, undone and done again', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, HARBOUR);
	await type(page, 'Salt, late, final dough', '2.0', 'Tab');
	await says(page, sentence, '2.0 % salt');
	await (await byName(page, 'button', 'Undo')).click();
	await says(page, sentence, '2.1 % salt');
	await (await byName(page, 'button', 'Redo')).click();
	await says(page, sentence, '2.0 % salt');
	await page.click('input[name=unit][value=weight]');
	await isValue(page, 'Salt, late, final dough', '200');
	await type(page, 'Salt, late, final dough', '220', 'Tab');
	await says(page, sentence, '2.2 % salt');
	await type(page, 'Salt, late, final dough', 'plenty', 'Tab');
	await says(page, '[data-refused="Salt, late, final dough"]', '"plenty" is not a number');
	assert.equal(await valueOf(page, 'Salt, late, final dough'), 'plenty');
	await type(page, 'Salt, late, final dough', '230', 'Tab');
	await says(page, sentence, '2.3 % salt');
	assert.equal(await page.$('[data-refused]'), null);
	await page.click('input[name=unit][value=total]');
});

journey(
	'a figure is typed where it stands, and a figure that no line can bring is refused at its field',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, HARBOUR);
		await type(page, 'Hydration, percent', '84', 'Tab');
		await says(page, sentence, '84.0 % water', '16.0 % pre-fermented flour');
		await type(page, 'Pre-fermented flour, percent', '18', 'Tab');
		await says(page, sentence, '84.0 % water', '18.0 % pre-fermented flour');
		await type(page, 'Hydration, percent', '3', 'Tab');
		await says(page, '[data-refused="Hydration, percent"]', 'less than no water');
		await says(page, sentence, '84.0 % water');
		await (await byName(page, 'button', 'Hydration')).click();
		await says(page, '.meaning', 'water in percent of flour');
		await page.keyboard.press('Escape');
		await page.waitForFunction(() => !document.querySelector('.meaning'));
		await (await byName(page, 'button', 'Save as revision 2')).click();
		await says(page, '[data-scope=toast]', 'Harbour dough is saved as revision 2.');
	}
);

journey(
	'14 kg and at most so much of the levain: what fits is told, and what gives',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, HARBOUR);
		await type(page, 'Kilograms', '14', 'Tab');
		await says(page, '[data-scaled]', '14.00 kg of flour');
		await search(page, 'A limit to add', 'Wheat levain', 'adds');
		await type(page, 'At most, Wheat levain, ripe, kilograms', '5', 'Tab');
		// (5 000 g less 3 % in the tub, less 2 300 g kept back) over 32 % is 7 969 g of flour: 56.9 % of what was asked for.
		await says(page, '[data-scaled]', '7969 g of flour');
		await says(page, '[data-gives]', 'Wheat levain, ripe gives', '56.9 %');
		await type(page, 'At most, Wheat levain, ripe, kilograms', '50', 'Tab');
		await says(page, '[data-scaled]', '14.00 kg of flour');
		assert.equal(await page.$('[data-gives]'), null);
	}
);

journey(
	'yeast far too little for its times is told, whatever a pre-ferment brings of it',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `/bake/2026-11-24/formulas/${demoId('formula', 'School bun dough')}`);
		await says(page, sentence, 'School bun dough');
		assert.equal(await page.$('[data-note]'), null);
		await type(page, 'Yeast as fresh, percent', '0.03', 'Tab');
		await says(page, '[data-note]', 'yeast stands at 0.03 % fresh, all told', 'is usual for that');
	}
);

journey('it is scaled to the ripe levain on hand', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, HARBOUR);
	await type(page, 'Wheat levain, its flour, of the total flour', '22');
	await page.select('select[aria-label="Scale from"]', 'on-hand');
	await type(page, 'Kilograms', '14', 'Tab');
	// What is typed takes the place of what stood there, and is not hung on to it.
	await (await byName(page, 'textbox', 'Kilograms')).focus();
	await page.keyboard.type('8');
	await page.keyboard.press('Tab');
	// (8 000 g less 3 % in the tub, less 2 300 g kept back) over 44 % is 12.41 kg of flour.
	await says(page, '[data-scaled]', '12.41 kg of flour', 'one mix');
	await (await byName(page, 'button', '12.41 kg of flour')).click();
	await says(page, '[role=dialog]', '× (1 − 0.030) − 2300.0');
	await leaveSlip(page);
});

journey(
	'unsaved work survives a closed tab, is saved as a revision, and says what changed',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, HARBOUR);
		await type(page, 'Wheat levain, its flour, of the total flour', '22');
		await type(page, 'Salt, late, final dough', '2.2', 'Tab');
		await page.reload();
		await says(page, sentence, '22.0 % pre-fermented flour', '2.2 % salt');
		await says(page, '[data-formula-message]', 'not saved yet');
		await says(page, '[data-changes]', 'First revision');
		await (await byName(page, 'button', 'Save as revision 2')).click();
		await says(
			page,
			'[data-changes]',
			'Since revision 1',
			'Salt, late',
			'2.10 % → 2.20 %',
			'Wheat levain',
			'32.00 % → 44.00 %'
		);
		await says(page, 'main', 'Revision 2, by Maud Tarrow');
		await (await byName(page, 'link', 'Day')).click();
		await (await byName(page, 'link', 'Doughs')).click();
		await says(page, '[data-dough="Harbour dough"]', '22.0 %');
	}
);

journey(
	'an ingredient is added and taken out, and the sheet is reachable without a mouse',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, HARBOUR);
		await says(page, sentence, 'Harbour dough');
		await search(page, 'Ingredient to add', 'Butter');
		await (await byName(page, 'button', 'Add at 1 %')).click();
		await isValue(page, 'Butter, final dough', '1.00');
		await says(page, 'main', 'milk');
		await type(page, 'Butter, final dough', '', 'Tab');
		await page.waitForFunction(
			() => !document.querySelector('input[aria-label="Butter, final dough"]')
		);
	}
);

journey('a formula is written, rebalanced, scaled, printed and compared, from nothing', (bakery) =>
	formulaJourney(bakery, 'Beacon loaf')
);

journey('the room passes the accessibility check and fits both screens', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, HARBOUR);
	for (const [appearance, size] of [
		['paper', SIZES.desk],
		['ember', SIZES.tablet]
	] as const) {
		await page.setViewport(size);
		await page
			.browserContext()
			.setCookie({ name: 'appearance', value: appearance, domain: '127.0.0.1', path: '/' });
		await visit(bakery, '/bake/2026-11-24/formulas');
		assert.deepEqual(await accessibilityFaults(page), []);
		assert.ok(
			await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
			appearance
		);
	}
	await page.setViewport(SIZES.desk);
	assert.equal(
		(await page.goto(`${bakery.origin}/bake/2026-11-24/formulas/nonsense`))?.status(),
		404
	);
	await says(page, '[role=alert]', 'not in the book');
});
