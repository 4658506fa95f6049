import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { TOMORROW } from '../integration/test-database.ts';
import { AFTERNOON, byName, journey, openBakery, says, textOf, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

journey(
	'a bakery is taken along as one archive and brought in where Jovet begins with nothing',
	async (bakery) => {
		const { page } = bakery;
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-archive-'));
		const elsewhere = await openBakery(AFTERNOON);
		try {
			// It is saved from the page of the bakery that is left behind.
			await visit(elsewhere, `/bake/${TOMORROW}/bakery`);
			await says(elsewhere.page, '[data-take-along]', 'Save the archive');
			assert.deepEqual(await accessibilityFaults(elsewhere.page), []);
			const link = await elsewhere.page.$eval('[data-take-along] a', (one) => one.href);
			const saved = await fetch(link, { headers: { cookie: elsewhere.cookie } });
			assert.equal(saved.headers.get('content-type'), 'application/zip');
			const bytes = await saved.bytes();
			const sentence = async (from: typeof bakery) => {
				await visit(from, `/bake/${TOMORROW}/doughs`);
				return textOf(from.page, '[data-room-sentence]');
			};
			const doughs = await sentence(elsewhere);

			const write = (name: string, content: Uint8Array) => {
				const file = path.join(folder, name);
				writeFileSync(file, content);
				return file;
			};
			const choose = async (file: string) => {
				const input = await page.waitForSelector<'input'>(
					'[data-bring-along] input[type=file]' as 'input'
				);
				await input?.uploadFile(file);
			};
			await visit(bakery, '/begin');
			assert.deepEqual(await accessibilityFaults(page), []);
			await choose(write('half.zip', bytes.subarray(0, Math.floor(bytes.length / 2))));
			await says(page, '[data-bring-along] [role=alert]', 'half.zip is not whole', 'nothing of it');
			await choose(write('other.zip', new TextEncoder().encode('no archive at all')));
			await says(page, '[data-bring-along] [role=alert]', 'other.zip is no archive');
			await choose(write('bakery.zip', bytes));
			await page.waitForFunction(() => !location.pathname.startsWith('/begin'));
			await page.waitForSelector('nav[aria-label], [data-room-sentence]');
			assert.equal(await sentence(bakery), doughs);
			await visit(bakery, `/bake/${TOMORROW}/bakery`);
			assert.equal(
				await page.$eval('form[aria-label="The bakery"] input', (one) => one.value),
				'Saltmarrow Bakehouse'
			);
			// What is done from here on is done here.
			await byName(page, 'link', 'Save the archive');
			const again = await fetch(`${bakery.origin}/begin/archive`, {
				method: 'POST',
				headers: { 'content-type': 'application/zip', origin: bakery.origin },
				body: bytes
			});
			// Who is not signed in is not told more than that.
			assert.equal(again.status, 401);
		} finally {
			await elsewhere.close();
			rmSync(folder, { recursive: true, force: true });
		}
	},
	AFTERNOON,
	'own'
);
