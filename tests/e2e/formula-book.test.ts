import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { HARBOUR_DOUGH, TOMORROW } from '../integration/test-database.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import {
	byName,
	choose,
	leaveSlip,
	search,
	journey,
	openInList,
	openShelf,
	says,
	sendBeside,
	textOf,
	type,
	visit,
	walk,
	type Bakery
} from './bakery.ts';
import { standsEachLook } from './page-faults.ts';
import { isValue } from './formula-journey.ts';

const sentence = '[data-room-sentence]';
const FORMULAS = '/bake/2026-11-24/formulas';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();

async function openFormula(bakery: Bakery, name: string): Promise<void> {
	await visit(bakery, FORMULAS);
	await openInList(bakery.page, name);
	await says(bakery.page, sentence, name);
}

journey(
	'a change to a shared build asks whom it is for, and an own copy leaves the others',
	async (bakery) => {
		const { page } = bakery;
		await openFormula(bakery, 'Harbour dough');
		await type(page, 'Wheat levain, its hydration', '80');
		await says(page, '[data-shared]', 'Wheat levain is also in Ropewalk dough');
		await says(page, sentence, '87.0 % water');
		const disabled = await page.$eval('button.action', (element) =>
			element.hasAttribute('disabled')
		);
		assert.ok(disabled, 'nothing is saved before it is decided');
		await press(page, 'Make it Harbour dough’s own');
		await isValue(bakery, 'Wheat levain, Harbour dough, its hydration', '80.0');
		await press(page, 'Save as revision 2');
		await says(page, '[data-changes]', 'Since revision 1', 'Wheat levain, Harbour dough');
		await openInList(page, 'Ropewalk dough');
		await isValue(bakery, 'Wheat levain, its hydration', '100.0');
		await says(page, 'main', 'Revision 1');
	}
);

journey(
	'a second save stands beside the first as a draft, is compared and taken up',
	async (bakery) => {
		const { page } = bakery;
		await openFormula(bakery, 'Harbour dough');
		await type(page, 'Salt, late, final dough', '1.9', 'Tab');
		await says(page, sentence, '1.9 % salt');
		// Meanwhile someone else saves the same formula.
		const found = await readFormula(bakery.database.db, TOMORROW, HARBOUR_DOUGH);
		assert.ok(found);
		await sendBeside(bakery, {
			kind: 'save-formula',
			formulaId: HARBOUR_DOUGH,
			expectedRevision: found.revision,
			name: found.formula.name,
			doughLossShare: found.formula.doughLoss.share,
			targetCelsius: 26,
			mostDoughGrams: null,
			steps: [...found.steps],
			deliveries: [],
			lines: [...found.formula.lines],
			preparations: []
		});
		await press(page, 'Save as revision 2');
		await says(page, '[data-draft]', 'Nothing was merged', 'Salt, late', '2.10 % → 1.90 %');
		await says(page, sentence, '2.1 % salt');
		await press(page, 'Put the draft on the sheet');
		await says(page, sentence, '1.9 % salt');
		await press(page, 'Save as revision 3');
		await page.waitForFunction(() => !document.querySelector('[data-draft]'));
		await says(page, '[data-changes]', 'Since revision 2', 'Salt, late', '2.10 % → 1.90 %');
	}
);

journey(
	'another delivery of flour proposes its water, which the baker takes or leaves',
	async (bakery) => {
		const { page } = bakery;
		await openFormula(bakery, 'Harbour dough');
		await choose(page, 'Delivery of Bread flour', 'BF 3162');
		await says(page, '[data-proposal]', 'the water would change by', '+1.5 %');
		const before = await textOf(page, sentence);
		await press(page, 'Change the water');
		await page.waitForFunction(
			(selector, was) => document.querySelector(selector)?.textContent !== was,
			{},
			sentence,
			before
		);
		await press(page, 'Undo');
		await says(page, sentence, '87.0 % water');
		await press(page, 'Undo');
	}
);

