import assert from 'node:assert/strict';
import {
	byName,
	choose,
	printed,
	says,
	search,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';

const sentence = '[data-room-sentence]';

/** Waits until a field of the sheet holds a value. */
export async function isValue(bakery: Bakery, label: string, value: string): Promise<void> {
	await bakery.page.waitForFunction(
		(selector, wanted) =>
			document.querySelector<HTMLInputElement>(`input[aria-label="${selector}"]`)?.value === wanted,
		{},
		label,
		value
	);
}

/**
 * What a new user does with a formula: writes it with a build of two stages from nothing, raises its
 * pre-fermented flour from 15 to 22 % with the total untouched, scales it to what is on hand, prints its
 * weigh-up, and finds what changed since the revision before.
 */
export async function formulaJourney(bakery: Bakery, name: string): Promise<void> {
	const { page } = bakery;
	await visit(bakery, '/bake/2026-11-24/formulas');
	await type(page, 'New formula', name);
	await says(page, sentence, name, '65.0 % water', '0.0 % pre-fermented flour');
	await says(page, 'main', 'nothing in it makes it rise');
	const [levain, feed] = [`${name} levain`, `${name} feed`];
	await type(page, 'Name of the new pre-ferment', levain, 'Tab');
	await type(page, 'Flour of the new pre-ferment, percent of the total flour', '15', 'Tab');
	await (await byName(page, 'button', 'Move it')).click();
	await says(page, sentence, '65.0 % water', '15.0 % pre-fermented flour');
	await choose(page, 'Stage to split it from', levain);
	await type(page, 'Name of the new pre-ferment', feed, 'Tab');
	await type(page, 'Flour of the new pre-ferment, percent of the total flour', '3', 'Tab');
	await (await byName(page, 'button', 'Move it')).click();
	await isValue(bakery, `Bread flour, ${feed}`, '3.00');
	await isValue(bakery, `Bread flour, ${levain}`, '12.0');
	await choose(page, 'Stage to add it to', feed);
	await search(page, 'Ingredient to add', 'Wheat culture');
	await (await byName(page, 'button', 'Add at 1 %')).click();
	await isValue(bakery, `Wheat culture, ${feed}`, '1.00');
	// The culture brought half a percent of flour; back to 15 before it is saved.
	await type(page, `${levain}, its flour, of the total flour`, '15');
	await says(page, sentence, '15.0 % pre-fermented flour');
	await (await byName(page, 'button', 'Save as revision 2')).click();
	await says(page, '[data-changes]', 'Since revision 1', levain);

	const total = await textOf(page, '[data-sheet-total]');
	const hydration = /[\d.]+ % water/.exec(await textOf(page, sentence))?.[0] ?? '';
	assert.notEqual(hydration, '');
	await type(page, `${levain}, its flour, of the total flour`, '22');
	await says(page, sentence, hydration, '22.0 % pre-fermented flour');
	assert.equal(await textOf(page, '[data-sheet-total]'), total, 'the total is untouched');
	await (await byName(page, 'button', 'Undo')).click();
	await says(page, sentence, '15.0 % pre-fermented flour');
	await (await byName(page, 'button', 'Redo')).click();
	await says(page, sentence, '22.0 % pre-fermented flour');

	await choose(page, 'Scale from', 'what is on hand');
	await search(page, 'What is on hand', `${levain}, ripe`);
	await type(page, 'Kilograms', '6.4', 'Tab');
	await says(page, '[data-scaled]', 'kg of flour');
	const scaled = /^[\d.]+ kg of flour/.exec(await textOf(page, '[data-scaled]'))?.[0] ?? '';
	await says(page, '[data-weigh-up]', levain, feed, 'Wheat culture', 'Salt');
	// What is ripe less the 2 % that stay in the tub is 6272 g, weighed in the 20 g steps of the floor scale.
	await says(page, '[data-weigh-up]', '6280 g', '8.0 g over');
	const cards = await printed(page, 'Print weigh-up cards');
	for (const words of [name, levain, feed, 'Wheat culture', 'Allergens', 'gluten', '6280 g'])
		assert.ok(cards.includes(words), `the cards say ${words}`);
	const sheet = await printed(page, 'Print the formula sheet');
	for (const words of [name, 'Hydration', 'not saved', scaled.replace(' kg of flour', '')])
		assert.ok(sheet.includes(words), `the sheet says ${words}`);

	await (await byName(page, 'button', 'Save as revision 3')).click();
	await says(page, '[data-changes]', 'Since revision 2', levain, 'Bread flour', 'Water');
	await page.reload();
	await says(page, sentence, name, hydration, '22.0 % pre-fermented flour');
	await page.select('select[aria-label="Compare from revision"]', '1');
	await says(page, '[data-changes]', 'From revision 1 to 3', levain, 'none →');
}
