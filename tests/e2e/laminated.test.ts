import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { TOMORROW } from '../integration/test-database.ts';
import {
	AFTERNOON,
	byName,
	journey,
	openBakery,
	openShelf,
	says,
	search,
	SIZES,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const BOOK = `/bake/${TOMORROW}/formulas`;
const sentence = '[data-room-sentence]';
const sheet = '[data-product-sheet]';
const OUNCES = [
	'Formula;Ingredient;oz;When',
	'Quay lamination;Strong white flour;70;',
	';Milk;28;',
	';Sugar;7;',
	';Instant yeast;0,7;',
	';Salt;1,4;',
	';Butter;35;roll-in'
].join('\n');

async function chooseFile(page: Page, within: string, file: string): Promise<void> {
	const input = await page.waitForSelector<'input'>(`${within} input[type=file]` as 'input');
	await input?.uploadFile(file);
}

/** Adds a laminating step at the end, of a turn rolled to some millimetres. */
async function addTurn(page: Page, turn: string, mm: string): Promise<void> {
	const before = (await page.$$('[data-steps] li')).length;
	await search(page, 'Step to add', 'laminate', 'adds');
	await page.waitForFunction(
		(count) => document.querySelectorAll('[data-steps] li').length > count,
		{},
		before
	);
	await page.waitForSelector('[data-steps] select[name=kind]');
	await page.select('[data-steps] select[name=kind]', turn);
	await type(
		page,
		turn.startsWith('lock-in') ? 'Dough rolled for the fat to' : 'Rolled for the fold to',
		mm,
		'Tab'
	);
}

async function saved(page: Page, button: string): Promise<void> {
	await page.waitForSelector(`::-p-aria([name="${button}"][role="button"]):not([disabled])`);
	await (await byName(page, 'button', button)).click();
}

/** A formula in ounces comes in, its unknown flour matched, and is made a laminated dough. */
async function laminatedDough(bakery: Bakery, folder: string): Promise<void> {
	const { page } = bakery;
	await visit(bakery, `${BOOK}/bring-in`);
	const file = path.join(folder, 'quay.csv');
	writeFileSync(file, OUNCES);
	await chooseFile(page, '[data-bring-in]', file);
	await says(page, sentence, 'names one ingredient that is not in the book');
	await search(page, 'What Strong white flour is', 'Bread flour');
	await page.waitForSelector('[data-new="Quay lamination"]');
	await (await byName(page, 'button', 'Take it into the book')).click();
	await says(page, 'nav[aria-label="The book"] a[aria-current=page]', 'Quay lamination');
	// 35 oz on 70 oz of flour; told by the whole dough too, and set by it.
	const field = async (label: string) =>
		(await byName(page, 'textbox', label)).evaluate((one) => (one as HTMLInputElement).value);
	await says(
		page,
		'[data-lamination]',
		'No step locks it in yet',
		'rolls out between 13 °C and 18 °C'
	);
	assert.equal(await field('Butter, of the flour'), '50');
	await type(page, 'or of the whole dough', '25', 'Tab');
	// Everything else is 153 % of the flour: a quarter of the whole is a third of that.
	await page.waitForFunction(
		() => document.querySelector('[data-lamination]')?.textContent?.includes('Lamination') ?? false
	);
	assert.equal(await field('Butter, of the flour'), '51');
	await addTurn(page, 'lock-in-1', '9');
	await addTurn(page, 'single', '8');
	await addTurn(page, 'double', '8');
	await says(
		page,
		'[data-lamination]',
		'12 layers of fat and 13 of dough, as books count',
		'36 in all'
	);
	assert.deepEqual(await accessibilityFaults(page), []);
	await saved(page, 'Save as revision 2');
	await says(page, sentence, 'Quay lamination');
	await page.waitForSelector('::-p-aria([name="Save as revision 3"][role="button"])');
}

/** A twist of that dough is laid out for 84 pieces. Gives what the table is told. */
async function twist(bakery: Bakery): Promise<string> {
	const { page } = bakery;
	await visit(bakery, `/bake/${TOMORROW}/products/new`);
	await type(page, 'Name', 'Quay twist', 'Tab');
	await search(page, 'Dough to add', 'Quay lamination', 'adds');
	await type(page, 'Dough 1, grams', '60', 'Tab');
	await (await byName(page, 'button', 'Cut it from a sheet')).click();
	await page.select(`${sheet} select[name=cut]`, 'strips');
	// At first it would be thicker than its sheeter opens, which is told.
	await type(page, 'Dough 1, grams', '300', 'Tab');
	await says(page, `${sheet} [data-beyond-rollers]`, 'Table sheeter rolls 1 to 35 mm');
	await type(page, 'Dough 1, grams', '60', 'Tab');
	await page.waitForSelector('[data-beyond-rollers]', { hidden: true });
	await type(page, 'Wide', '3', 'Tab');
	await type(page, 'Long, across the sheet', '24', 'Tab');
	await type(page, 'Pieces', '84', 'Tab');
	// The sheeter of the house takes 50 by 180 cm: two rows of 24 cm, forty-two in each.
	await says(page, sheet, 'One sheet 128 × 50 cm', '84 pieces in 2 rows', 'No piece is over');
	await says(page, sheet, 'assumed', '7.6 mm');
	// Thinner: the piece weighs less; a piece that was weighed is believed.
	await type(page, 'Thickness', '5', 'Tab');
	await says(page, sheet, '39.6 g a piece');
	await type(page, 'A piece rolled to', '5', 'Tab');
	await type(page, 'weighs', '38', 'Tab');
	await (await byName(page, 'button', 'Go by that piece')).click();
	await says(page, sheet, '38 g a piece: 1.06 g', 'by a piece that was weighed');
	// A sheet of 128 x 50 x 0.5 cm at 38 g for 36 cm3 is 3378 g, a quarter of it butter.
	await says(page, `${sheet} [data-block]`, '2533 g of dough', '844 g of Butter');
	await says(page, `${sheet} [data-turn=single]`, 'roll to', '8 mm');
	// What no sheet can hold says so, and one fewer row follows from a narrower table.
	await type(page, 'A sheet no wider than', '20', 'Tab');
	await says(page, sheet, 'Not possible', '26 cm wide', '20 cm at most');
	await type(page, 'A sheet no wider than', '30', 'Tab');
	await says(page, sheet, '2 sheets, each 128 × 26 cm', '42 pieces in one row from each');
	await type(page, 'A sheet no wider than', '50', 'Tab');
	await says(page, sheet, 'One sheet 128 × 50 cm');
	assert.deepEqual(await accessibilityFaults(page), []);
	await page.setViewport(SIZES.tablet);
	assert.deepEqual(await accessibilityFaults(page), []);
	await page.setViewport(SIZES.desk);
	await saved(page, 'Save as revision 1');
	await page.waitForSelector('::-p-aria([name="Save as revision 2"][role="button"])');
	await type(page, 'Pieces', '84', 'Tab');
	return textOf(page, '[data-sheet-sentence]');
}

/** A caustic bath is made up by its strength, and one that is too strong is refused. */
async function causticBath(bakery: Bakery): Promise<void> {
	const { page } = bakery;
	await openShelf(bakery, 'Preparations', 'Knot bath');
	await says(
		page,
		'[data-bath]',
		'No stronger than 4.0 % of the solution',
		'Bollard knot',
		'60 pieces'
	);
	await says(page, 'main', 'goggles, gloves and apron', 'never water onto the solid');
	await type(page, 'Of the solution', '5', 'Tab');
	await says(page, sentence, 'cannot be made as it stands');
	await says(page, 'main', 'Not possible', '4');
	assert.equal(
		await (
			await byName(page, 'button', 'Save as revision 2')
		).evaluate((one) => (one as HTMLButtonElement).disabled),
		true
	);
	await type(page, 'or to a kilogram of water', '30', 'Tab');
	await says(page, sentence, '2.91 % of the solution', '30.0 g to a kilogram of water');
	await type(page, 'The whole bath', '6180', 'Tab');
	await says(page, '[data-make-up]', '6000 g of cold water', '180.0 g of Caustic soda');
	await type(page, 'Each piece stays in for', '25', 'Tab');
	assert.deepEqual(await accessibilityFaults(page), []);
	await saved(page, 'Save as revision 2');
	await page.waitForSelector('::-p-aria([name="Save as revision 3"][role="button"])');
}

journey(
	'a laminated twist is brought in, laid out, rolled and handed on; a bath is made up; all of it moves to another machine',
	async (bakery) => {
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-laminated-'));
		const elsewhere = await openBakery(AFTERNOON, 'own');
		try {
			await laminatedDough(bakery, folder);
			const table = await twist(bakery);
			await causticBath(bakery);

			// Handed on, it reads back as it is: all of it stands already.
			await openShelf(bakery, 'Formulas', 'Quay lamination');
			// Scaled from its page, the twists take their trim along: 3378 g and what stays in the bowl.
			await bakery.page.select('select[aria-label="Scale from"]', 'pieces');
			await type(bakery.page, 'Pieces of Quay twist', '84', 'Tab');
			await says(bakery.page, '[data-scale]', '3447 g of dough');
			const link = await bakery.page.waitForSelector<'a'>('[data-hand-on] a' as 'a');
			const handed = await (
				await fetch(await link!.evaluate((one) => one.href), {
					headers: { cookie: bakery.cookie }
				})
			).text();
			const file = path.join(folder, 'quay.json');
			writeFileSync(file, handed);
			await visit(bakery, `${BOOK}/bring-in`);
			await chooseFile(bakery.page, '[data-bring-in]', file);
			await says(bakery.page, sentence, 'is other than it stands in the book');

			// And the whole bakery goes to another machine.
			await visit(bakery, `/bake/${TOMORROW}/bakery`);
			const archive = await bakery.page.$eval('[data-take-along] a', (one) => one.href);
			const whole = path.join(folder, 'bakery.zip');
			writeFileSync(
				whole,
				await (await fetch(archive, { headers: { cookie: bakery.cookie } })).bytes()
			);
			const { page } = elsewhere;
			await visit(elsewhere, '/begin');
			await chooseFile(page, '[data-bring-along]', whole);
			await page.waitForFunction(() => !location.pathname.startsWith('/begin'));
			await openShelf(elsewhere, 'Products', 'Quay twist');
			await type(page, 'Pieces', '84', 'Tab');
			assert.equal(await textOf(page, '[data-sheet-sentence]'), table);
			await openShelf(elsewhere, 'Preparations', 'Knot bath');
			await says(page, sentence, '2.91 % of the solution');
		} finally {
			await elsewhere.close();
			rmSync(folder, { recursive: true, force: true });
		}
	}
);