journey(
	'steps are changed, moved and added, and the layers of a laminated dough follow',
	async (bakery) => {
		const { page } = bakery;
		await openFormula(bakery, 'Slipway dough');
		await says(page, '[data-steps]', '12 layers of fat', '13 of dough');
		await search(page, 'Step to add', 'Laminate', 'adds');
		await says(page, '[data-steps]', '36 layers of fat');
		await press(page, 'Move step 8 up');
		await says(page, '[data-steps]', '36 layers of fat');
		await press(page, 'Remove step 7');
		await says(page, '[data-steps]', '12 layers of fat');
		await press(page, 'Change step 1');
		await type(page, 'Time for all of it', '20', 'Tab');
		await says(page, '[data-steps]', 'Mix · 5 min slow, 3 min fast · 20 min');
		await press(page, 'Save as revision 2');
		await says(page, '[data-changes]', 'Steps', 'no longer', 'now');
	}
);

journey(
	'a figure opens its own arithmetic, and the cost of a piece stands beside it',
	async (bakery) => {
		const { page } = bakery;
		await openFormula(bakery, 'Old Pier dough');
		await press(page, 'Hydration 64.6 %, open the arithmetic');
		await says(page, '[role=dialog]', 'Hydration, 64.6 % of the flour', '64.60');
		await leaveSlip(page);
		await says(page, '[data-figures]', 'Pier bloomer, its dough', '€');
	}
);

journey('the seed ratio of a build and the cost of a product open theirs', async (bakery) => {
	const { page } = bakery;
	await openShelf(bakery, 'Preparations', 'Wheat levain');
	await page.waitForSelector('[data-seed-ratio] button:not(.term)');
	await page.click('[data-seed-ratio] button:not(.term)');
	await says(page, '[role=dialog]', 'of flour to one of seed', '÷');
	await leaveSlip(page);
	await openShelf(bakery, 'Products', 'Pier bloomer');
	const cost = await page.waitForSelector('[data-piece-cost] button');
	await cost!.click();
	await says(page, '[role=dialog]', 'Pier bloomer', 'a piece', '×');
	await leaveSlip(page);
});

journey('a pre-ferment that is fed otherwise is offered when it would be ripe', async (bakery) => {
	const { page } = bakery;
	await openShelf(bakery, 'Preparations', 'Wheat levain');
	await page.waitForSelector('[data-seed-ratio]');
	assert.equal(await page.$('[data-peak-offer]'), null);
	const steps = await textOf(page, '[data-steps]');
	await type(page, 'Line 1, percent', '10', 'Tab');
	const offer = await says(page, '[data-peak-offer]', 'its seed is now', 'Go by how it looks');
	const [, hours, minutes] = /ripe after about (\d+) h(?: (\d+))? instead of/.exec(offer) ?? [];
	assert.ok(Number(hours) > 0, offer);
	await page.click('[data-peak-offer] button');
	await page.waitForFunction(() => !document.querySelector('[data-peak-offer]'));
	const after = await textOf(page, '[data-steps]');
	assert.notEqual(after, steps);
	assert.ok(after.includes(`ripe in ${hours} h${minutes ? ` ${minutes}` : ''}`), after);
});

journey('a bath above the limit of the site is refused while it is typed', async (bakery) => {
	const { page } = bakery;
	await openShelf(bakery, 'Preparations', 'Knot bath');
	await says(page, sentence, '3.50 % of the solution', '36.3 g to a kilogram of water');
	await says(page, 'main', 'goggles, gloves and apron', 'never water onto the solid');
	await type(page, 'Line 2, percent', '6', 'Tab');
	await says(page, 'main', 'Not possible', 'the site allows 4.0 % at the most');
	await press(page, 'Undo');
	await type(page, 'Line 2, percent', '3', 'Tab');
	// The water keeps its weight, and the bath is as strong as was typed.
	await says(page, sentence, '3.00 % of the solution', '30.9 g to a kilogram of water');
	await press(page, 'Undo');
	await says(page, sentence, '3.50 % of the solution');
});

journey(
	'a product of two doughs scales as one, and its label asks for what to scale',
	async (bakery) => {
		const { page } = bakery;
		await openShelf(bakery, 'Products', 'Two-light plait');
		await says(page, sentence, "260 g of Cooper's dough and 130 g of Dark Beacon dough");
		await type(page, 'Pieces', '40', 'Tab');
		await says(
			page,
			'[data-product-scale]',
			"Cooper's dough, 10.56 kg",
			'Dark Beacon dough, 5279 g'
		);
		await says(page, '[data-product-scale]', 'Egg wash', '240 g');
		await type(page, 'Weight on the label', '400', 'Tab');
		await says(page, 'main', 'Short of the label by 53 g');
		await press(page, 'Scale for the label');
		await says(page, sentence, "320 g of Cooper's dough");
		await press(page, 'Save as revision 2');
		await says(page, 'main', 'Revision 2');
		await openInList(page, 'Bollard knot');
		await type(page, 'Pieces', '144', 'Tab');
		await says(page, '[data-division]', '4 presses of 2760 g', '24 left', '6 to spare');
		await says(page, '[data-product-scale]', 'Knot bath, 12.00 kg');
		await says(page, 'main', 'Caustic bath: goggles');
	}
);

