import assert from 'node:assert/strict';
import { byName, says, textOf, type, visit } from './bakery.ts';
import {
	HARBOUR,
	makeHot,
	measureBeside,
	minutesOf,
	night,
	press,
	sentence,
	STICK,
	TONIGHT
} from './hot-night.ts';

night(
	'in Fermentation a dough tells its morning in the cold before it goes, and after',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);
		await measureBeside(bakery, 'Stick dough', 24.4);
		await visit(bakery, `${TONIGHT}/water`);

		await (await byName(page, 'link', 'Fermentation')).click();
		await says(page, sentence, 'doughs ferment', 'first, at');
		await page.click(`[data-row="${HARBOUR}"]`);
		const card = `[data-dough-card="${HARBOUR}"]`;
		await says(
			page,
			card,
			'ready at',
			'fermented, of its bulk',
			'in the cold room from now on',
			'warmer from now on',
			'divided now'
		);
		await says(page, card, 'a clock learned from 19 checks', 'it grows');
		const here = minutesOf(await textOf(page, `${card} [data-ripe]`));
		const told = minutesOf(
			(await textOf(page, `${card} [data-asks] li:first-child b`)).replace('ready ', '')
		);
		assert.ok(told > here + 30, `${told} is much later than ${here}`);
		await press(page, 'Send to the cold room');
		await says(page, '[data-retarder="Cold room"]', HARBOUR, 'kJ still to take out of it', 'Air');
		await page.waitForSelector('[data-retarder="Cold room"] [data-chart=drawn] svg');
		const there = minutesOf(await textOf(page, `${card} [data-ripe]`));
		assert.ok(Math.abs(there - told) <= 15, `${there} is what was told: ${told}`);
		// Nothing is done for good with one tap.
		await page.click('[data-move] button.action');
		await says(page, '[data-retarder="Cold room"]', 'Empty, set to 4.0');
		assert.ok(Math.abs(minutesOf(await textOf(page, `${card} [data-ripe]`)) - here) <= 2);
		await press(page, 'Send to the cold room');
		await says(page, '[data-retarder="Cold room"]', HARBOUR);
	}
);

night('a dough measured again where it stands is set right', async (page, bakery) => {
	await makeHot(bakery);
	await measureBeside(bakery, 'Harbour dough', 25);
	await measureBeside(bakery, 'Stick dough', 24.4);
	await visit(bakery, `${TONIGHT}/fermentation`);

	await page.click(`[data-row="${STICK}"]`);
	const card = `[data-dough-card="${STICK}"]`;
	const before = minutesOf(await textOf(page, `${card} [data-ripe]`));
	await press(page, 'Measure it where it stands');
	await type(page, `${STICK}, the dough is at`, '27.4');
	await says(page, card, '27.4');
	await page.waitForFunction(
		(selector, was) => document.querySelector(selector)?.textContent !== was,
		{},
		`${card} [data-ripe]`,
		''
	);
	assert.ok(minutesOf(await textOf(page, `${card} [data-ripe]`)) < before - 5);
});

night(
	'what is seen is weighed with the clock, the baker decides, and the proof takes over what is left',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);
		await measureBeside(bakery, 'Stick dough', 24.4);
		await visit(bakery, `${TONIGHT}/fermentation`);
		await page.click(`[data-row="${STICK}"]`);

		await press(page, 'Look at it');
		await says(page, '[data-look]', 'not yet', 'By its clock it is');
		await page.click('[data-seen="poke:stays"]');
		await page.click('[data-seen="rise:past-the-mark"]');
		await says(page, '[data-verdict]', 'poke stays says', 'at odds');
		assert.notEqual(
			await page.$eval('[data-verdict]', (element) => (element as HTMLElement).dataset.verdict),
			'not-yet',
			'the eye overrules the clock'
		);
		await press(page, 'Wait');
		await says(page, '[data-judgements]', 'Maud Tarrow', 'decided to wait', 'poke stays');
		await page.click('[data-seen="poke:half-springs-back"]');
		await press(page, 'Go on: divide it');
		await says(
			page,
			`[data-ended="${STICK}"]`,
			'went on at',
			'Proof of Ferry stick: ready about',
			'longer for what the bulk left undone'
		);
		await page.click(`[data-ended="${STICK}"] button`);
		await page.waitForSelector(`[data-row="${STICK}"]`);
	}
);
