import assert from 'node:assert/strict';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { AFTERNOON, byName, journey, says, search, type, visit } from './bakery.ts';
import { TONIGHT } from './hot-night.ts';

journey(
	'a baker adds a fridge of her own, puts the butter in it, and the water of the buns follows what she reads there',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/bakery/places`);
		await (await byName(page, 'link', 'Add a place')).click();
		await page.waitForSelector('[data-entry=new]');
		await type(page, 'Name', 'Yard fridge', 'Tab');
		await search(page, 'Kind', 'cold');
		await type(page, 'Set to', '6', 'Tab');
		await (await byName(page, 'button', 'Add the place')).click();
		await page.waitForSelector('[data-entry="Yard fridge"]');

		await visit(bakery, `${TONIGHT}/ingredients/${demoId('ingredient', 'Butter')}`);
		await search(page, 'Where it stands', 'yard');
		await (await byName(page, 'button', 'Save the ingredient')).click();
		await page.waitForFunction(
			() => document.querySelector('[data-room-note]')?.textContent === 'Saved.'
		);

		await visit(bakery, `${TONIGHT}/water`);
		await says(page, '[data-input="Yard fridge"] [data-reading-note]', 'as it is set');
		await type(page, 'Yard fridge', '9,5');
		await page.keyboard.press('Enter');
		await says(page, '[data-input="Yard fridge"] [data-reading-note]', 'typed');
	},
	AFTERNOON
);

journey(
	'a step is moved to a place by its name, and an unmeasured poolish is told as a forecast',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/preparations/${demoId('preparation', 'Poolish')}`);
		await page.waitForSelector('[data-steps]');
		assert.match(
			await page.$eval('[data-steps]', (steps) => (steps as HTMLElement).innerText),
			/in the bakehouse at 23 °C/
		);
		await visit(bakery, `${TONIGHT}/water`);
		await says(page, '[data-input="Poolish"] [data-reading-note]', 'forecast, ±');
	},
	AFTERNOON
);
