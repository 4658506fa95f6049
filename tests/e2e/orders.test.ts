import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { AFTERNOON, byName, journey, says, textOf, type, visit } from './bakery.ts';

const DAY = '/bake/2026-11-24';
const LOAF = 'Harbour loaf, Ferry, pieces';
const SMALL = 'Harbour small, Ferry, pieces';
const LOAF_SHOP = 'Harbour loaf, Shop and cafés, pieces';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();
const stands = (page: Page, label: string, value: string) =>
	page.waitForFunction(
		(selector, wanted) => document.querySelector<HTMLInputElement>(selector)?.value === wanted,
		{},
		`input[aria-label="${label}"][data-state=saved]`,
		value
	);
const chooseFrom = async (
	page: Page,
	label: string,
	keys: readonly ('ArrowDown' | 'ArrowRight')[]
) => {
	await (await byName(page, 'textbox', label)).click();
	await page.keyboard.down('Shift');
	for (const key of keys) await page.keyboard.press(key);
	await page.keyboard.up('Shift');
};
const ctrl = async (page: Page, key: 'KeyZ' | 'Enter') => {
	await page.keyboard.down('Control');
	await page.keyboard.press(key);
	await page.keyboard.up('Control');
};

journey(
	'what stands by weekday is on its dates, a single date goes before it and can be left to it again',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		await stands(page, LOAF, '27');
		await (await byName(page, 'link', 'Standing orders')).click();
		await says(page, '[data-room-sentence]', 'stand ordered on Tuesdays', 'Tue 24 Nov');
		await press(page, 'Thu');
		await says(page, '[data-typed-for]', 'Tue, Thu');
		await type(page, LOAF, '31');
		await stands(page, LOAF, '31');
		// Taken back it is what it was on both weekdays.
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF, '27');
		await type(page, LOAF, '31');
		await stands(page, LOAF, '31');
		await press(page, 'Thursday');
		await says(page, '[data-room-sentence]', 'on Thursdays', 'Thu 26 Nov');
		await stands(page, LOAF, '31');
		await press(page, 'Wednesday');
		await stands(page, LOAF, '27');
		// A number for some weeks only: what comes after it is told.
		await press(page, 'Tuesday');
		await page.$eval('input[name=until]', (field) => {
			field.value = '2026-12-08';
			field.dispatchEvent(new Event('change', { bubbles: true }));
		});
		await says(page, '[data-typed-for]', 'until Tue 8 Dec');
		await type(page, LOAF_SHOP, '22');
		await says(
			page,
			'[data-coming]',
			'Tue 8 Dec',
			'Harbour loaf, Shop and cafés: 22 for the last time'
		);
		await says(page, '[data-coming]', 'Wed 9 Dec', '18 from then on');

		await visit(bakery, `${DAY}/orders`);
		await stands(page, LOAF, '31');
		await type(page, LOAF, '40');
		await says(page, `[data-standing-of="${LOAF}"]`, 'standing 31');
		await (await byName(page, 'textbox', LOAF)).focus();
		await press(page, 'As the standing order');
		await stands(page, LOAF, '31');
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF, '40');
		await says(page, '[data-order-changes]', 'What was typed for this date');
	},
	AFTERNOON
);

journey(
	'a block is chosen, filled, pasted and cleared by keys, each as one entry to take back',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const before = await textOf(page, '[data-total-pieces]');
		await chooseFrom(page, LOAF, ['ArrowDown', 'ArrowRight']);
		await says(page, '[data-block]', '4 numbers chosen');
		await page.keyboard.type('12');
		await ctrl(page, 'Enter');
		for (const label of [LOAF, SMALL, LOAF_SHOP]) await stands(page, label, '12');
		await press(page, 'Undo: 4 numbers');
		await stands(page, LOAF, '27');
		await says(page, '[data-total-pieces]', before);

		await chooseFrom(page, LOAF, ['ArrowDown']);
		await page.keyboard.press('Delete');
		await stands(page, LOAF, '');
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF, '27');

		await chooseFrom(page, LOAF, ['ArrowRight', 'ArrowRight']);
		await press(page, 'Fill right');
		await stands(page, 'Harbour loaf, School, pieces', '27');
		await byName(page, 'button', 'Undo: 2 numbers');
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF_SHOP, '18');

		const paste = (text: string) =>
			page.$eval(
				`input[aria-label="${LOAF}"]`,
				(field, pasted) => {
					const clipboardData = new DataTransfer();
					clipboardData.setData('text/plain', pasted);
					field.focus();
					field.dispatchEvent(
						new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true })
					);
				},
				text
			);
		await page.keyboard.press('Escape');
		await paste('5\t6\n7\tx\n');
		await says(page, '[data-block]', 'Nothing was pasted', '"x" for Harbour small, Shop and cafés');
		await paste('5\t6\t7\t8\n');
		await says(page, '[data-block]', 'Nothing was pasted', 'reach beyond the grid');
		await stands(page, LOAF, '27');
		await paste('5\t6\n7\t\n');
		await stands(page, LOAF, '5');
		await stands(page, SMALL, '7');
		await stands(page, 'Harbour small, Shop and cafés, pieces', '');
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF, '27');
		await says(page, '[data-total-pieces]', before);
		// Doughs follow while it is typed, before anything is saved.
		await (await byName(page, 'textbox', LOAF)).focus();
		await page.keyboard.down('Control');
		await page.keyboard.press('KeyA');
		await page.keyboard.up('Control');
		await page.keyboard.type('90');
		await says(page, '[data-dough-of-orders="Harbour dough"]', '4 mixes');
	},
	AFTERNOON
);

journey(
	'a table of orders is looked at line by line, and changes nothing until it is taken',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/orders`);
		const before = await textOf(page, '[data-total-pieces]');
		await page.click('[data-orders-file] summary');
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-orders-'));
		const file = path.join(folder, 'from the café.csv');
		const give = async (text: string) => {
			writeFileSync(file, text);
			const field = await page.waitForSelector('input[type=file]');
			await (field as unknown as { uploadFile: (...paths: string[]) => Promise<void> }).uploadFile(
				file
			);
		};
		await give('Bread;Number\nHarbour loaf;3\n');
		await says(page, '[data-orders-file]', 'has no orders in it', 'Bread, Number');
		await give(
			'Product;Ferry;Shop and cafés\nHarbour loaf;30;18\nHarbor small;4;4\nDeck roll;;many\n'
		);
		await says(
			page,
			'[data-orders-preview]',
			'one number changes, one stands',
			'Harbour loaf, Ferry: 27 → 30',
			'Line 3',
			'no product "Harbor small"',
			'Line 4',
			'"many" is not a number'
		);
		assert.equal(await textOf(page, '[data-total-pieces]'), before);
		await press(page, 'Take the one that can be read');
		await stands(page, LOAF, '30');
		await ctrl(page, 'KeyZ');
		await stands(page, LOAF, '27');
		const saved = await page.evaluate(async () => {
			const answer = await fetch('/bake/2026-11-24/orders.csv');
			return { type: answer.headers.get('content-type'), text: await answer.text() };
		});
		assert.equal(saved.type, 'text/csv; charset=utf-8');
		assert.ok(saved.text.includes('Harbour loaf,27,18,0'), saved.text);
	},
	AFTERNOON
);