journey(
	'a heavier piece is offered its longer bake, one too far is not, and spares are made with it',
	async (bakery) => {
		const { page } = bakery;
		await openShelf(bakery, 'Products', 'Harbour loaf');
		const weight = 'Dough 1, grams';
		const minutes = async () =>
			Number(/Bake [^.]*?(\d+) min/.exec(await textOf(page, '[data-steps]'))?.[1]);
		const [known] = [await minutes()];
		assert.ok(known > 20);
		assert.equal(await page.$('[data-bake-offer]'), null);
		await type(page, weight, '1100', 'Tab');
		const offer = await says(page, '[data-bake-offer]', 'it would be about', 'keeps its time');
		const told = Number(/about ([\d.]+) min/.exec(offer)?.[1]);
		const from = Number(/instead of (\d+) g/.exec(offer)?.[1]);
		assert.ok(Math.abs(told - known * (1100 / from) ** 0.45) < 0.06, offer);
		await type(page, weight, '2500', 'Tab');
		await says(page, '[data-bake-offer]', 'too far to tell a time from');
		await type(page, weight, '1100', 'Tab');
		await says(page, '[data-bake-offer]', 'it would be about');
		await page.click('[data-bake-offer] button');
		await page.waitForFunction(() => !document.querySelector('[data-bake-offer]'));
		await type(page, 'Spares and breakage', '10', 'Tab');
		await press(page, 'Save as revision 2');
		await says(page, '[data-scope=toast]', 'Harbour loaf is saved.');
		await visit(bakery, '/bake/2026-11-24/orders');
		await says(page, '[data-total-of="Harbour loaf"]', 'spare');
		await visit(bakery, '/bake/2026-11-24/doughs');
		await says(page, '[data-dough="Harbour dough"] [data-spares]', 'Harbour loaf', 'of them spare');
	}
);

journey('an ingredient is written down, given a delivery, and retired', async (bakery) => {
	const { page } = bakery;
	await openShelf(bakery, 'Ingredients', 'Bread flour');
	await says(page, '[data-deliveries]', 'BF 3162', '+2.0');
	await (await byName(page, 'link', 'New ingredient')).click();
	await says(page, sentence, 'A new ingredient');
	await type(page, 'Name', 'Spelt flour', 'Tab');
	await type(page, 'Water', '120', 'Tab');
	await says(page, 'main', 'Above 100 % is more than this takes');
	await type(page, 'Water', '5', 'Tab');
	await says(page, 'main', 'come to', '105.0 %');
	await type(page, 'Water', '0', 'Tab');
	await press(page, 'Save the ingredient');
	await says(page, sentence, 'Spelt flour: flour, all of it counted as flour');
	await type(page, 'Lot', 'SP 1', 'Tab');
	await type(page, 'Water beyond the house flour', '-2', 'Tab');
	await press(page, 'Write the delivery down');
	await says(page, '[data-deliveries]', 'SP 1', '−2.0');
	await press(page, 'Retire Spelt flour');
	await says(page, '[data-retire]', 'Retired.', 'goes on');
	await press(page, 'Bring Spelt flour back');
	await says(page, '[data-retire]', 'Retiring takes Spelt flour out');
});

journey('every shelf passes the accessibility check and fits both screens', async (bakery) => {
	const { page } = bakery;
	for (const [shelf, name] of [
		['Preparations', 'Biga'],
		['Products', 'Winter Wheel'],
		['Ingredients', 'Butter']
	] as const) {
		await openShelf(bakery, shelf, name);
		await says(page, sentence, name);
		await standsEachLook(page, shelf);
	}
	for (const shelf of ['preparations', 'products', 'ingredients']) {
		await walk(bakery, `/bake/2026-11-24/${shelf}/new`);
		await standsEachLook(page, `${shelf}/new`);
	}
	await visit(bakery, '/bake/2026-11-24/products/00000000-0000-4000-8000-000000000000');
	await says(page, 'main', 'This product is not in the book');
});
