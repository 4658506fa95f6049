import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { bookAsFile } from '../../src/lib/server/services/book-as-file.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { byName, journey, openInList, says, search, SIZES, type, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const BRING_IN = `/bake/${TOMORROW}/formulas/bring-in`;
const OUNCES = [
	'Formula;Stage;Ingredient;oz;When',
	'Gull rolls;Sponge;Strong white flour;8,8;',
	';Sponge;Water;8,8;',
	';Sponge;Instant yeast;0,035;',
	';;Strong white flour;26,45;',
	';;Water;15,9;',
	';;Salt;0,74;late',
	';;Butter;lots;'
].join('\n');

async function choose(page: Page, file: string): Promise<void> {
	const input = await page.waitForSelector<'input'>('input[type=file]' as 'input');
	await input?.uploadFile(file);
}

journey(
	'a formula in ounces is brought in: its wrong line is told, its unknown flour matched, taken in one go; handed on, it is ours already',
	async (bakery) => {
		const { page, database } = bakery;
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-formulas-'));
		const write = (name: string, content: string | Uint8Array) => {
			const file = path.join(folder, name);
			writeFileSync(file, content);
			return file;
		};
		try {
			await visit(bakery, `/bake/${TOMORROW}/formulas`);
			await page.waitForSelector('nav[aria-label="The book"]');
			await (await byName(page, 'link', 'Bring in from a file')).click();
			await page.waitForSelector('[data-bring-in]');
			assert.deepEqual(await accessibilityFaults(page), []);

			// What is no formula says so, and changes nothing.
			await choose(page, write('picture.csv', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0, 1, 2)));
			await says(page, '[data-file-failure]', 'picture.csv is no text');
			await choose(page, write('odd.json', '{"format":"jovet-book","version":7}'));
			await says(page, '[data-file-failure]', 'later Jovet');

			await choose(page, write('gulls.csv', OUNCES));
			await says(page, '[data-room-sentence]', 'names one ingredient that is not in the book');
			await says(page, '[data-file-problems]', 'Line 8', 'Butter');
			await page.setViewport(SIZES.tablet);
			assert.deepEqual(await accessibilityFaults(page), []);
			await page.setViewport(SIZES.desk);
			await search(page, 'What Strong white flour is', 'Bread flour');
			await says(page, '[data-room-sentence]', 'brings 2 things into the book');
			await page.waitForSelector('[data-new="Gull rolls"]');
			await (await byName(page, 'button', 'Take all 2 into the book')).click();
			await page.waitForSelector('nav[aria-label="The book"] a[aria-current=page]');
			await says(page, 'nav[aria-label="The book"] a[aria-current=page]', 'Gull rolls');
			await says(page, '[data-room-sentence]', 'Gull rolls');

			// Handed on, and read back here, all of it stands already.
			const book = await loadFormulaBook(database.db);
			const rolls = book.formulas.find(({ formula }) => formula.name === 'Gull rolls');
			assert.ok(rolls, 'it is in the book');
			const address = `${bakery.origin}/bake/${TOMORROW}/formulas/${rolls.formula.id}/file`;
			const fetched = async (kind: string) => {
				const answer = await fetch(`${address}.${kind}`, { headers: { cookie: bakery.cookie } });
				assert.equal(answer.status, 200);
				assert.match(
					answer.headers.get('content-disposition') ?? '',
					new RegExp(`gull-rolls\\.${kind}`)
				);
				return answer.text();
			};
			assert.deepEqual(
				JSON.parse(await fetched('json')),
				bookAsFile(book, { formulaId: rolls.formula.id })
			);
			assert.equal(
				(await fetch(`${address}.exe`, { headers: { cookie: bakery.cookie } })).status,
				404
			);
			for (const kind of ['json', 'csv']) {
				await visit(bakery, BRING_IN);
				await choose(page, write(`handed-on.${kind}`, await fetched(kind)));
				await says(page, '[data-room-sentence]', 'is other than it stands in the book');
			}

			// Another recipe by a name of ours comes under its own name.
			await visit(bakery, BRING_IN);
			const wetter = (await fetched('csv')).replace(/(Sponge,build,Water,)[\d.]+/, '$1300');
			await choose(page, write('other.csv', wetter));
			await page.waitForSelector('[data-clash="Sponge"]');
			await type(page, 'Its name here', 'Wetter sponge', 'Tab');
			assert.deepEqual(await accessibilityFaults(page), []);
			await (await byName(page, 'button', 'Leave it')).click();
			await page.waitForSelector('[data-brought]', { hidden: true });
			await visit(bakery, `/bake/${TOMORROW}/formulas/${rolls.formula.id}`);
			await openInList(page, 'Gull rolls');
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
	}
);
