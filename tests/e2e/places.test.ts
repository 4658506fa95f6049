import assert from 'node:assert/strict';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { AFTERNOON, byName, journey, says, search, type, visit } from './bakery.ts';
import { TONIGHT } from './hot-night.ts';

journey(
	'a baker adds a fridge of her own, puts the butter in it, and the water of the buns follows what she reads there',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${TONIGHT}/bakery`);
		await page.click('section[aria-label="Places"] details summary');
		await type(page, 'Name of the new place', 'Yard fridge', 'Tab');
		await search(page, 'Kind of the new place', 'cold');
		await type(page, 'Temperature of the new place', '6');
		await page.waitForSelector('[data-place="Yard fridge"]');

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
